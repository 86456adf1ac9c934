import { computed, type Ref } from 'vue';
import type { HeatSubject } from '@roskel/contract';
import { DILUTION, hasPods, lotShu } from '@roskel/core';
import { usePods } from '../stores/pods';
import { useShelf } from '../stores/shelf';

/** What a test is about: "batch:id", "lot:id", "label" (a labelled sauce) or "other". */
export function useSubject(chosen: Ref<string>) {
  const pods = usePods();
  const shelf = useShelf();
  const load = () => Promise.all([pods.load(), shelf.load()]);
  const lots = computed(() => pods.items.filter((p) => p.lot.heat && p.stockG > 0));
  const parts = computed(() => chosen.value.split(':') as [kind: string, id?: string]);
  const name = computed(() => {
    const [kind, id] = parts.value;
    if (kind === 'batch') return shelf.items.find((b) => b.batchId === id)?.name ?? 'the sauce';
    if (kind === 'lot') return pods.items.find((p) => p.id === id)?.lot.name ?? 'the lot';
    return kind === 'label' ? 'the labelled sauce' : 'the sauce';
  });
  /** What the heat is taken for now, SHU; null when nothing is known. */
  const guess = computed(() => {
    const [kind, id] = parts.value;
    if (kind === 'batch') return shelf.items.find((b) => b.batchId === id)?.heat.dry.p50 ?? null;
    const lot = kind === 'lot' ? lots.value.find((p) => p.id === id)?.lot : undefined;
    return lot ? lotShu(lot) : null;
  });
  /** Who learns from it; null for what is neither on the shelf nor in the store. A taste of a lot is one of about ten pods. */
  const subject = computed<HeatSubject | null>(() => {
    const [kind, id] = parts.value;
    if (kind === 'batch' && id) return { batchId: id };
    return kind === 'lot' && id ? { lotId: id, pods: 10 } : null;
  });
  /** Pods are tasted as a mash of one part in so many; sauces and powders as they are. */
  const mashParts = computed(() => {
    const [kind, id] = parts.value;
    const lot = kind === 'lot' ? lots.value.find((p) => p.id === id)?.lot : undefined;
    return lot && hasPods(lot.form) ? DILUTION.mashParts : 1;
  });
  return { load, lots, mashParts, bottlings: computed(() => shelf.items), name, guess, subject };
}
export type Subject = ReturnType<typeof useSubject>;
