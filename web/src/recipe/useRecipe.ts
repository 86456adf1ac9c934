import { computed, shallowRef, watch } from 'vue';
import {
  asText,
  heatWord,
  heatWords,
  questionKey,
  recipeIn,
  seedOf,
  styleOf,
  UNASKED_STYLE,
  type Answer,
  type Kitchen,
  type Plan,
  type ReaderAnswers,
  type ReadItem,
  type StoredStuff,
} from '@roskel/core';
import { today } from '../format';
import { useBatches } from '../stores/batches';
import { useLarder } from '../stores/larder';
import { useNotices } from '../stores/notices';
import { usePods } from '../stores/pods';
import { useSettings } from '../stores/settings';
import { bench, latest, stoppable } from '../worker/client';
import type { RecipeRead } from '../worker/worker';

/** A recipe as it is filled in: its text, and what the maker said about it. */
export interface RecipeForm {
  text: string;
  name: string;
  bottleMl: number;
  /** A style for a text that has no method; empty: the one that it reads like. */
  style: string;
  kitchen: Kitchen | null;
  answers: ReaderAnswers;
  kitchens: Record<string, Kitchen>;
  moves: Record<string, string>;
  /** "Bottle it hot" is measured, or only warm; null while it is asked. */
  hot: 'measured' | 'warm' | null;
  /** The jar that the text speaks of stands already, read with these; null while it is asked. */
  stands: 'meter' | 'strip' | 'no' | null;
  bottled: string;
}
export const blankRecipe = (): RecipeForm => ({
  ...{
    text: '',
    name: '',
    bottleMl: 100,
    style: '',
    kitchen: null,
    answers: {},
    kitchens: {},
    moves: {},
    hot: null,
    stands: null,
    bottled: '',
  },
});

/** Typing stops for as long before a plan is asked for, ms. */
const AFTER_MS = 250;
const plain = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T;

/** What is read of a recipe and what it makes, worked out while one types. */
export function useRecipe(form: RecipeForm) {
  const settings = useSettings();
  const batches = useBatches();
  const larder = useLarder();
  const pods = usePods();
  const notices = useNotices();
  const answer = shallowRef<RecipeRead | null>(null);
  const working = shallowRef(false);
  const sauce = shallowRef<{ stuff: StoredStuff; massG: number } | null>(null);
  const kitchen = computed(() => form.kitchen ?? settings.value.kitchen);
  /** A page or its JSON-LD becomes the text that one would paste. */
  watch(
    () => form.text,
    (t) => {
      const found = recipeIn(t);
      if (!found) return;
      form.text = asText(found);
      if (found.name) form.name ||= found.name;
    },
    { flush: 'sync' },
  );
  const own = computed(() => larder.rows.filter((r) => r.key.startsWith('own')));
  const free = computed(() =>
    pods.items.map((p) => ({ lot: p.lot, stockG: p.stockG - p.promised.reduce((s, x) => s + x.g, 0) })).filter((p) => p.stockG > 5),
  );
  const stamp = Date.now().toString(36);
  const wish = computed(() => ({
    ...{ name: form.name.trim() || answer.value?.read.recipe?.title || `Batch ${batches.items.length + 1}`, startDate: today() },
    goal: { lowShu: 100, highShu: 2_000_000, bottles: 1, bottleMl: form.bottleMl },
    ...(form.style ? { style: form.style } : {}),
    asMade: true as const,
    stands: form.stands === 'no' ? null : form.stands,
    rows: larder.rows,
    ...{ boughtId: `lot-${stamp}-bought`, bottled: sauce.value, have: free.value },
    larder: larder.items
      .filter((l) => l.stockG > 0)
      .map((l) => ({ id: l.ingredientKey, name: larder.row(l.ingredientKey)?.name ?? l.ingredientKey, massG: l.stockG, says: '' })),
  }));
  const reader = computed(() => ({
    ...{
      kitchen: kitchen.value,
      own: own.value,
      answers: form.answers,
      kitchens: form.kitchens,
      moves: form.moves,
      warm: form.hot === 'warm',
    },
  }));
  const lotIds = () => `lot-${stamp}-${seedOf(form.text).toString(36)}-recipe`;
  const work = () => stoppable(bench().recipe(form.text, plain(reader.value), plain(wish.value), lotIds(), today()));
  const ask = latest(work);
  let timer: ReturnType<typeof setTimeout> | undefined;
  watch(
    () => JSON.stringify([form.text, reader.value, { ...wish.value, name: '', rows: own.value }]),
    () => {
      clearTimeout(timer);
      if (form.text.trim() === '') return void (answer.value = null);
      timer = setTimeout(() => {
        working.value = true;
        ask()
          .then((found) => found && (answer.value = found))
          .catch((e: unknown) => notices.fail(e))
          .finally(() => (working.value = false));
      }, AFTER_MS);
    },
    { immediate: true },
  );

  const read = computed(() => answer.value?.read ?? null);
  const plan = computed<Plan | null>(() => answer.value?.plan ?? null);
  /** A bottled sauce stands for one that the recipe names. */
  const stands = (i: ReadItem) => i.sauceG !== undefined && sauce.value !== null;
  const open = computed(() => (read.value?.items ?? []).filter((i) => i.ask && !stands(i)));
  const asksHot = computed(
    () =>
      form.hot === null &&
      (plan.value?.file.strands.some((s) =>
        s.stations.some((x) => x.kind === 'bottle' && (x.params as { fill?: string }).fill === 'hot'),
      ) ??
        false),
  );
  const asksStands = computed(() => (form.stands === null ? (answer.value?.stood ?? null) : null));
  const eaten = computed(() => (plan.value ? styleOf(plan.value.file.style).eaten : UNASKED_STYLE.eaten));
  const word = computed(() => {
    const words = heatWords(eaten.value);
    const name = plan.value ? heatWord(plan.value.heat.p50, eaten.value) : '';
    return words.find((w) => w.name === name) ?? null;
  });
  function say(item: ReadItem, said: Answer | 'out') {
    form.answers = { ...form.answers, [questionKey(item)]: said };
  }
  /** A thing goes in at another step, by its station in the plan. */
  function move(key: string, stationId: string) {
    const to = plan.value?.steps?.[stationId];
    if (to) form.moves = { ...form.moves, [key]: to };
  }
  /** The plan of what stands there now; null when there is none. */
  async function now(): Promise<Plan | null> {
    clearTimeout(timer);
    const found = await work();
    if (found) answer.value = found;
    return found?.plan ?? null;
  }
  return { answer, read, plan, working, open, asksHot, asksStands, eaten, word, kitchen, own, sauce, wish, say, move, now, lotIds };
}
