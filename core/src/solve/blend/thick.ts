import { bodyStep, sauceMpas, stepMpas, syrupMpas } from '../../cook';
import { brixOf } from '../../matter/brix';
import { massOf, type Stream } from '../../matter/stream';

/** What 1 g of something brings to the thickness of a mix that is ground smooth (handbook chapter 5, section 9.2), g. */
export interface Thickening {
  water: number;
  pulp: number;
  /** Insolubles times their strength. */
  strong: number;
  /** Soluble solids. */
  soluble: number;
  starch: number;
  gum: number;
}

/** Something that goes into a mix, as far as thickness goes. */
export interface Thick {
  id: string;
  thick: Thickening;
  stockG: number;
}

export const NO_THICKENING: Thickening = { water: 0, pulp: 0, strong: 0, soluble: 0, starch: 0, gum: 0 };
const PARTS = ['water', 'pulp', 'strong', 'soluble', 'starch', 'gum'] as const;

/** What a gram of a stream brings. */
export function thickeningOf(stream: Stream): Thickening {
  const massG = massOf(stream);
  if (!(massG > 0)) return NO_THICKENING;
  const { water, pulp, starch, gum } = stream.grams;
  const ofLedger = stream.ledger.reduce(
    (s, e) => ({ pulp: s.pulp + e.massG * e.of.pulp, strong: s.strong + e.massG * e.of.pulp * e.of.strength }),
    {
      pulp: 0,
      strong: 0,
    },
  );
  const strength = ofLedger.pulp > 0 ? ofLedger.strong / ofLedger.pulp : 1;
  const brix = brixOf(stream) / 100;
  const soluble = brix < 1 ? (water * brix) / (1 - brix) : massG;
  return scaled({ water, pulp, strong: pulp * strength, soluble, starch, gum }, 1 / massG);
}

const scaled = (t: Thickening, by: number): Thickening => plus(NO_THICKENING, t, by);
function plus(a: Thickening, b: Thickening, times: number): Thickening {
  const out = { ...a };
  for (const k of PARTS) out[k] += b[k] * times;
  return out;
}

/** Of everything in these grams together. */
function thickeningIn(materials: readonly Thick[], grams: ReadonlyMap<string, number>): Thickening {
  let sum = NO_THICKENING;
  for (const m of materials) {
    const g = grams.get(m.id) ?? 0;
    if (g > 0) sum = plus(sum, m.thick, g);
  }
  return sum;
}

/** mPa s at 20 °C; null without water. Free oil is left out: it only thickens. */
function mpasOf(t: Thickening): number | null {
  if (!(t.water > 0)) return null;
  return sauceMpas({
    brix: (100 * t.soluble) / (t.soluble + t.water),
    insolublePct: (100 * t.strong) / (t.water + t.pulp),
    starchPct: (100 * t.starch) / (t.water + t.starch),
    gumPct: (100 * t.gum) / t.water,
    oilShare: 0,
  });
}

/** The step of body of these grams ground smooth, 1 to 7; null without water. */
export function stepOfMix(materials: readonly Thick[], grams: ReadonlyMap<string, number>): number | null {
  const mPas = mpasOf(thickeningIn(materials, grams));
  return mPas === null ? null : bodyStep(mPas);
}

/** The body row: the sum over the mix of `worth` less `need` times the water and pulp must not be below zero. */
export interface BodyRow {
  /** Insolubles that thicken as much as is wanted, % of water and pulp. */
  need: number;
  /** What a gram of each material counts for, in the same measure, less what it needs itself. */
  over: ReadonlyMap<string, number>;
}

/** Section 9.2: viscosity of pulp goes with this power of its share, and this share doubles that of the liquid, %. */
const POWER = 1.6;
const DOUBLES = 0.083;
const WATER_MPAS = syrupMpas(0, 20);
/** Viscosity as the share of insolubles in plain water that would make it, %. */
const asInsolubles = (mPas: number): number => DOUBLES * (mPas / WATER_MPAS) ** (1 / POWER);
/** Grams a gram is stepped by to see what a material changes. */
const STEP = 1e-4;

/**
 * The wish for body as a linear row, around a mix (or, before there is one, around everything but starch and gum). Viscosity is
 * taken as the insolubles that would make it, times water and pulp: that grows as the mix does, so that its tangent runs
 * through nothing and is exact for pulp. Starch and gum that are not in yet count by what they would do alone. Null when
 * nothing is wished, or water would do.
 */
export function bodyRowAt(materials: readonly Thick[], grams: ReadonlyMap<string, number> | null, low: number): BodyRow | null {
  if (!(low > 1)) return null;
  const thickens = (m: Thick) => m.thick.starch + m.thick.gum > 0.2;
  const start = grams ?? new Map(materials.filter((m) => !thickens(m)).map((m) => [m.id, Math.min(m.stockG, 100)]));
  const at = thickeningIn(materials, start);
  const need = asInsolubles(stepMpas(low));
  const wet = (t: Thickening) => t.water + t.pulp;
  const worth = (t: Thickening) => {
    const mPas = mpasOf(t);
    return mPas === null ? 0 : asInsolubles(mPas) * wet(t);
  };
  const size = PARTS.reduce((s, k) => s + at[k], 0) || 1;
  const here = worth(at);
  const step = STEP * size;
  return {
    need,
    over: new Map(
      materials.map((m) => {
        const inIt = (start.get(m.id) ?? 0) > 0;
        const counts = thickens(m) && !inIt ? alone(m.thick, need) : (worth(plus(at, m.thick, step)) - here) / step;
        return [m.id, counts - need * wet(m.thick)];
      }),
    ),
  };
}

/** What a gram of starch or gum counts for when it does all the thickening by itself: half the interval of its share. */
function alone(t: Thickening, need: number): number {
  const water = { ...NO_THICKENING, water: 100 };
  const reaches = (g: number) => asInsolubles(mpasOf(plus(water, t, g)) ?? 0) >= need;
  let [low, high] = [0, 100];
  for (let i = 0; i < 40; i++) {
    const mid = (low + high) / 2;
    if (reaches(mid)) high = mid;
    else low = mid;
  }
  return (100 * need) / high;
}
