import { heatFromSaid, type HeatBasis } from '../heat';
import type { Variety } from '../matter/variety';
import { lotOfVariety, type PodForm, type PodLot } from './lot';

/** What a maker says of a lot on its form. */
export interface LotSaid {
  name: string;
  form: PodForm;
  /** SHU they know better than the table, on a basis, from somewhere; null for the table's. */
  said: { value: number; basis: HeatBasis; source: 'packet' | 'label' | 'lab' } | null;
  /** Of a paste or a ferment; null for what is usual. */
  saltPct: number | null;
  oilPct: number | null;
  pH: number | null;
}

/** What a lot is made of, as against what is believed of its heat. */
const madeOf = ({ waterPct, sugarsPct, podMassG, anatomy, capsaicinoidClass, hex, like }: PodLot) => ({
  ...{ waterPct, sugarsPct, podMassG, anatomy, capsaicinoidClass, hex, like },
});

/**
 * A lot as its form says. `kept` is the lot before a change: what was dried here, or left by a batch, keeps the water and
 * sugar it has while variety and form stay; what was learnt of its heat stays while its variety does, for another form of
 * it is as hot per gram of dry matter. `variety` null: one that is archived, and then only the name changes.
 */
export function buildLot(id: string, variety: Variety | null, say: LotSaid, kept: PodLot | null = null): PodLot {
  const named = say.name.trim();
  if (!variety) {
    if (!kept) throw new RangeError('A new lot needs a variety');
    return { ...kept, name: named || kept.name };
  }
  const table = lotOfVariety(variety, { id, name: named || variety.name, form: say.form });
  const same = kept !== null && kept.varietyId === variety.id && kept.form === say.form;
  const base: PodLot = same ? { ...table, ...madeOf(kept), heat: kept.heat && table.heat } : table;
  const salted = say.form === 'paste' || say.form === 'ferment';
  const lot: PodLot = {
    ...base,
    ...(salted && say.saltPct !== null ? { saltPct: say.saltPct } : {}),
    ...(salted && say.oilPct ? { oilPct: say.oilPct } : {}),
    ...(salted && say.pH !== null ? { pH: say.pH } : {}),
  };
  if (!lot.heat) return lot;
  if (say.said) {
    const { value, basis, source } = say.said;
    const stated = kept?.heat?.said;
    const unchanged = stated && stated.value === value && stated.basis === basis && kept.heat!.source === source;
    return { ...lot, heat: unchanged ? kept.heat : heatFromSaid(value, basis, source, lot.waterPct) };
  }
  return kept?.heat && kept.varietyId === lot.varietyId && !kept.heat.said ? { ...lot, heat: kept.heat } : lot;
}
