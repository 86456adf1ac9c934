import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import { readySound, startRinging, stopRinging } from '../counter/alarm';
import { keepHere, onKept, readHere } from '../ui/keepHere';

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
  /** Its time was up, and somebody ended the alarm. */
  rung: boolean;
}
const KEEP = 'timers';
const TICK_MS = 250;
/** A timer that ended longer ago than this is forgotten, ms. */
const FORGET_MS = 12 * 3600_000;
/** What is kept, as timers: an older page, or a hand, may have left anything there. Null where it is no list. */
function timersIn(kept: unknown): Timer[] | null {
  if (!Array.isArray(kept)) return null;
  const isTimer = (t: Partial<Timer> | null): t is Timer =>
    typeof t?.id === 'string' &&
    typeof t.name === 'string' &&
    Number.isFinite(t.leftMs) &&
    Number.isFinite(t.totalMs) &&
    (t.endsAt === null || Number.isFinite(t.endsAt));
  return kept.filter(isTimer).filter((t) => t.endsAt === null || Date.now() - t.endsAt < FORGET_MS);
}

/** Every timer of this browser, the same in all its windows. One that is up rings, wherever one is in the house, until it is ended. */
export const useTimers = defineStore('timers', () => {
  const all = ref<Timer[]>(timersIn(readHere(KEEP)) ?? []);
  const now = ref(Date.now());
  const leftMs = (t: Timer): number => (t.endsAt === null ? t.leftMs : Math.max(0, t.endsAt - now.value));
  const isUp = (t: Timer): boolean => t.endsAt !== null && t.endsAt <= now.value;
  const running = computed(() => all.value.filter((t) => !t.rung));
  /** Up, and nobody has ended them. */
  const ringing = computed(() => running.value.filter(isUp));
  /** The one that is up next. */
  const next = computed(() => running.value.filter((t) => t.endsAt !== null && !isUp(t)).sort((a, b) => a.endsAt! - b.endsAt!)[0] ?? null);

  /** What another window changed meanwhile stays: a change is made to what is kept, not to what this window last saw. */
  function write(change: (timers: Timer[]) => Timer[]): void {
    all.value = change(timersIn(readHere(KEEP)) ?? all.value);
    keepHere(KEEP, all.value);
    go();
  }

  let ticking: ReturnType<typeof setInterval> | undefined;
  function go() {
    now.value = Date.now();
    if (next.value || ringing.value.length > 0) ticking ??= setInterval(() => (now.value = Date.now()), TICK_MS);
  }
  watch([next, ringing], ([n, up]) => {
    if (n || up.length > 0) return;
    clearInterval(ticking);
    ticking = undefined;
  });
  watch(
    () => ringing.value.map((t) => t.name).join(', '),
    (names) => (names ? startRinging(`${names}: time is up.`) : stopRinging()),
    { immediate: true },
  );

  function start(of: Pick<Timer, 'batchId' | 'stationId' | 'name'>, minutes: number) {
    const ms = Math.round(minutes * 60_000);
    const id = `${Date.now().toString(36)}${Math.random().toString(36).slice(2, 6)}`;
    write((list) => [
      ...list.filter((t) => !(t.batchId === of.batchId && t.stationId === of.stationId)),
      { ...of, id, endsAt: Date.now() + ms, leftMs: ms, totalMs: ms, rung: false },
    ]);
    // The tap that starts it is what a browser allows sound for.
    void readySound();
  }
  const change = (id: string, to: (t: Timer) => Partial<Timer>) => write((list) => list.map((t) => (t.id === id ? { ...t, ...to(t) } : t)));
  const hold = (id: string) => change(id, (t) => ({ leftMs: leftMs(t), endsAt: null }));
  const resume = (id: string) => change(id, (t) => ({ endsAt: Date.now() + t.leftMs }));
  /** Ends the alarm of one that is up. */
  const end = (id: string) => change(id, () => ({ rung: true }));
  /** What the one button does: begin, hold, go on. Without minutes said, ten. */
  function toggle(of: Pick<Timer, 'batchId' | 'stationId' | 'name'>, minutes: number | null) {
    const t = at(of.batchId, of.stationId);
    if (!t || t.rung || isUp(t)) start(of, minutes ?? 10);
    else if (t.endsAt === null) resume(t.id);
    else hold(t.id);
  }
  const more = (id: string, minutes: number) =>
    change(id, (t) => {
      const ms = minutes * 60_000;
      // One that is held stays held.
      const when = t.endsAt === null ? { leftMs: t.leftMs + ms } : { endsAt: Math.max(t.endsAt, Date.now()) + ms };
      return { rung: false, totalMs: t.totalMs + ms, ...when };
    });
  /** Minutes it has run so far. */
  const ranMin = (t: Timer): number => Math.max(0, Math.round((t.totalMs - leftMs(t)) / 60_000));
  const drop = (id: string) => write((list) => list.filter((t) => t.id !== id));
  const at = (batchId: string, stationId: string) => all.value.find((t) => t.batchId === batchId && t.stationId === stationId) ?? null;
  // Another window of the house set, held, ended or dropped one: all show the same.
  onKept(KEEP, (kept) => {
    all.value = timersIn(kept) ?? [];
    go();
  });
  go();
  return { all, now, running, ringing, next, leftMs, isUp, start, hold, resume, toggle, more, end, ranMin, drop, at };
});

/** "24:51", or "1:02:09". */
export function clockOf(ms: number): string {
  const s = Math.ceil(ms / 1000);
  const two = (n: number) => String(n).padStart(2, '0');
  return s >= 3600 ? `${Math.floor(s / 3600)}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}` : `${two(Math.floor(s / 60))}:${two(s % 60)}`;
}
