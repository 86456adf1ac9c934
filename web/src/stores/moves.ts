import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { KEY_KEPT_HOURS, type Move } from '@roskel/contract';
import { api, ApiProblem, newKey, Offline } from '../api/client';
import { onChange } from '../api/events';
import { makerHere } from '../api/maker';
import { keepHere, keysHere, onKeptUnder, readHere } from '../ui/keepHere';
import { useNotices } from './notices';
import { useUndo } from './undo';

export type StockTopic = 'shelf' | 'pods' | 'larder' | 'stored';

/** Something more or less of a record: bottles of the shelf, grams elsewhere. */
export interface StockMove {
  topic: StockTopic;
  id: string;
  by: number;
  /** As its route wants it. */
  body: object;
}
/** A move that was said here and that the server has not answered yet. */
export interface KeptMove extends StockMove {
  key: string;
  label: string;
  /** When it was said, ISO 8601. */
  since: string;
  maker: string | null;
  /** The key of the move that it takes back: where that is not done, neither is this. */
  takesBack: string | null;
  /** The server did not answer: it waits. */
  waits: boolean;
  /** Why it cannot be done as it stands. */
  refused: string | null;
}

/** A move of grams, and the body of the one that takes it back. */
export const massMove = (topic: StockTopic, id: string, m: Move): [StockMove, Move] => [
  { topic, id, by: m.deltaG, body: m },
  { deltaG: -m.deltaG, reason: 'undo', words: '' },
];
/** A record with so many grams more or less. */
export const withMass = <T extends { stockG: number }>(item: T, by: number): T => ({ ...item, stockG: item.stockG + by });

/** Nobody said the passphrase here, or it is another one now. */
const LOCKED = 401;
const PREFIX = 'roskel.move.';
/** A server that says nothing for so long is as good as away, ms. */
const PATIENCE_MS = 5000;
const AGAIN_MS = 5000;
const KEY_KEPT_MS = KEY_KEPT_HOURS * 3_600_000;

const pathOf = (m: StockMove) => `/${m.topic}/${m.id}/moves`;
const callOf = (m: StockMove) => ({ method: 'post' as const, path: pathOf(m), body: m.body, move: { topic: m.topic, id: m.id, by: m.by } });
const readAll = (): KeptMove[] =>
  keysHere(PREFIX)
    .flatMap((key) => readHere<KeptMove>(key) ?? [])
    .sort((a, b) => a.since.localeCompare(b.since));

/**
 * Moves of stock. Each is kept in this browser under a key of its own until the server has answered it, so that it is done
 * once and none is lost: where the server does not answer it counts here meanwhile, and is sent when it is back.
 */
