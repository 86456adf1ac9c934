import { numberProblem } from '@roskel/contract';
import { computed, onBeforeUnmount, reactive, ref, shallowRef, watch } from 'vue';
import {
  GoalSchema,
  heatWords,
  IDEA_ORDERS,
  IDEA_STYLES,
  inIdeaOrder,
  seedOf,
  styleOf,
  type Idea,
  type IdeaOrder,
  type IdeaWish,
  type NoIdea,
} from '@roskel/core';
import { today } from '../format';
import { useBatches } from '../stores/batches';
import { useLarder } from '../stores/larder';
import { useNotices } from '../stores/notices';
import { usePods } from '../stores/pods';
import { useShelf } from '../stores/shelf';
import { keepHere, readHere } from '../ui/keepHere';
import { bench, stopBench, stoppable } from '../worker/client';

/** By when it is to be ready, in days. */
export const WHEN = {
  today: { name: 'today', days: 0 },
  month: { name: 'within a month', days: 31 },
  any: { name: 'no hurry', days: Infinity },
} as const;
export interface IdeaForm {
  when: keyof typeof WHEN;
  heat: string;
  bottles: number;
  bottleMl: number;
  order: IdeaOrder;
}
const KEEP = 'roskel-ideas';
const Goal = GoalSchema.properties;
/** Less of a lot than this is no stock to plan with, g. */
const LEAST_G = 5;
/** A wish stops changing for as long before it is worked out, ms. */
const AFTER_MS = 300;
const plain = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T;

/** Every kind of sauce planned through of what is there, one after the other, for what is wished. */
export function useIdeas() {
  const [pods, larder, shelf, batches, notices] = [usePods(), useLarder(), useShelf(), useBatches(), useNotices()];
  const blank: IdeaForm = { when: 'any', heat: 'medium', bottles: 4, bottleMl: 100, order: 'soon' };
  const kept = readHere<Partial<IdeaForm>>(KEEP) ?? {};
  const form = reactive<IdeaForm>({ ...blank, ...(kept instanceof Object ? kept : {}) });
  // What the browser kept may be of another version, or spoilt.
  if (!Object.hasOwn(WHEN, form.when)) form.when = blank.when;
  if (!Object.hasOwn(IDEA_ORDERS, form.order)) form.order = blank.order;
  if (!heatWords('drop').some((w) => w.name === form.heat)) form.heat = blank.heat;
  const askable = (name: 'bottles' | 'bottleMl') => typeof form[name] === 'number' && numberProblem(Goal[name], form[name]) === null;
  for (const name of ['bottles', 'bottleMl'] as const) if (!askable(name)) form[name] = blank[name];
  watch(form, () => keepHere(KEEP, form));

  const told = shallowRef<(Idea | NoIdea)[]>([]);
  const working = ref(false);
  const ready = ref(false);
  const freeG = (x: { stockG: number; promised: { g: number }[] }) => x.stockG - x.promised.reduce((s, p) => s + p.g, 0);
  const lots = computed(() => pods.items.filter((p) => freeG(p) > LEAST_G));
  const wordFor = (style: string) => {
    const words = heatWords(styleOf(style).eaten);
    return words.find((w) => w.name === form.heat) ?? words[1]!;
  };
  const wishFor = (style: string): IdeaWish => {
    const { lowShu, highShu } = wordFor(style);
    return {
      name: styleOf(style).name,
      startDate: today(),
      goal: { lowShu, highShu, bottles: form.bottles, bottleMl: form.bottleMl },
      boughtId: `lot-${seedOf(style + today()).toString(36)}-bought`,
      pods: lots.value.map((p) => ({ lot: p.lot, stockG: freeG(p), useFirst: p.useFirst })),
      things: [],
      larder: larder.items
        .filter((l) => freeG(l) > 0)
        .map((l) => ({ id: l.ingredientKey, name: larder.row(l.ingredientKey)?.name ?? l.ingredientKey, massG: freeG(l), says: '' })),
      rows: larder.rows,
      bottled: null,
    };
  };
  let round = 0;
  async function work() {
    const mine = ++round;
    if (working.value) stopBench();
    told.value = [];
    working.value = true;
    try {
      for (const style of IDEA_STYLES) {
        const answer = await stoppable(bench().idea(style, plain(wishFor(style)), today()));
        if (mine !== round) return;
        if (answer?.ok) told.value = [...told.value, answer.answer];
        else if (answer) told.value = [...told.value, { style, why: answer.message }];
      }
    } catch (e) {
      notices.fail(e);
    } finally {
      if (mine === round) working.value = false;
    }
  }
  let timer: ReturnType<typeof setTimeout> | undefined;
  watch(
    () =>
      ready.value &&
      askable('bottles') &&
      askable('bottleMl') &&
      JSON.stringify([
        form.heat,
        form.bottles,
        form.bottleMl,
        lots.value.map((p) => [p.id, freeG(p)]),
        larder.items.map((l) => [l.id, freeG(l)]),
      ]),
    (asked) => {
      clearTimeout(timer);
      if (asked && lots.value.length > 0) timer = setTimeout(() => void work(), AFTER_MS);
    },
  );
  onBeforeUnmount(() => {
    clearTimeout(timer);
    round++;
    if (working.value) stopBench();
  });
  const load = () =>
    Promise.all([pods.load(), larder.load(), shelf.load(), batches.load()])
      .then(() => (ready.value = true))
      .catch((e: unknown) => notices.fail(e));

  /** Bottles that stand on the shelf, by the style of their batch. */
  const onShelf = computed(() => {
    const style = new Map(batches.items.map((b) => [b.id, b.summary.style]));
    const count = new Map<string, number>();
    for (const b of shelf.items) {
      const of = style.get(b.batchId);
      if (of) count.set(of, (count.get(of) ?? 0) + b.left);
    }
    return count;
  });
  const all = computed(() => told.value.filter((t): t is Idea => 'plan' in t));
  const ideas = computed(() =>
    inIdeaOrder(
      all.value.filter((i) => i.inDays <= WHEN[form.when].days),
      form.order,
      onShelf.value,
    ),
  );
  /** Those that come too late for the wish, and those that cannot be had at all. */
  const late = computed(() => all.value.filter((i) => i.inDays > WHEN[form.when].days));
  const none = computed(() => told.value.filter((t): t is NoIdea => !('plan' in t)));
  return { form, ideas, late, none, told, working, ready, lots, wordFor, load };
}
