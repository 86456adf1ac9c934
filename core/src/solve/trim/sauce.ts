import { ionicStrengthAt, pinPh, poolOf } from '../../acid';
import { GROUND, POD_STRENGTH, sauceMpas, stepMpas } from '../../cook';
import { noGrams } from '../../matter/component';
import { heatShu, massOf, mix, percent, scale, type Stream } from '../../matter/stream';
import { bodyOf, join, parcel, phOf, type Parcel } from '../../parcel';
import type { Kitchen } from '../../reading';
import type { TrimProblem } from './model';
import type { RailValues, TrimWish } from './rails';
import { acidPctOf, gramOf, idOfStock, partOf, trimThing, type TrimStock } from './things';

/** What a sauce is on the five rails. */
export function valuesOfSauce(p: Parcel): RailValues & { acid: number } {
  const { stream } = p;
  return {
    heat: heatShu(stream),
    sour: phOf(stream)?.pH ?? null,
    salt: percent(stream, 'salt'),
    sweet: percent(stream, 'sugars'),
    body: bodyOf(p),
    acid: acidPctOf(stream),
  };
}

/** What one can say of a sauce made or bought without a batch. */
export interface KnownSauce {
  massG: number;
  pH: number;
  shu: number;
  saltPct: number;
  sugarPct: number;
  /** Step of body, 1 to 7. */
  body: number;
  /** Vinegar in it, % acetic. */
  aceticPct: number;
}

/** Protein of a vegetable sauce, %: most of its buffer beside the acids (our judgement; see chapter 4, section 2.4). */
const PROTEIN_PCT = 0.9;

/**
 * A sauce as a parcel, from what is known of it: salt, sugar, vinegar, flesh that pours as it does, water; its strong ions
 * are set so that it has the pH that was measured. Throws RangeError for what cannot be.
 */
export function knownSauce(k: KnownSauce): Parcel {
  if (!(k.massG > 0)) throw new RangeError('Say how much sauce there is.');
  const rest = 100 - k.saltPct - k.sugarPct - k.aceticPct - PROTEIN_PCT;
  if (!(rest > 20)) throw new RangeError('So much salt, sugar and vinegar leaves no room for water. Check the amounts.');
  const brix = k.saltPct + k.sugarPct + k.aceticPct / 2 + PROTEIN_PCT / 2;
  const mPasOf = (pulpPct: number) =>
    sauceMpas({
      brix: (100 * brix) / (brix + rest - pulpPct),
      insolublePct: ((100 * pulpPct) / rest) * POD_STRENGTH.fresh * GROUND.smooth,
      starchPct: 0,
      gumPct: 0,
      oilShare: 0,
    });
  let [low, high] = [0, rest * 0.5];
  for (let i = 0; i < 50; i++) {
    const mid = (low + high) / 2;
    if (mPasOf(mid) < stepMpas(k.body)) low = mid;
    else high = mid;
  }
  const grams = noGrams();
  Object.assign(grams, {
    salt: k.saltPct,
    sugars: k.sugarPct,
    acetic: k.aceticPct,
    protein: PROTEIN_PCT,
    pulp: low,
    water: rest - low,
  });
  const of = { id: 'sauce', name: 'the sauce', pulp: low / 100, strength: POD_STRENGTH.fresh, hex: '#B0442A', tint: 1 };
  const entry = { of, massG: 100, heatShuG: 100 * k.shu };
  const hundred: Stream = { grams, heatShuG: 100 * k.shu, sidEq: 0, ledger: [entry] };
  const p = parcel(scale(pinPh(hundred, k.pH), k.massG / massOf(hundred)), { texture: 'smooth', blended: true });
  // What is thinner than its own syrup, or stands stiffer than any flesh would make it, is seen and not explained.
  const off = Math.log(4) * (k.body - (bodyOf(p) ?? k.body));
  return Math.abs(off) < 1e-6 ? p : { ...p, past: { ...p.past, look: { log: off, sd: 0.5 } } };
}

/** A sauce and what stands in the larder as the question of what to stir in. */
export function trimProblem(sauce: Parcel, stocks: readonly TrimStock[], wish: TrimWish, kitchen: Kitchen): TrimProblem {
  const massG = massOf(sauce.stream);
  const grains = new Map(stocks.map((s) => [idOfStock(s), gramOf(s)] as const));
  const stirred = (grams: ReadonlyMap<string, number>): Parcel => withGrams(sauce, grains, grams);
  const texture = sauce.past.texture;
  const base = partOf(scale(sauce.stream, 1 / massG));
  return {
    massG,
    base: { ...base, thick: { ...base.thick, strong: base.thick.strong * (texture ? GROUND[texture] : 1) } },
    things: stocks.flatMap((s) => trimThing(s, base, massG, wish, kitchen) ?? []),
    now: valuesOfSauce(sauce),
    wish,
    bodyShift: sauce.past.look ? sauce.past.look.log / Math.log(4) : 0,
    full: (grams) => valuesOfSauce(stirred(grams)),
    ionicStrength: (grams, pH) => ionicStrengthAt(poolOf(stirred(grams).stream), pH),
  };
}

/** The sauce with so many grams of each stirred in; its texture and what eyes said of it stay. */
export function withGrams(sauce: Parcel, grains: ReadonlyMap<string, Stream>, grams: ReadonlyMap<string, number>): Parcel {
  const added = [...grams].flatMap(([id, g]) => (g > 0 && grains.has(id) ? [scale(grains.get(id)!, g)] : []));
  if (added.length === 0) return sauce;
  const { past } = join(sauce, parcel(mix(...added)));
  return { stream: mix(sauce.stream, ...added), past: { ...past, texture: sauce.past.texture, look: sauce.past.look } };
}
