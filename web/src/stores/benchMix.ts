import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import {
  batchOfMix,
  bracketOfLevel,
  inSchool,
  lotOfVariety,
  newBatch,
  NO_WISH,
  PH_MARGIN,
  isTapWater,
  usualFor,
  weighBench,
  type BatchFile,
  type BenchAnswer,
  type BenchMix,
  type BenchStuff,
  type BlendWish,
  type Goal,
  type Ingredient,
  type LarderChoice,
  type PodChoice,
  type Preparation,
} from '@roskel/core';
import { keepHere, readHere } from '../ui/keepHere';
import { choiceOf, useMixing } from '../pods/mixing';
import { bench } from '../worker/client';
import { perKg, useLarder } from './larder';
import { useVarieties } from './own';
import { usePods } from './pods';
import { useSettings } from './settings';

/** One thing on the bench: a lot of the store, a variety of the table ("v:id"), or a larder row. */
export interface BenchItem {
  id: string;
  store: 'pods' | 'larder';
  g: number;
  prep: Preparation;
  /** Bounds on its share of the mix, %. */
  leastPct: number | null;
  mostPct: number | null;
}

/** As much as anyone wants of what is not in stock: a table variety, tap water, a thing to buy. */
const PLENTY_G = 20_000;
const KEEP = 'roskel.bench.mix';

interface Kept {
  items: BenchItem[];
  wish: BlendWish;
}
const startWish = (): BlendWish => ({
  ...NO_WISH,
  massG: 500,
  heat: bracketOfLevel(4),
  saltPct: { low: 1.5, high: 2.5 },
  sugarPct: { low: 0, high: 12 },
  body: { low: 2.5 },
  pH: { max: 3.8, margin: PH_MARGIN },
  varieties: 3,
});
/** The heat mix on the bench: what stands there, what is wished for, what it comes to. Kept in this browser. */
export const useBenchMix = defineStore('benchMix', () => {
  const pods = usePods();
  const larder = useLarder();
  const varieties = useVarieties();
  const settings = useSettings();
  const before = readHere<Kept>(KEEP);
  const items = ref<BenchItem[]>(before?.items ?? []);
  const wish = shallowRef<BlendWish>(before?.wish ?? startWish());
  const mixing = useMixing<BenchAnswer, BenchMix>({
    ask: () => bench().mix(stuff.value, wish.value),
    mixesOf: (a) => (a.status === 'found' ? a.ways : []),
    put(m) {
      for (const i of items.value) i.g = Math.round((m.grams[i.id] ?? 0) * 10) / 10;
      // What is in the mix stands on top; the order then stays put while amounts move.
      items.value = [...items.value].sort((a, b) => Number(b.g > 0) - Number(a.g > 0));
    },
    about: () =>
      items.value
        .map((i) => i.id)
        .sort()
        .join(' '),
    stands: () => JSON.stringify(items.value),
  });
  const ready = ref(false);
  watch([items, wish], () => keepHere(KEEP, { items: items.value, wish: wish.value } satisfies Kept), { deep: true });

  async function load() {
    await Promise.all([pods.load(), larder.load(), varieties.load()]);
    if (items.value.length === 0) {
      for (const p of pods.items) if (p.stockG > 0) add('pods', p.id);
      // What a sauce is usually made of beside pods, where the larder has it; water comes out of the tap.
      for (const key of usualFor('bench'))
        if (isTapWater(key) || larder.items.some((l) => l.ingredientKey === key && l.stockG > 0)) add('larder', key);
    }
    ready.value = true;
    if (items.value.every((i) => i.g === 0)) await mixing.solve();
  }
  function add(store: BenchItem['store'], id: string, g = 0) {
    const had = items.value.find((i) => i.id === id);
    if (had) had.g += g;
    else items.value.push({ id, store, g, prep: 'whole', leastPct: null, mostPct: null });
  }
  const drop = (id: string) => (items.value = items.value.filter((i) => i.id !== id));
  function clear() {
    items.value = [];
    mixing.answer.value = null;
    wish.value = startWish();
  }

  const bounds = (item: BenchItem) => ({
    ...(item.leastPct === null ? {} : { minPct: item.leastPct }),
    ...(item.mostPct === null ? {} : { maxPct: item.mostPct }),
  });
  function podChoice(item: BenchItem): PodChoice | null {
    const { prep } = item;
    if (item.id.startsWith('v:')) {
      const v = varieties.find(item.id.slice(2));
      const lot = v && inSchool(lotOfVariety(v, { id: item.id }), settings.value.school);
      return lot ? { lot, stockG: PLENTY_G, prep, useFirst: false, ...bounds(item) } : null;
    }
    const p = pods.items.find((x) => x.id === item.id);
    return p ? { ...choiceOf(p, item, p.stockG, settings.value.school), ...bounds(item) } : null;
  }
  function larderChoice(item: BenchItem): LarderChoice | null {
    const row: Ingredient | undefined = larder.row(item.id);
    if (!row) return null;
    const l = larder.items.find((x) => x.ingredientKey === item.id);
    return {
      row,
      stockG: l && item.id !== 'water' ? l.stockG : PLENTY_G,
      useFirst: l?.useFirst ?? false,
      perKg: l ? perKg(l) : null,
      ...bounds(item),
    };
  }
  const lines = computed(() =>
    items.value.flatMap((item) => {
      const pod = item.store === 'pods' ? podChoice(item) : null;
      const row = item.store === 'larder' ? larderChoice(item) : null;
      return pod || row ? [{ item, pod, row }] : [];
    }),
  );
  const stuff = computed<BenchStuff>(() => ({
    pods: lines.value.flatMap((l) => (l.pod ? [l.pod] : [])),
    larder: lines.value.flatMap((l) => (l.row ? [l.row] : [])),
  }));
  const grams = computed(() => Object.fromEntries(items.value.filter((i) => i.g > 0).map((i) => [i.id, i.g])));
  const bracket = computed(() => wish.value.heat ?? { lowShu: 0, highShu: 16_100_000 });
  /** What stands in the bowl now, straight from core on every move of a finger. */
  const now = computed<BenchMix>(() => weighBench(stuff.value, grams.value, bracket.value));

  function setGrams(id: string, g: number) {
    const item = items.value.find((i) => i.id === id);
    if (item) item.g = Math.max(0, g);
    mixing.byHand();
  }
  /** The mix as the start of a batch. Lots keep their stored heat, whatever school counts now. */
  function asBatch(name: string, start: string, goal: Goal): BatchFile {
    const stored = stuff.value.pods.map((c) => ({ ...c, lot: pods.items.find((p) => p.id === c.lot.id)?.lot ?? c.lot }));
    // A table variety gets an id that a file may carry.
    const named = stored.map((c) => ({ ...c, lot: { ...c.lot, id: c.lot.id.replace(/^v:/, 'table-') } }));
    const byId = Object.fromEntries(Object.entries(grams.value).map(([id, g]) => [id.replace(/^v:/, 'table-'), g]));
    return batchOfMix(newBatch(name, start, goal), { pods: named, larder: stuff.value.larder }, byId);
  }
  return {
    items,
    wish,
    ...mixing,
    ready,
    lines,
    stuff,
    grams,
    bracket,
    now,
    load,
    add,
    drop,
    clear,
    setGrams,
    asBatch,
  };
});