export const useMoves = defineStore('moves', () => {
  const undo = useUndo();
  const all = ref<KeptMove[]>(readAll());
  const waiting = computed(() => all.value.filter((m) => m.waits && !m.refused));
  const refused = computed(() => all.value.filter((m) => m.refused));
  /** Lists that are read anew once a move of theirs was done. */
  const refreshers = new Map<StockTopic, () => Promise<void>>();

  /** What waits for a record: bottles or grams. */
  const pending = (topic: StockTopic, id: string): number =>
    waiting.value.reduce((sum, m) => sum + (m.topic === topic && m.id === id ? m.by : 0), 0);

  function put(m: KeptMove): boolean {
    all.value = [...all.value.filter((x) => x.key !== m.key), m].sort((a, b) => a.since.localeCompare(b.since));
    return keepHere(PREFIX + m.key, m);
  }
  function drop(key: string): void {
    all.value = all.value.filter((m) => m.key !== key);
    keepHere(PREFIX + key, null);
  }

  /** Sends one: what the server said against it, null where it is done. Throws where it does not answer. */
  async function deliver(m: KeptMove): Promise<ApiProblem | null> {
    try {
      await api.post(pathOf(m), m.body, { key: m.key, maker: m.maker, patienceMs: PATIENCE_MS });
      if (m.waits) await refreshers.get(m.topic)?.();
      drop(m.key);
      return null;
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      // A door that is shut says nothing of the move: it waits until somebody is let in.
      if (error.problem.status === LOCKED) throw new Offline('POST');
      return error;
    }
  }
  function refuse(m: KeptMove, why: string): void {
    const takenBack = waiting.value.find((x) => x.takesBack === m.key);
    if (takenBack) {
      // Taken back before it was done: nothing is left to ask.
      drop(takenBack.key);
      drop(m.key);
      return;
    }
    put({ ...m, refused: why });
    // What was not done cannot be taken back.
    undo.forget(m.key);
  }

  let sending: Promise<void> | null = null;
  /** Sends what waits, one after the other as it was said. */
  const send = (): Promise<void> =>
    (sending ??= (async () => {
      try {
        for (let m = waiting.value[0]; m; m = waiting.value[0]) {
          // Whether it came through at its first try is not known there any more.
          const old = Date.now() - Date.parse(m.since) > KEY_KEPT_MS;
          const problem = old ? null : await deliver(m);
          if (old) refuse(m, 'It was said more than a day ago. Look whether it counts already before it is done again.');
          else if (problem) refuse(m, problem.message);
        }
      } catch (error) {
        if (!(error instanceof Offline)) useNotices().fail(error);
      } finally {
        sending = null;
        again();
      }
    })());
  let timer: ReturnType<typeof setTimeout> | undefined;
  let listening = false;
  /** Sees to it that what waits is tried again. */
  function again(): void {
    clearTimeout(timer);
    if (waiting.value.length === 0) return;
    timer = setTimeout(() => void send(), AGAIN_MS);
    // Whoever hears the server can be heard by it; and what it announces may be a move whose answer was lost.
    if (!listening) onChange(() => waiting.value.length > 0 && void send());
    listening = true;
  }

  /** Makes a move, or keeps it where the server does not answer; gives its key. Throws what the server said against it. */
  async function make(label: string, move: StockMove, takesBack: string | null = null): Promise<string> {
    // What was said before it goes first.
    const waits = waiting.value.length > 0;
    const { topic, id, by, body } = move;
    // A clock that was put back does not change the order in which things were said.
    const last = Date.parse(all.value.at(-1)?.since ?? '');
    const since = new Date(Number.isNaN(last) ? Date.now() : Math.max(Date.now(), last + 1)).toISOString();
    const m: KeptMove = { topic, id, by, body, key: newKey(), label, since, maker: makerHere.value, takesBack, waits, refused: null };
    if (!put(m)) {
      // A browser that is full keeps nothing: it is done now, or it is not.
      drop(m.key);
      await api.post(pathOf(m), m.body);
      return m.key;
    }
    if (waits) {
      void send();
      return m.key;
    }
    try {
      const problem = await deliver(m);
      if (problem) throw problem;
    } catch (error) {
      if (!(error instanceof Offline)) {
        drop(m.key);
        throw error;
      }
      put({ ...m, waits: true });
      again();
    }
    return m.key;
  }
  /** One act of the maker's, with its undo: a move, and the one that takes it back. */
  async function act(label: string, move: StockMove, back: object): Promise<void> {
    const sent = await make(label, move);
    undo.push(label, move.topic, { kind: 'calls', sent, undo: [callOf({ ...move, by: -move.by, body: back })], redo: [callOf(move)] });
  }
  undo.onMove(make);

  /** A move that was refused, tried again under a new key, or let go. */
  async function retry(m: KeptMove): Promise<void> {
    drop(m.key);
    await make(m.label, m).catch((e: unknown) => put({ ...m, refused: (e as Error).message }));
    await refreshers.get(m.topic)?.();
  }

  /** What was refused in another window has no way back here either. */
  const forgetRefused = () => refused.value.forEach((m) => undo.forget(m.key));
  onKeptUnder(PREFIX, () => {
    // Of what is on its way in this window only this window knows.
    all.value = [...readAll().filter((m) => m.waits), ...all.value.filter((m) => !m.waits)];
    forgetRefused();
    again();
  });
  forgetRefused();
  // A window that was closed while a move was on its way: it is sent again under its key.
  for (const m of all.value) if (!m.waits) put({ ...m, waits: true });
  again();
  return {
    all,
    waiting,
    refused,
    pending,
    act,
    retry,
    letGo: drop,
    onSent: (t: StockTopic, refresh: () => Promise<void>) => void refreshers.set(t, refresh),
  };
});
