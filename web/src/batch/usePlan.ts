import { computed, ref, shallowRef, watch } from 'vue';
import {
  heatWords,
  kindKey,
  readHave,
  seedOf,
  STYLES,
  styleOf,
  styleOfList,
  UNASKED_STYLE,
  type Plan,
  type StoredStuff,
} from '@roskel/core';
import { today } from '../format';
import { useBatches } from '../stores/batches';
import { useLarder } from '../stores/larder';
import { useNotices } from '../stores/notices';
import { usePods } from '../stores/pods';
import { manner } from '../ui/manner';
import { bench, latest, stoppable } from '../worker/client';

/** What one fills in at the beginning of a batch. */
export interface PlanForm {
  text: string;
  fromLots: boolean;
  heat: string | null;
  bottles: number;
  bottleMl: number;
  name: string;
  style: string;
  swaps: Record<string, string>;
  /** "stored <id>" or "shelf <id>" of a sauce that goes in; empty for none. */
  bottled: string;
  /** What was named with an amount goes into the larder when the batch begins. */
  toLarder: boolean;
}

export const blankPlan = (): PlanForm => ({
  text: '',
  fromLots: false,
  heat: 'medium',
  bottles: 6,
  bottleMl: 100,
  name: '',
  style: UNASKED_STYLE.id,
  swaps: {},
  bottled: '',
  toLarder: false,
});

const plain = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T;
/** Typing stops for as long before a plan is asked for, ms. */
const AFTER_MS = 350;
/** Less of a lot than this is no stock to plan with, g. */
const LEAST_G = 5;

/** The plan of what is filled in, worked out while one types. */
export function usePlan(form: PlanForm) {
  const batches = useBatches();
  const pods = usePods();
  const larder = useLarder();
  const notices = useNotices();
  const plan = shallowRef<Plan | null>(null);
  const trouble = ref('');
  const working = ref(false);
  const sauce = shallowRef<{ stuff: StoredStuff; massG: number } | null>(null);

  const own = computed(() => larder.rows.filter((r) => r.key.startsWith('own')));
  /** What is only named becomes a lot of the store when the batch starts: it has its number from the beginning. */
  const stamp = Date.now().toString(36);
  const lotId = (n: number | string) => `lot-${stamp}-${seedOf(form.text).toString(36)}-${n}`;
  const have = computed(() => readHave(form.text, manner.kitchen, own.value, lotId));
  /** What a field was before the words said it. */
  const before: Partial<Pick<PlanForm, 'bottles' | 'bottleMl' | 'heat'>> = {};
  function follow<K extends keyof typeof before>(key: K, now: PlanForm[K] | null | undefined, was: PlanForm[K] | null | undefined): void {
    if (now) {
      if (!was) before[key] = form[key];
      form[key] = now;
    } else if (was && form[key] === was && before[key] !== undefined) form[key] = before[key] as PlanForm[K];
  }
  /** What stands in the words wins over the fields, and shows in them; what they say no longer is as it was before. */
  watch(have, (now, was) => {
    follow('bottles', now.bottles, was.bottles);
    follow('bottleMl', now.bottleMl, was.bottleMl);
    follow('heat', now.heat, was.heat);
  });
  /** What the words mean in SHU, by how a sauce of that style is eaten. */
  const words = computed(() => heatWords(styleOf(form.style).eaten));
  const word = computed(() => words.value.find((w) => w.name === form.heat) ?? words.value[1]!);
  /** The style that the list reads like, while it is another one. */
  const offered = computed(() => {
    const kinds = have.value.things.map((t) => kindKey(larder.row(t.id) ?? { key: t.id }));
    const found = have.value.sauce ? STYLES.find((s) => s.takesSauce) : styleOfList(form.text, kinds);
    return found && found.id !== form.style ? found : null;
  });
  const freeG = (p: (typeof pods.items)[number]) => p.stockG - p.promised.reduce((s, x) => s + x.g, 0);
  const lots = computed(() => pods.items.filter((p) => freeG(p) > LEAST_G));
  const wish = computed(() => ({
    name: form.name.trim() || `Batch ${batches.items.length + 1}`,
    startDate: today(),
    style: form.style,
    goal: { lowShu: word.value.lowShu, highShu: word.value.highShu, bottles: form.bottles, bottleMl: form.bottleMl },
    rows: larder.rows,
    boughtId: lotId('bought'),
    bottled: styleOf(form.style).takesSauce ? sauce.value : null,
    larder: larder.items
      .filter((l) => l.stockG > 0)
      .map((l) => ({ id: l.ingredientKey, name: larder.row(l.ingredientKey)?.name ?? l.ingredientKey, massG: l.stockG, says: '' })),
  }));
  const fromLots = computed(() => lots.value.map((p) => ({ lot: p.lot, stockG: freeG(p), useFirst: p.useFirst })));
  const podsNow = computed(() => [...have.value.pods, ...(form.fromLots ? fromLots.value : [])]);
  /** Nothing to plan from yet. */
  const empty = computed(() => podsNow.value.length === 0);

  const planned = () =>
    stoppable(bench().plan(plain({ ...wish.value, pods: podsNow.value, things: have.value.things, swaps: form.swaps }), today()));
  const ask = latest(planned);
  let timer: ReturnType<typeof setTimeout> | undefined;
  const asked = () => [{ ...wish.value, name: '', rows: own.value }, podsNow.value, have.value.things, form.swaps];
  watch(
    () => JSON.stringify(asked()),
    () => {
      clearTimeout(timer);
      trouble.value = '';
      if (empty.value) return void (plan.value = null);
      timer = setTimeout(() => void work(), AFTER_MS);
    },
    { immediate: true },
  );
  async function work() {
    working.value = true;
    const answer = await ask().catch((e: unknown) => {
      notices.fail(e);
      return null;
    });
    working.value = false;
    if (!answer) return;
    plan.value = answer.ok ? answer.answer : null;
    trouble.value = answer.ok ? '' : answer.message;
  }
  /** The plan of what stands there now, not one that is still on its way; null when there is none, and `trouble` says why. */
  async function now(): Promise<Plan | null> {
    clearTimeout(timer);
    const answer = await planned();
    if (answer?.ok) return answer.answer;
    trouble.value = answer?.message ?? 'That was stopped. Try again.';
    return null;
  }
  return { plan, trouble, working, sauce, have, words, word, offered, lots, wish, empty, now };
}
