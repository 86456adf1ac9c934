import { defineStore } from 'pinia';
import { computed, markRaw, ref, watch } from 'vue';
import { applyChanges, reversed, type Change } from '@roskel/core';
import { api, ApiProblem, written } from '../api/client';
import { keepHere, readHere } from '../ui/keepHere';
import type { StockMove } from './moves';
import { useNotices } from './notices';

/** One request; `{name}` in its path is filled from what earlier ones answered. */
export interface Call {
  method: 'post' | 'put' | 'remove';
  path: string;
  body?: unknown;
  /** Keeps the id of the answer under this name. */
  keep?: string;
  /** A move of stock: where the server does not answer it is kept until it does. */
  move?: Omit<StockMove, 'body'>;
}
/** What a step did, as data: it survives a reload, and goes both ways. */
export type Act =
  | { kind: 'batch'; batchId: string; changes: Change[] }
  /** A record that is read, changed where it still is as it was left, and written with its revision. */
  | { kind: 'record'; path: string; of: string; put: string; whole?: boolean; changes: Change[] }
  | {
      kind: 'calls';
      undo: Call[];
      redo: Call[];
      names?: Record<string, string>;
      /** The key of the move of stock that it last made. */
      sent?: string;
      /** How many of its calls went through, when a later one failed: the next try goes on from there. */
      ran?: number;
      /** Only while this record is still at this revision: work done since is never taken away. */
      onlyAt?: { path: string; revision: number; says: string };
    };
export interface Step {
  label: string;
  /** What it belongs to: "batch:ID", or a topic such as "pods". */
  scope: string;
  /** The screen on which it was done. */
  at: string;
  act: Act;
}

const KEEP = 'roskel.undo';
const MOST = 200;

interface Kept {
  done: Step[];
  undone: Step[];
}
/** What a step holds goes back into files as it is: a wrapped value could not be handed to the worker there. */
const bare = (step: Step): Step => ({ ...step, act: markRaw(step.act) });
function kept(): Kept {
  const { done = [], undone = [] } = readHere<Partial<Kept>>(KEEP, sessionStorage) ?? {};
  return { done: done.map(bare), undone: undone.map(bare) };
}

/** Thrown when a step cannot be taken back any more; it is dropped, and nothing is touched. */
class Gone extends Error {}

/** The scopes that a screen shows, from its address. */
export function scopesOf(path: string): string[] {
  const [, place, id, more] = path.split('/');
  if (place === 'batches') return id ? [`batch:${id}`, ...(more ? [] : ['heat', 'tools'])] : ['batches'];
  const all: Record<string, string[]> = {
    pods: ['pods', 'varieties', 'heat'],
    larder: ['larder', 'stored', 'ingredients', 'tools'],
    shelf: ['shelf', 'heat'],
    bench: ['heat'],
  };
  return all[place ?? ''] ?? [];
}

