export const HEAT_SOURCES = ['table', 'kitchens', 'packet', 'label', 'lab', 'taste', 'batch'] as const;
export type HeatSource = (typeof HEAT_SOURCES)[number];
/** dry: per g of dry matter. asIs: per g of the pod as it is. freshConvention: a quoted number taken for the fresh pod. */
export const HEAT_BASES = ['dry', 'asIs', 'freshConvention'] as const;
export type HeatBasis = (typeof HEAT_BASES)[number];

/** What is believed of a lot's heat: median SHU per g of dry matter and log-sd of the lot mean. */
export interface LotHeat {
  dryShu: number;
  sigma: number;
  source: HeatSource;
  /** What the maker stated, in the basis it was stated in; `dryShu` follows from it. */
  said?: { value: number; basis: HeatBasis };
}

/** Log-sd of a stated heat by where it is from (chapter 2, section 4.1). */
export const SOURCE_SD: Record<Exclude<HeatSource, 'table' | 'kitchens' | 'taste' | 'batch'>, number> = {
  packet: 0.6,
  label: 0.35,
  lab: 0.15,
};

/** A lot's heat from a stated figure. `waterPct` is that of the lot. A fresh-convention figure is no better than a packet. */
export function heatFromSaid(value: number, basis: HeatBasis, source: keyof typeof SOURCE_SD, waterPct: number): LotHeat {
  const dryShu = basis === 'dry' ? value : value / (1 - waterPct / 100);
  const sigma = basis === 'freshConvention' ? Math.max(SOURCE_SD[source], SOURCE_SD.packet) : SOURCE_SD[source];
  return { dryShu, sigma, source, said: { value, basis } };
}

/** Where a stated heat is from, for a lot's history. */
export function sourceInWords(heat: LotHeat | null): string {
  if (!heat) return 'No heat at all';
  const names: Record<HeatSource, string> = {
    table: 'From the table of varieties',
    kitchens: 'From the table of varieties and what other kitchens learnt',
    packet: 'A figure from a packet',
    label: 'A figure from a label',
    lab: 'A laboratory',
    taste: 'As it was believed then',
    batch: 'Worked out from the batch that left it',
  };
  const basis = { dry: 'of the dry matter', asIs: 'as it is', freshConvention: 'quoted for the fresh pod' };
  const said = heat.said ? `: ${heat.said.value.toLocaleString('en')} SHU ${basis[heat.said.basis]}` : '';
  return names[heat.source] + said;
}
