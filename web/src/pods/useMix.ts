import { computed, reactive, ref, shallowRef, watch, type ComputedRef } from 'vue';
import {
  blurOfMix,
  DEFAULT_POD_WISH,
  inSchool,
  gainOfMix,
  podsAreIn,
  podUses,
  toWholePods,
  useMix as mixInto,
  wantedMassG,
  weighBench,
  type BatchFile,
  type LineGain,
  type Mix,
  type PodAnswer,
  type PodChoice,
  type PodWish,
  type Preparation,
} from '@roskel/core';
import type { PodLotRecord } from '@roskel/contract';
import { useOpenBatch } from '../stores/openBatch';
import { usePods } from '../stores/pods';
import { useSettings } from '../stores/settings';
import { bench } from '../worker/client';
import { keepHere, readHere } from '../ui/keepHere';
import { choiceOf, useMixing } from './mixing';

/** What is in the mix of one lot: grams, whether the solver may use it, the knife, and bounds in grams. */
export interface Entry {
  g: number;
  use: boolean;
  prep: Preparation;
  leastG: number | null;
  mostG: number | null;
}

const keepKey = (batchId: string) => `roskel.mix.${batchId}`;

/** The mix of a batch while it is being chosen: entries by lot, the live blur, and the solver's answers. */
export function useMix(file: ComputedRef<BatchFile | null>, strandId: ComputedRef<string>) {
  const pods = usePods();
  const batch = useOpenBatch();
  const settings = useSettings();
  const entries = reactive(new Map<string, Entry>());
  const wish = shallowRef<PodWish>({ ...DEFAULT_POD_WISH });
  const gain = shallowRef<LineGain | null>(null);
  /** Why the rest of the line cannot run, so that nothing can be said of any mix. */
  const stopped = ref('');
  const mixing = useMixing<PodAnswer, Mix>({
    ask: () => bench().choose(file.value!, allowed.value, wish.value, strandId.value),
    mixesOf: (a) => (a.status === 'found' ? a.mixes : []),
    put: (m) => entries.forEach((e, id) => (e.g = m.gramsByLot[id] ?? 0)),
    about: () => batch.id,
    stands: () => JSON.stringify([...entries]),
  });
  const ready = ref(false);
  const goal = computed(() => file.value?.strands.find((s) => s.id === strandId.value)?.goal ?? null);
  const order = shallowRef(new Map<string, number>());

  /** Fills the entries from the batch; true when it had pods already. */
  function begin(): boolean {
    const planned = new Map(podUses(file.value!, strandId.value).map((p) => [p.lotId, p]));
    for (const p of pods.items) {
      const had = planned.get(p.id);
      entries.set(p.id, {
        g: had?.massG ?? 0,
        use: p.stockG > 0 || had !== undefined,
        prep: had?.prep ?? 'whole',
        leastG: null,
        mostG: null,
      });
    }
    // What is in the mix stands on top; the order then stays put while shares move.
    order.value = new Map([...pods.items].sort((a, b) => Number(planned.has(b.id)) - Number(planned.has(a.id))).map((p, i) => [p.id, i]));
    const left = readHere<[string, Entry][]>(keepKey(batch.id), sessionStorage);
    if (left) for (const [id, e] of left) if (entries.has(id)) Object.assign(entries.get(id)!, e);
    ready.value = true;
    return planned.size > 0 || left !== null;
  }
  // A mix that was not taken over yet is there again after a look elsewhere or a reload.
  watch(entries, () => ready.value && keepHere(keepKey(batch.id), [...entries], sessionStorage), { deep: true });

  /** What is free of a lot: its stock without what other batches are promised, and with what this one has taken already. */
  function stockOf(p: PodLotRecord): number {
    const f = file.value;
    const took = f && podsAreIn(f, strandId.value) ? (podUses(f, strandId.value).find((u) => u.lotId === p.id)?.massG ?? 0) : 0;
    const others = p.promised.filter((x) => x.batchId !== batch.id).reduce((sum, x) => sum + x.g, 0);
    return Math.max(0, p.stockG + took - others);
  }
  const choices = computed<PodChoice[]>(() =>
    pods.items
      .filter((p) => entries.has(p.id))
      .map((p) => {
        // As it is stored; what is computed with is `counted`.
        return choiceOf(p, entries.get(p.id)!, stockOf(p), 'dry');
      }),
  );
  /** The same as this school counts heat: what is computed with; what is stored stays as it is. */
  const counted = computed(() => choices.value.map((c) => ({ ...c, lot: inSchool(c.lot, settings.value.school) })));
  const gramsByLot = computed(() => Object.fromEntries([...entries].filter(([, m]) => m.g > 0).map(([id, m]) => [id, m.g])));
  const allowed = computed(() => {
    const f = file.value;
    const total = f && gain.value ? wantedMassG(f, strandId.value) / gain.value.massPerPod : 1000;
    const share = (g: number | null, otherwise: number) => (g === null ? otherwise : (100 * g) / total);
    return counted.value
      .filter((c) => entries.get(c.lot.id)?.use && c.stockG > 0)
      .map((c) => {
        const e = entries.get(c.lot.id)!;
        return { ...c, minPct: share(e.leastG, 0), maxPct: share(e.mostG, 100) };
      });
  });

  watch(
    // What the line makes of pods depends on which they are: read off the line with just this mix in it.
    [file, counted, gramsByLot, ready],
    () => {
      if (!file.value || !ready.value || choices.value.length === 0) return;
      try {
        gain.value = gainOfMix(file.value, counted.value, gramsByLot.value, strandId.value);
        stopped.value = '';
      } catch (e) {
        gain.value = null;
        stopped.value = (e as Error).message;
      }
    },
    { immediate: true },
  );

  /** The blur in the bottle for what is in the mix now: straight from core on every move of a finger. */
  const live = computed(() => (gain.value && file.value ? blurOfMix(counted.value, gramsByLot.value, gain.value, goal.value!) : null));
  const bottles = computed(() =>
    live.value && file.value ? live.value.finishedG / (wantedMassG(file.value, strandId.value) / goal.value!.bottles) : 0,
  );
  const whole = computed(() => {
    const counts = toWholePods(counted.value, gramsByLot.value);
    const byPods = { ...gramsByLot.value, ...Object.fromEntries(counts.map((c) => [c.lotId, c.massG])) };
    const blur = gain.value && file.value ? blurOfMix(counted.value, byPods, gain.value, goal.value!).blur : null;
    return { counts, blur };
  });

  function setGrams(id: string, value: number) {
    const stock = choices.value.find((c) => c.lot.id === id)!.stockG;
    entries.get(id)!.g = Math.max(0, Math.min(stock, value));
    mixing.byHand();
  }
  /** Puts the mix into the batch. */
  function confirm() {
    batch.change('the pods', mixInto(file.value!, choices.value, gramsByLot.value, strandId.value));
    keepHere(keepKey(batch.id), null, sessionStorage);
  }
  /** Lots whose amount or cut here is not that of the batch yet. */
  const pending = computed(() => {
    if (!file.value || !ready.value) return [];
    const planned = new Map(podUses(file.value, strandId.value).map((p) => [p.lotId, p]));
    return choices.value
      .filter(({ lot, prep }) => {
        const [g, had] = [entries.get(lot.id)?.g ?? 0, planned.get(lot.id)];
        if (Math.abs(g - (had?.massG ?? 0)) > 0.5) return true;
        return g > 0 && prep !== had?.prep;
      })
      .map(({ lot }) => lot.name);
  });
  /** The colour of the mix as it is cut. */
  const hex = computed(() => {
    const f = file.value;
    if (!f || Object.keys(gramsByLot.value).length === 0) return null;
    return weighBench({ pods: counted.value, larder: [] }, gramsByLot.value, goal.value!).props.hex;
  });
  const rows = computed(() =>
    counted.value
      .map((c) => ({ c, record: pods.items.find((p) => p.id === c.lot.id)!, entry: entries.get(c.lot.id)! }))
      .sort((a, b) => (order.value.get(a.c.lot.id) ?? 999) - (order.value.get(b.c.lot.id) ?? 999)),
  );
  return {
    entries,
    wish,
    ...mixing,
    gain,
    stopped,
    ready,
    choices: counted,
    allowed,
    live,
    bottles,
    whole,
    gramsByLot,
    rows,
    pending,
    hex,
    begin,
    setGrams,
    confirm,
  };
}
