import { hasPods, type PodForm, type PodLot } from './lot';

/** Ways to turn a lot into another that keeps: what is left of the heat, and how much water (chapter 2, section 3.3). */
export const TURNS = {
  frozen: {
    name: 'Freeze',
    verb: 'frozen',
    heat: 1,
    sd: 0,
    waterPct: null,
    note: 'Whole or cut, in a flat bag. Frozen pods turn soft, which a sauce does not mind.',
  },
  dried: {
    name: 'Dry',
    verb: 'dried',
    heat: 0.92,
    sd: 0.07,
    waterPct: 11,
    note: 'At 50 to 60 °C until they snap. Not in a closed room: the dust and fumes bite.',
  },
  flakes: {
    name: 'Dry and flake',
    verb: 'flaked',
    heat: 0.92,
    sd: 0.07,
    waterPct: 10,
    note: 'Dry until they snap, then crush. Mask and glasses on.',
  },
  powder: {
    name: 'Dry and grind',
    verb: 'ground',
    heat: 0.92,
    sd: 0.07,
    waterPct: 9,
    note: 'Dry until they snap, then grind. Let the dust settle before you open the lid.',
  },
  paste: {
    name: 'Grind to paste',
    verb: 'ground to paste',
    heat: 1,
    sd: 0.02,
    waterPct: null,
    note: 'Stems off, ground raw. Keep it cold and use it within days, or freeze it.',
  },
  pulp: {
    name: 'Dry',
    verb: 'dried',
    heat: 0.92,
    sd: 0.07,
    waterPct: 9,
    note: 'Thin on a tray, at 50 to 60 °C until it snaps, then crumble. Not in a closed room: the dust and fumes bite. The salt stays in it.',
  },
} as const satisfies Partial<
  Record<PodForm, { name: string; verb: string; heat: number; sd: number; waterPct: number | null; note: string }>
>;
export type Turn = keyof typeof TURNS;

/** What a lot of this form can be turned into. */
export function turnsFor(lot: PodLot): Turn[] {
  const all = Object.keys(TURNS) as Turn[];
  const ofPods = all.filter((t) => t !== 'pulp');
  if (lot.form === 'fresh') return ofPods;
  if (lot.form === 'frozen') return ofPods.filter((t) => t !== 'frozen');
  if (lot.form === 'paste' || lot.form === 'ferment') return ['pulp'];
  return lot.form === 'dried' ? ['flakes', 'powder'] : [];
}

/** The lot that comes out, and how many grams of it 1 g of the old one gives. Heat load is kept but for what drying costs. */
export function turned(lot: PodLot, into: Turn, id: string): { lot: PodLot; yieldPerG: number } {
  const t = TURNS[into];
  const waterPct = t.waterPct === null ? lot.waterPct : Math.min(t.waterPct, lot.waterPct);
  const dry = (1 - lot.waterPct / 100) / (1 - waterPct / 100);
  const whole = hasPods(into);
  const stem = whole ? 0 : (lot.anatomy?.stem ?? 0);
  // Salt does not dry away: it takes its place beside the rest, which alone loses water.
  const salt = (lot.saltPct ?? 0) / 100;
  const left = salt + (1 - salt) * dry;
  const heat = lot.heat && {
    ...lot.heat,
    dryShu: (lot.heat.dryShu * t.heat * dry) / left,
    sigma: Math.hypot(lot.heat.sigma, t.sd),
  };
  return {
    yieldPerG: left * (1 - stem),
    lot: {
      ...lot,
      id,
      form: into,
      waterPct,
      sugarsPct: Math.min(60, lot.sugarsPct / dry),
      podMassG: whole && lot.podMassG ? Math.max(0.05, lot.podMassG * dry) : null,
      anatomy: whole ? lot.anatomy : null,
      heat,
      ...(salt > 0 ? { saltPct: Math.min(30, (100 * salt) / left) } : {}),
    },
  };
}