/** Everything that changes data leaves a way back here; what is on screen is what it acts on. */
export const useUndo = defineStore('undo', () => {
  const { done, undone } = kept();
  const steps = ref<Step[]>(done);
  const back = ref<Step[]>(undone);
  const screen = ref(location.pathname);
  /** How a change to a batch is made; the open batch tells. */
  let amend: (batchId: string, changes: readonly Change[]) => Promise<string[]> = () => Promise.reject(new Gone('Open the batch first.'));
  /** How a move of stock is made; gives its key. The store of moves tells. */
  let makeMove: (label: string, move: StockMove, takesBack: string | null) => Promise<string> = () =>
    Promise.reject(new Error('Nothing moves stock here.'));
  watch([steps, back], () => keepHere(KEEP, { done: steps.value, undone: back.value } satisfies Kept, sessionStorage), { deep: true });

  const here = (s: Step) => {
    const scopes = scopesOf(screen.value);
    return scopes.includes(s.scope) || s.scope === 'settings' || s.at === screen.value;
  };
  const lastOf = (list: readonly Step[]) => list.findLastIndex(here);
  const last = computed(() => steps.value[lastOf(steps.value)]?.label ?? null);
  const next = computed(() => back.value[lastOf(back.value)]?.label ?? null);

  function push(label: string, scope: string, act: Act) {
    steps.value.push(bare({ label, scope, at: screen.value, act }));
    if (steps.value.length > MOST) steps.value.shift();
    // What was taken back of the same thing cannot follow on something else.
    back.value = back.value.filter((s) => s.scope !== scope);
  }

  async function call(c: Call, names: Record<string, string>, label: string, sent: string | null): Promise<string | undefined> {
    if (c.move) return makeMove(label, { ...c.move, body: c.body as object }, sent);
    const path = c.path.replace(/\{(\w+)\}/g, (_, n: string) => names[n] ?? '');
    const answer =
      c.method === 'remove'
        ? await api.remove<{ id?: string | number }>(path)
        : await api[c.method]<{ id?: string | number }>(path, c.body ?? {});
    if (c.keep && answer.id !== undefined) names[c.keep] = String(answer.id);
    return undefined;
  }
  async function run({ act, label }: Step, way: 'undo' | 'redo'): Promise<void> {
    if (act.kind === 'batch') {
      const clashes = await amend(act.batchId, way === 'undo' ? reversed(act.changes) : act.changes);
      if (clashes.length > 0) throw new Gone(`${clashes.join(', ')} was changed since, elsewhere or later. It stays as it is.`);
      return;
    }
    if (act.kind === 'record') {
      const now = (await api.get<Record<string, unknown>[] | Record<string, unknown>>(act.path)) as Record<string, unknown>[];
      const record = act.whole ? (now as unknown as Record<string, unknown>) : now.find((r) => r.id === act.of);
      if (!record) throw new Gone('It is not there any more.');
      const { value, clashes } = applyChanges(record, way === 'undo' ? reversed(act.changes) : act.changes);
      if (clashes.length > 0) throw new Gone('It was changed since. It stays as it is.');
      await api.put(act.put, act.whole ? value : { revision: record.revision, ...bodyOf(act.path, value) });
      return;
    }
    if (act.onlyAt && way === 'undo' && !act.ran) {
      const now = await api.get<{ revision: number }>(act.onlyAt.path);
      if (now.revision !== act.onlyAt.revision) throw new Gone(act.onlyAt.says);
    }
    const names = (act.names ??= {});
    for (let i = act.ran ?? 0; i < act[way].length; i++) {
      const sent = await call(act[way][i]!, names, `${way === 'undo' ? 'taken back: ' : ''}${label}`, act.sent ?? null);
      if (sent) act.sent = sent;
      act.ran = i + 1;
    }
    delete act.ran;
  }

  async function go(from: typeof steps, to: typeof back, way: 'undo' | 'redo') {
    const notices = useNotices();
    // What was done a moment ago is a step only once it is answered: a quick hand means that one, not the one before.
    await written();
    const at = lastOf(from.value);
    if (at < 0) return notices.say(`There is nothing to ${way} here.`);
    const [step] = from.value.splice(at, 1) as [Step];
    try {
      await run(step, way);
      to.value.push(step);
      notices.say(`${way === 'undo' ? 'Undone' : 'Done again'}: ${step.label}.`);
    } catch (error) {
      if (error instanceof ApiProblem && error.problem.status === 404) notices.fail(new Error(`${step.label}: it is not there any more.`));
      else if (error instanceof Gone) notices.fail(new Error(`${step.label}: ${error.message}`));
      else {
        from.value.splice(at, 0, step);
        notices.fail(error);
      }
    }
  }
  /** One after the other, however fast they are asked for. */
  let turn = Promise.resolve();
  const undo = () => (turn = turn.then(() => go(steps, back, 'undo')));
  const redo = () => (turn = turn.then(() => go(back, steps, 'redo')));
  function onBatch(how: typeof amend) {
    amend = how;
  }
  function onMove(how: typeof makeMove) {
    makeMove = how;
  }
  /** A move that was not done after all has no way back. */
  function forget(sent: string) {
    const others = (s: Step) => s.act.kind !== 'calls' || s.act.sent !== sent;
    steps.value = steps.value.filter(others);
    back.value = back.value.filter(others);
  }
  return { push, undo, redo, last, next, screen, onBatch, onMove, forget };
});

/** The body that changes a record of a list: each list has its own name for what a maker says of it. */
function bodyOf(path: string, record: Record<string, unknown>): Record<string, unknown> {
  if (path === '/pods') {
    const { lot, gotOn, place, note, useFirst, ripeness, pricePerKg } = record;
    return { input: { lot, gotOn, place, note, useFirst, ripeness, pricePerKg } };
  }
  if (path === '/larder') {
    const { note, packG, packPrice, openedOn, ownPh, useFirst } = record;
    return { facts: { note, packG, packPrice, openedOn, ownPh, useFirst } };
  }
  return { value: record.value };
}
