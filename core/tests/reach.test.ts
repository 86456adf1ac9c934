import { describe, expect, it } from 'vitest';
import {
  acidWork,
  EVEN_HOURS,
  gramsToPh,
  ingredient,
  inSpoons,
  knownSauce,
  lacticForPh,
  massOf,
  mix,
  phOf,
  scale,
  SOURERS,
  VOLUMES_ML,
  waterItTakes,
  waysToPh,
  type Stream,
} from '../src';
import { kitchenMix } from './helpers';
import { dice } from './random';

const phIn = (s: Stream) => phOf(s)!.pH;
const unit = (key: string) => scale(kitchenMix({ [key]: 0.001 }), 1);

describe('what it takes to reach a pH (handbook chapter 3, sections 6 and 7)', () => {
  it('a kilogram of cayenne: .89 kg of vinegar or .20 kg of lime juice to 3.5, .36 kg of vinegar to 3.8 (section 6.1, at an ionic strength of .3: some salt with them)', () => {
    const pods = kitchenMix({ cayenne_red: 1, salt_fine: 0.028 });
    const need = (key: string, pH: number) => gramsToPh(pods, unit(key), pH)! / 1000;
    expect(need('vinegar_distilled_5', 3.5)).toBeCloseTo(0.89, 1);
    expect(need('lime_juice', 3.5)).toBeCloseTo(0.2, 1);
    expect(need('vinegar_distilled_5', 3.8)).toBeCloseTo(0.36, 1);
    // Vinegar is a weak tool below 3.5, and cannot make 2.3 of anything.
    expect(gramsToPh(pods, unit('vinegar_distilled_5'), 2.3)).toBeNull();
    expect(gramsToPh(pods, unit('vinegar_distilled_5'), 6)).toBe(0);
  });
  it('holds on 200 random sauces: mixed again it is there, a little less is not; the least stands first', () => {
    const d = dice(77);
    for (let n = 0; n < 200; n++) {
      const base = mix(
        kitchenMix({
          cayenne_red: d.between(0.1, 0.6),
          carrot: d.between(0, 0.3),
          onion: d.between(0, 0.3),
          vinegar_cider: d.between(0, 0.2),
          water: d.between(0, 0.3),
          salt_fine: d.between(0, 0.03),
        }),
      );
      const target = d.between(3.2, 4.2);
      const ways = waysToPh(base, target);
      expect(ways).toHaveLength(SOURERS.length);
      const order = ways.map((w) => w.g ?? Infinity);
      expect(order).toEqual([...order].sort((a, b) => a - b));
      for (const w of ways) {
        if (w.g === null) continue;
        if (w.g === 0) {
          expect(phIn(base)).toBeLessThanOrEqual(target);
          continue;
        }
        const put = (g: number) => phIn(mix(base, scale(unit(w.key), g)));
        expect(put(w.g)).toBeLessThanOrEqual(target + 1e-6);
        expect(put(w.g * 0.99)).toBeGreaterThan(target);
        expect(w.pH).toBeCloseTo(put(w.g), 9);
        expect(w.massG).toBeCloseTo(massOf(base) + w.g, 6);
      }
    }
  });
  it('plain water: a mash at 3.8 with its weight of vinegar goes from 3.320 to 3.337 with a kilogram, and never to 3.5 (section 7.2)', () => {
    const mash = kitchenMix({ cayenne_red: 1, salt_fine: 0.025 });
    const lactic = lacticForPh(mash, 3.8);
    const sour: Stream = { ...mash, grams: { ...mash.grams, lactic: mash.grams.lactic + lactic } };
    const kilo = scale(sour, 1000 / massOf(sour));
    const blend = mix(kilo, kitchenMix({ vinegar_distilled_5: 1 }));
    const told = waterItTakes(blend, 3.5);
    // 2 kg of blend, and the handbook's own steps of water, kg: 0, .5 and 1 among them.
    expect(phIn(blend)).toBeCloseTo(3.32, 1);
    const with1 = phIn(mix(blend, kitchenMix({ water: 1 })));
    expect(with1 - phIn(blend)).toBeCloseTo(0.017, 2);
    expect(told.free).toBe(true);
    const acid = told.steps.map((s) => s.acidPct);
    // As much water as sauce leaves half the acid, and a pH that hardly moved.
    expect(acid.at(-1)! / acid[0]!).toBeCloseTo(0.5, 6);
    expect(told.steps.at(-1)!.pH! - told.steps[0]!.pH!).toBeLessThan(0.05);
    expect(told.steps.at(-1)!.pH!).toBeGreaterThan(told.steps[0]!.pH!);
  });
  it('how much water a sauce near the limit takes: there it is at the limit; above it, none', () => {
    const near = knownSauce({ massG: 500, pH: 3.97, shu: 1000, saltPct: 2, sugarPct: 3, body: 4, aceticPct: 0.4 });
    const told = waterItTakes(near.stream, 4);
    if (!told.free) {
      const put = (g: number) => phIn(mix(near.stream, kitchenMix({ water: g / 1000 })));
      expect(put(told.mostG)).toBeLessThanOrEqual(4);
      expect(put(told.mostG + 1)).toBeGreaterThan(3.9999);
    }
    const over = knownSauce({ massG: 500, pH: 4.3, shu: 1000, saltPct: 2, sugarPct: 3, body: 4, aceticPct: 0.4 });
    expect(waterItTakes(over.stream, 4)).toMatchObject({ mostG: 0, free: false });
    const work = acidWork(over.stream, 3.5, 4);
    expect(work.now.pH).toBeCloseTo(4.3, 6);
    expect(work.ways.filter((w) => w.g !== null).every((w) => w.pH! <= 3.5 + 1e-6)).toBe(true);
    const salt = kitchenMix({ salt_fine: 1 });
    expect(() => waysToPh({ ...salt, grams: { ...salt.grams, water: 0 } }, 3.5)).toThrow(/dry/);
  });
  it('spoons of it, to a quarter, by the spoons of the kitchen', () => {
    const vinegar = ingredient('vinegar_distilled_5');
    for (const kitchen of ['metric', 'us', 'au', 'uk'] as const) {
      const { tbsp } = VOLUMES_ML[kitchen];
      expect(inSpoons(vinegar, 2 * tbsp * vinegar.density, kitchen)).toMatch(/^2 tbsp$/);
    }
    expect(inSpoons(vinegar, 0.1, 'metric')).toBe('');
    expect(inSpoons(vinegar, 500, 'metric')).toMatch(/cups?$/);
    expect(EVEN_HOURS.pieces).toBeGreaterThan(EVEN_HOURS.smooth);
  });
});
