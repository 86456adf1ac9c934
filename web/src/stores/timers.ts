import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import { keepHere, readHere } from '../ui/keepHere';
import { ring } from '../counter/ring';
import { useNotices } from './notices';

/** A kitchen timer: it runs by the clock of this machine, so that a reload or a closed page does not stop it. */
export interface Timer {
  id: string;
  batchId: string;
  stationId: string;
  name: string;
  /** ms since 1970 at which it ends; null while it is held. */
  endsAt: number | null;
  /** ms left while it is held, and ms it runs for in all. */
  leftMs: number;
  totalMs: number;
  /** It has rung, and someone has seen it. */
  rung: boolean;
}
const KEEP = 'timers';
const TICK_MS = 250;
/** A timer that ended longer ago than this is forgotten, ms. */
const FORGET_MS = 12 * 3600_000;

/** Every timer of this browser. They ring once, wherever one is in the house. */
export const useTimers = defineStore('timers', () => {
  const all = ref<Timer[]>((readHere<Timer[]>(KEEP) ?? []).filter((t) => t.endsAt === null || Date.now() - t.endsAt < FORGET_MS));
  const now = ref(Date.now());
  watch(all, () => keepHere(KEEP, all.value), { deep: true });
  const leftMs = (t: Timer): number => (t.endsAt === null ? t.leftMs : Math.max(0, t.endsAt - now.value));
  const running = computed(() => all.value.filter((t) => !t.rung));

  let ticking: ReturnType<typeof setInterval> | undefined;
  function tick() {
    now.value = Date.now();
    for (const t of all.value)
      if (!t.rung && t.endsAt !== null && t.endsAt <= now.value) {
        t.rung = true;
        ring();
        const late = Math.round((now.value - t.endsAt) / 60_000);
        useNotices().say(late >= 1 ? `${t.name}: the time was up ${late} min ago.` : `${t.name}: time is up.`);
      }
    if (all.value.every((t) => t.rung || t.endsAt === null)) stop();
  }
  function go() {
    tick();
    if (running.value.some((t) => t.endsAt !== null)) ticking ??= setInterval(tick, TICK_MS);
  }
  function stop() {
    clearInterval(ticking);
    ticking = undefined;
  }
  function start(of: Pick<Timer, 'batchId' | 'stationId' | 'name'>, minutes: number) {
    const ms = Math.round(minutes * 60_000);
    all.value = [
      ...all.value.filter((t) => !(t.batchId === of.batchId && t.stationId === of.stationId)),
      { ...of, id: `${Date.now().toString(36)}`, endsAt: Date.now() + ms, leftMs: ms, totalMs: ms, rung: false },
    ];
    go();
  }
  const change = (id: string, to: (t: Timer) => Partial<Timer>) => {
    all.value = all.value.map((t) => (t.id === id ? { ...t, ...to(t) } : t));
    go();
  };
  const hold = (id: string) => change(id, (t) => ({ leftMs: leftMs(t), endsAt: null }));
  const resume = (id: string) => change(id, (t) => ({ endsAt: Date.now() + t.leftMs }));
  /** What the one button does: begin, hold, go on. Without minutes said, ten. */
  function toggle(of: Pick<Timer, 'batchId' | 'stationId' | 'name'>, minutes: number | null) {
    const t = at(of.batchId, of.stationId);
    if (!t || t.rung) start(of, minutes ?? 10);
    else if (t.endsAt === null) resume(t.id);
    else hold(t.id);
  }
  const more = (id: string, minutes: number) =>
    change(id, (t) => {
      const ms = minutes * 60_000;
      // One that is held stays held.
      const when = t.endsAt === null ? { leftMs: t.leftMs + ms } : { endsAt: (t.rung ? Date.now() : t.endsAt) + ms };
      return { rung: false, totalMs: t.totalMs + ms, ...when };
    });
  /** Minutes it has run so far. */
  const ranMin = (t: Timer): number => Math.max(0, Math.round((t.totalMs - leftMs(t)) / 60_000));
  const drop = (id: string) => (all.value = all.value.filter((t) => t.id !== id));
  const at = (batchId: string, stationId: string) => all.value.find((t) => t.batchId === batchId && t.stationId === stationId) ?? null;
  // Another window of the house set, held or dropped one: both show the same.
  window.addEventListener('storage', (e) => {
    if (e.key !== KEEP) return;
    all.value = readHere<Timer[]>(KEEP) ?? [];
    go();
  });
  go();
  return { all, now, running, leftMs, start, hold, resume, toggle, more, ranMin, drop, at };
});

/** "24:51", or "1:02:09". */
export function clockOf(ms: number): string {
  const s = Math.ceil(ms / 1000);
  const two = (n: number) => String(n).padStart(2, '0');
  return s >= 3600 ? `${Math.floor(s / 3600)}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}` : `${two(Math.floor(s / 60))}:${two(s % 60)}`;
}
