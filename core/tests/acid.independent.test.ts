import { expect, it } from 'vitest';
import { ACID_CONSTANTS, gramsPerGram, ingredient, INGREDIENTS, PROTEIN_GROUPS, type Acid, type Ingredient } from '../src';
import { kitchenMix } from './helpers';
import { phOf } from '../src';
import { dice } from './random';

/*
 * The charge balance written a second time, from the definitions and not from our code: species by species, bisection for
 * pH inside bisection for the ionic strength, and another activity model: extended Debye-Hückel with ion sizes and the
 * B-dot term (Truesdell & Jones 1974, Helgeson 1969; A 0.509, B 0.328, B-dot 0.041 at 25 °C, from memory). Only the table of
 * pKa and of compositions is shared. Both anchor each ingredient to its natural pH by their own model.
 */
const A = 0.509;
const B = 0.328;
const BDOT = 0.041;
/** Ion sizes in ångström: hydrogen 9, hydroxide 3.5, organic anions 4.5 (Kielland 1937, from memory). */
const SIZE = { H: 9, OH: 3.5, organic: 4.5 };
const lg = (z: number, size: number, I: number) => (z === 0 ? 0 : (-A * z * z * Math.sqrt(I)) / (1 + B * size * Math.sqrt(I)) + BDOT * I);

interface Site {
  mol: number;
  z0: number;
  pKa: readonly number[];
}
interface Pool {
  water: number;
  salt: number;
  sid: number;
  sites: Site[];
}

/** Charge and ionic strength of one kilogram-scale pool at a pH, by listing every species. */
function state(pool: Pool, pH: number, I: number) {
  const mH = 10 ** (-pH - lg(1, SIZE.H, I));
  const mOH = 10 ** (pH - 13.995 - lg(-1, SIZE.OH, I));
  let charge = pool.sid + pool.water * (mH - mOH);
  let ions = 2 * pool.salt + Math.abs(pool.sid) + pool.water * mH;
  for (const s of pool.sites) {
    // Relative amounts of each protonation state from its stepwise constants.
    const amounts = [1];
    s.pKa.forEach((pk, k) => {
      const ratio = 10 ** (pH - pk + lg(s.z0 - k, SIZE.organic, I) - lg(s.z0 - k - 1, SIZE.organic, I));
      amounts.push(amounts[k]! * ratio);
    });
    const total = amounts.reduce((a, b) => a + b, 0);
    amounts.forEach((a, k) => {
      const z = s.z0 - k;
      charge += (s.mol * z * a) / total;
      ions += (s.mol * z * z * a) / total;
    });
  }
  return { charge, I: ions / (2 * pool.water) };
}

function strength(pool: Pool, pH: number): number {
  let [low, high] = [1e-6, 6];
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2;
    if (state(pool, pH, mid).I > mid) low = mid;
    else high = mid;
  }
  return low;
}

function acidity(pool: Pool): number {
  let [low, high] = [0, 13];
  for (let i = 0; i < 60; i++) {
    const pH = (low + high) / 2;
    if (state(pool, pH, strength(pool, pH)).charge > 0) low = pH;
    else high = pH;
  }
  return low;
}

function poolFor(row: Ingredient, kg: number): Pool {
  const g = gramsPerGram(row);
  const sites: Site[] = [];
  for (const [a, c] of Object.entries(ACID_CONSTANTS)) {
    const grams = a === 'phthalic' ? 0 : g[a as Acid];
    if (grams > 0) sites.push({ mol: (1000 * kg * grams) / c.molarMass, z0: c.z0, pKa: c.pKa });
  }
  for (const kind of ['protein', 'hydrolysate'] as const)
    for (const p of PROTEIN_GROUPS[kind]) if (g[kind] > 0) sites.push({ mol: 1000 * kg * g[kind] * p.molPerG, z0: p.z0, pKa: p.pKa });
  const pool: Pool = { water: kg * g.water, salt: (1000 * kg * g.salt) / 58.443, sid: 0, sites };
  if (!row.pH) return pool;
  // Strong ions that give it its natural pH, measured in its slurry.
  const slurry = { ...pool, water: pool.water + kg * row.pHdil };
  let [low, high] = [-20 * kg, 20 * kg];
  for (let i = 0; i < 50; i++) {
    const sid = (low + high) / 2;
    const p = { ...slurry, sid };
    if (state(p, row.pH.typ, strength(p, row.pH.typ)).charge < 0) low = sid;
    else high = sid;
  }
  return { ...pool, sid: low };
}

const together = (pools: Pool[]): Pool => ({
  water: pools.reduce((s, p) => s + p.water, 0),
  salt: pools.reduce((s, p) => s + p.salt, 0),
  sid: pools.reduce((s, p) => s + p.sid, 0),
  sites: pools.flatMap((p) => p.sites),
});

it('an independently written solver with another activity model agrees: median within 0.01, the largest named', () => {
  const d = dice(12);
  const usable = INGREDIENTS.filter((i) => i.pH && i.water > 60 && i.salt < 3);
  const sour = ['vinegar_cider', 'vinegar_distilled_5', 'lime_juice', 'vinegar_rice'];
  const off: { by: number; mix: string }[] = [];
  for (let n = 0; n < 60; n++) {
    const kg: Record<string, number> = { [d.pick(sour)]: d.between(0.05, 0.6), salt_fine: d.between(0, 0.02) };
    for (let k = d.whole(1, 4); k > 0; k--) kg[d.pick(usable).key] = d.between(0.05, 0.6);
    const ours = phOf(kitchenMix(kg))!.pH;
    const theirs = acidity(together(Object.entries(kg).map(([key, m]) => poolFor(ingredient(key), m))));
    off.push({ by: Math.abs(ours - theirs), mix: `${JSON.stringify(kg)}: ${ours.toFixed(3)} against ${theirs.toFixed(3)}` });
  }
  off.sort((a, b) => a.by - b.by);
  const worst = off.at(-1)!;
  expect(off[30]!.by, `median; largest ${worst.by.toFixed(3)} at ${worst.mix}`).toBeLessThanOrEqual(0.01);
  expect(worst.by, worst.mix).toBeLessThan(0.06);
});
