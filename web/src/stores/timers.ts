import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import { isForgotten, type Timer, type Timers } from '@roskel/contract';
import { api } from '../api/client';
import { concerns, onChange } from '../api/events';
import { askToNotify, readySound, startRinging, stopRinging } from '../counter/alarm';
import { keepHere, onKept, readHere } from '../ui/keepHere';

const KEEP = 'timers';
/** By how much the server's clock is ahead of this machine's, ms. */
const AHEAD = 'timers-ahead';
const TICK_MS = 250;
/** What is kept, as timers: an older page, or a hand, may have left anything there. Null where it is no list. */
function timersIn(kept: unknown, now: number): Timer[] | null {
  if (!Array.isArray(kept)) return null;
  const isTimer = (t: Partial<Timer> | null): t is Timer =>
    typeof t?.id === 'string' &&
    typeof t.name === 'string' &&
    Number.isFinite(t.leftMs) &&
    Number.isFinite(t.totalMs) &&
    Number.isFinite(t.changedAt) &&
    (t.endsAt === null || Number.isFinite(t.endsAt));
  return kept.filter(isTimer).filter((t) => !isForgotten(t, now));
}

/**
 * Every timer of the kitchen, the same on all its devices and in all windows. Each is kept here as well: without its server
 * a device goes on and rings, and what was set meanwhile is told when it is back. One that is up rings, wherever one is in
 * the house, until it is ended anywhere.
 */
export const useTimers = defineStore('timers', () => {
  let ahead = Number(readHere<number>(AHEAD)) || 0;
  /** The server's clock: two devices show the same. */
  const clock = () => Date.now() + ahead;
  const kept = ref<Timer[]>(timersIn(readHere(KEEP), clock()) ?? []);
  const all = computed(() => kept.value.filter((t) => !t.gone));
  const now = ref(clock());
  const leftMs = (t: Timer): number => (t.endsAt === null ? t.leftMs : Math.max(0, t.endsAt - now.value));
  const isUp = (t: Timer): boolean => t.endsAt !== null && t.endsAt <= now.value;
  const running = computed(() => all.value.filter((t) => !t.rung));
  /** Up, and nobody has ended them. */
  const ringing = computed(() => running.value.filter(isUp));
  /** The one that is up next. */
  const next = computed(() => running.value.filter((t) => t.endsAt !== null && !isUp(t)).sort((a, b) => a.endsAt! - b.endsAt!)[0] ?? null);

  function keep(list: Timer[]): void {
    kept.value = list;
    keepHere(KEEP, list);
    go();
  }
  /** What another window changed meanwhile stays: a change is made to what is kept, not to what this window last saw. */
  const latest = (): Timer[] => timersIn(readHere(KEEP), clock()) ?? kept.value;
  function write(change: (timers: Timer[]) => Timer[]): void {
    const had = latest();
    const changed = change(had).map((t) => (had.includes(t) ? t : { ...t, changedAt: Math.max(clock(), t.changedAt + 1) }));
    keep(changed);
    for (const t of changed) if (!had.includes(t)) void send(t);
  }
  /** What a device or the server knows, taken over where it is later than what is known here. */
  function take(told: Pick<Timers, 'timers'>): void {
    const by = new Map(latest().map((t) => [t.id, t]));
    for (const t of told.timers) if ((by.get(t.id)?.changedAt ?? -1) < t.changedAt) by.set(t.id, t);
    keep([...by.values()]);
  }
  /** An answer that was just given says what time it is there; what is announced may be told again much later. */
  function answered(told: Timers): void {
    ahead = told.now - Date.now();
    keepHere(AHEAD, ahead);
    take(told);
  }
  // A server that does not answer hears of it when it is back.
  const send = (t: Timer) =>
    api
      .put<Timers>(`/timers/${t.id}`, t)
      .then(answered)
      .catch(() => undefined);
  /** All that the server knows, and tells it what it does not. */
  async function bring(): Promise<void> {
    const told = await api.get<Timers>('/timers').catch(() => null);
    if (!told) return;
    const there = new Map(told.timers.map((t) => [t.id, t.changedAt]));
    const own = latest().filter((t) => t.changedAt > (there.get(t.id) ?? -1));
    answered(told);
    for (const t of own) void send(t);
  }
  onChange((event) => {
    if (event.topic === 'timers' && event.record) take(event.record as Pick<Timers, 'timers'>);
    else if (concerns(event, 'timers')) void bring();
  });
  void bring();

  let ticking: ReturnType<typeof setInterval> | undefined;
  function go() {
    now.value = clock();
    if (next.value || ringing.value.length > 0) ticking ??= setInterval(() => (now.value = clock()), TICK_MS);
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
      ...list.map((t) => (!t.gone && t.batchId === of.batchId && t.stationId === of.stationId ? { ...t, gone: true } : t)),
      { ...of, id, endsAt: clock() + ms, leftMs: ms, totalMs: ms, rung: false, gone: false, changedAt: 0 },
    ]);
    // The tap that starts it is what a browser allows sound and notifications for.
    void readySound();
    askToNotify();
  }
  const change = (id: string, to: (t: Timer) => Partial<Timer>) => write((list) => list.map((t) => (t.id === id ? { ...t, ...to(t) } : t)));
  const hold = (id: string) => change(id, (t) => ({ leftMs: leftMs(t), endsAt: null }));
  const resume = (id: string) => change(id, (t) => ({ endsAt: clock() + t.leftMs }));
  /** Ends the alarm of one that is up. */
  const end = (id: string) => change(id, () => ({ rung: true }));
  /** What the one button does: begin, hold, go on. Without minutes said, ten. */
  function toggle(of: Pick<Timer, 'batchId' | 'stationId' | 'name'>, minutes: number | null) {
    const t = at(of.batchId, of.stationId);
    if (!t || t.rung || isUp(t)) start(of, minutes ?? 10);
    else if (t.endsAt === null) resume(t.id);
    else hold(t.id);
  }
  const toggleOne = (id: string) => {
    const t = all.value.find((x) => x.id === id);
    if (t) (t.endsAt === null ? resume : hold)(id);
  };
  const more = (id: string, minutes: number) =>
    change(id, (t) => {
      const ms = minutes * 60_000;
      // One that is held stays held.
      const when = t.endsAt === null ? { leftMs: t.leftMs + ms } : { endsAt: Math.max(t.endsAt, clock()) + ms };
      return { rung: false, totalMs: t.totalMs + ms, ...when };
    });
  /** Minutes it has run so far. */
  const ranMin = (t: Timer): number => Math.max(0, Math.round((t.totalMs - leftMs(t)) / 60_000));
  const drop = (id: string) => change(id, () => ({ gone: true }));
  const at = (batchId: string, stationId: string) => all.value.find((t) => t.batchId === batchId && t.stationId === stationId) ?? null;
  // Another window of the house set, held, ended or dropped one: all show the same.
  onKept(KEEP, (told) => {
    kept.value = timersIn(told, clock()) ?? [];
    go();
  });
  go();
  return { all, now, running, ringing, next, leftMs, isUp, start, hold, resume, toggle, toggleOne, more, end, ranMin, drop, at };
});

/** "24:51", or "1:02:09". */
export function clockOf(ms: number): string {
  const s = Math.ceil(ms / 1000);
  const two = (n: number) => String(n).padStart(2, '0');
  return s >= 3600 ? `${Math.floor(s / 3600)}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}` : `${two(Math.floor(s / 60))}:${two(s % 60)}`;
}
