import { variety, VARIETIES } from '../matter/variety';
import type { PodLot } from './lot';

/** Dry basis (school A, the default), or the number quoted for a variety taken for the fresh pod (school B). */
export const HEAT_SCHOOLS = ['dry', 'fresh'] as const;
export type HeatSchool = (typeof HEAT_SCHOOLS)[number];

/** The stamp on every number of school B (chapter 2, section 1.3). */
export const FRESH_STAMP = 'fresh-weight convention: not comparable with bottle labels';

function quotedShu(lot: PodLot): number | undefined {
  if (lot.quotedShu !== undefined) return lot.quotedShu;
  if (!VARIETIES.some((v) => v.id === lot.varietyId)) return undefined;
  const { low, high } = variety(lot.varietyId).shuQuotedPopular;
  return high > 0 ? Math.sqrt(Math.max(low, high / 10) * high) : undefined;
}

/**
 * The lot as a school counts it. HeatSchool B replaces the heat of fresh and frozen lots by the quoted number on their fresh
 * weight, and hides what was learnt by tasting; measured and labelled figures are physical and stay (chapter 2,
 * section 1.3). Nothing of this is ever stored: the stored value stays in its own basis.
 */
export function inSchool(lot: PodLot, school: HeatSchool): PodLot {
  if (school === 'dry' || !lot.heat || (lot.form !== 'fresh' && lot.form !== 'frozen')) return lot;
  if (lot.heat.source === 'lab' || lot.heat.source === 'label') return lot;
  const quoted = quotedShu(lot);
  if (quoted === undefined) return lot;
  return { ...lot, heat: { ...lot.heat, dryShu: quoted / (1 - lot.waterPct / 100), source: 'packet' } };
}
