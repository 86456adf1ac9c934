import { computed, ref, shallowRef, watch } from 'vue';
import {
  isTapWater,
  usualFor,
  WATER_KEY,
  inSchool,
  type Ingredient,
  type Rail,
  type Says,
  type TasteWord,
  type TrimAsk,
  type TrimOffer,
  type TrimStock,
  type TrimTold,
  type Window,
} from '@roskel/core';
import { perKg, useLarder } from '../stores/larder';
import { useNotices } from '../stores/notices';
import { useLearnt } from '../stores/learnt';
import { usePods } from '../stores/pods';
import { useSettings } from '../stores/settings';
import { latest, stoppable } from '../worker/client';
import type { Timed } from '../worker/worker';

const plain = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T;
/** A drag stops for as long before it is worked out, ms. */
const AFTER_MS = 120;
/** g of water from the tap: as much as one likes. */
const TAP_G = 1e5;

/** What was said on the rails, and the ways that follow. `ask` puts the question; null where there is nothing to ask about. */
export function useTrim(
  ask: (stocks: TrimStock[], shop: Ingredient[], ask: TrimAsk) => Promise<Timed<TrimTold>> | null,
  about: () => unknown,
) {
  const larder = useLarder();
  const pods = usePods();
  const settings = useSettings();
  const notices = useNotices();
  const learnt = useLearnt();
  void learnt.load().catch((e: unknown) => notices.fail(e));
  const palate = computed(() => learnt.palate(settings.value.palate));
  const says = ref<Says>({});
  const set = ref<Partial<Record<Rail, Window>>>({});
  const told = shallowRef<TrimTold | null>(null);
  const trouble = ref('');
  const working = ref(false);
  const chosen = ref(0);

  /** What no other batch counts on. */
  const free = (x: { stockG: number; promised: { g: number }[] }) => x.stockG - x.promised.reduce((s, p) => s + p.g, 0);
  const stocks = computed<TrimStock[]>(() => [
    ...larder.items.flatMap((l): TrimStock[] => {
      const row = larder.row(l.ingredientKey);
      return row && free(l) > 0 && !isTapWater(row.key) ? [{ row, stockG: free(l), perKg: perKg(l) }] : [];
    }),
    ...(larder.row(WATER_KEY) ? [{ row: larder.row(WATER_KEY)!, stockG: TAP_G, perKg: 0 }] : []),
    ...pods.items.flatMap((p): TrimStock[] => {
      const row = larder.row(p.lot.like);
      return row && free(p) > 0 ? [{ lot: inSchool(p.lot, settings.value.school), row, stockG: free(p), perKg: null }] : [];
    }),
  ]);
  /** What can be bought to put it right. */
  const shop = computed(() => usualFor('trim').flatMap((key) => larder.row(key) ?? []));
  const question = latest(async () => {
    const job = ask(
      plain(stocks.value),
      plain(shop.value),
      plain({ says: says.value, set: set.value, palate: palate.value, kitchen: settings.value.kitchen }),
    );
    return job ? await stoppable(job) : null;
  });
  /** Changes so far: an answer counts only when nothing was changed since it was asked for. */
  let changes = 0;
  async function work() {
    const mine = changes;
    const answer = await question().catch((e: unknown) => {
      notices.fail(e);
      return null;
    });
    if (mine !== changes) return;
    working.value = false;
    if (!answer) return;
    trouble.value = answer.ok ? '' : answer.message;
    if (answer.ok) {
      told.value = answer.answer;
      chosen.value = 0;
    }
  }
  let timer: ReturnType<typeof setTimeout> | undefined;
  watch(
    () => JSON.stringify([says.value, set.value, palate.value, stocks.value.map((s) => [s.lot?.id ?? s.row.key, s.stockG]), about()]),
    () => {
      clearTimeout(timer);
      // From the first change on: what stands there answers another question.
      working.value = true;
      changes++;
      timer = setTimeout(() => void work(), AFTER_MS);
    },
    { immediate: true },
  );
  const without = <T extends object>(all: T, key: Rail): T => Object.fromEntries(Object.entries(all).filter(([k]) => k !== key)) as T;
  function say(rail: Rail, word: TasteWord | null) {
    says.value = word ? { ...says.value, [rail]: word } : without(says.value, rail);
    // A word takes the place of a bracket that was dragged.
    set.value = without(set.value, rail);
  }
  function place(rail: Rail, window: Window) {
    set.value = { ...set.value, [rail]: window };
    says.value = without(says.value, rail);
  }
  function clear() {
    says.value = {};
    set.value = {};
  }
  const offer = computed<TrimOffer | null>(() => told.value?.offers[chosen.value] ?? null);
  const load = () => Promise.all([larder.load(), pods.load()]).catch((e: unknown) => notices.fail(e));
  return { says, set, told, trouble, working, chosen, offer, say, place, clear, load };
}
