import { describe, expect, it } from 'vitest';
import { reportLine, stationOf } from '../src';
import { example } from './helpers';

/*
 * The examples of docs/examples.md by plain arithmetic, independent of the program: stems, water and dry heat as the files
 * carry them; shares of fire from handbook chapter 5, section 1; heat of wet pulp from chapter 2, section 3.4. What the
 * sieve keeps (s) is read off the report: its table is checked in numbers.test.ts.
 */
const report = (name: string) => reportLine(example(name), { today: '2026-10-12', members: 60 });
const passes = (s: number, k: number) => (1 - s) / (1 - s + k * s);

describe('Driftwood: charred pods, and vegetables that join at the jug', () => {
  const r = report('driftwood');
  const at = (id: string) => stationOf(r, id);
  const cut = 240 * 0.94;
  const charred = cut - 0.08 * cut * 0.905;
  const load = cut * 13_000 * 0.095 * 0.96;
  const vegetables = 253 - 0.08 * (119 * 0.922 + 110 * 0.891 + 24 * 0.6);
  const jug = charred + vegetables + 165 + 120 + 40 + 12;
  it('mass', () => {
    expect(at('char').now.massG).toBeCloseTo(charred, 6);
    expect(at('char-vegetables').now.massG).toBeCloseTo(vegetables, 6);
    expect(at('blend').bowlG).toBeCloseTo(jug, 6);
    expect(at('blend').now.massG).toBeCloseTo(0.99 * jug, 6);
  });
  it('salt', () => expect(at('blend').now.saltPct).toBeCloseTo((100 * 12.05) / jug, 2));
  it('heat', () => {
    expect(at('char').now.heatShu).toBeCloseTo(load / charred, 6);
    expect(at('blend').now.heatShu).toBeCloseTo(load / jug, 6);
    const s = 1 - at('strain').now.massG / (0.99 * jug);
    expect(at('strain').now.heatShu).toBeCloseTo((load * 0.99 * passes(s, 3.5)) / at('strain').now.massG, 6);
    expect(r.ends[0]!.finished.heatShu).toBeCloseTo(257, 0);
  });
});

describe('Spring Tide: one base, three bowls', () => {
  const r = report('spring-tide');
  const at = (id: string) => stationOf(r, id);
  const jalapeno = 420 * 0.94;
  const habanero = (40 * 0.94 * (0.78 + 0.1 * 0.1)) / 0.94;
  const base = at('strain').now.massG;
  it('mass: grams first, then shares, then the rest', () => {
    expect(at('prep').now.massG).toBeCloseTo(jalapeno + habanero, 6);
    expect(at('blend').bowlG).toBeCloseTo(jalapeno + habanero + 330 + 16 + 12, 6);
    expect(at('plain-bottle').bowlG).toBeCloseTo(0.4 * base, 6);
    expect(at('basil-blend').bowlG).toBeCloseTo(150 + 12, 6);
    expect(at('pineapple-blend').bowlG).toBeCloseTo(0.6 * base - 150 + 60, 6);
  });
  it('heat and salt of the bowls follow from the base', () => {
    // 0.334: heat kept by a cored habanero (chapter 2, section 3.2).
    const load = jalapeno * 1425 + 40 * 0.94 * 23_100 * 0.334;
    expect(at('prep').now.heatShu / (load / (jalapeno + habanero))).toBeCloseTo(1, 3);
    const { heatShu, saltPct } = at('strain').now;
    expect(at('basil-blend').now.heatShu).toBeCloseTo((heatShu * 150) / 162, 6);
    expect(at('pineapple-blend').now.heatShu).toBeCloseTo((heatShu * (0.6 * base - 150)) / (0.6 * base - 90), 6);
    expect(at('basil-blend').now.saltPct).toBeCloseTo((saltPct * 150) / 162, 2);
    expect(at('blend').now.saltPct).toBeCloseTo((100 * 16.02) / (jalapeno + habanero + 358), 2);
  });
});

describe('Rockpool Green: the brine of another batch', () => {
  const r = report('rockpool-green');
  const at = (id: string) => stationOf(r, id);
  const jug = 340 * 0.94 + 120 + 110 + 8;
  const load = 340 * 0.94 * 1020 + 120 * 16.572723;
  it('mass, heat and salt', () => {
    expect(at('blend').bowlG).toBeCloseTo(jug, 6);
    expect(at('blend').now.heatShu).toBeCloseTo(load / jug, 4);
    expect(at('blend').now.saltPct).toBeCloseTo((120 * 2.991393 + 100 * 0.045) / jug, 2);
    const s = 1 - at('strain').now.massG / (0.99 * jug);
    expect(at('strain').now.heatShu).toBeCloseTo((load * 0.99 * passes(s, 2.5)) / at('strain').now.massG, 4);
  });
  it('comes with its past: live, out of a jar that nobody read', () => {
    expect(r.ends[0]!.keeping!.place).toBe('fridge');
    expect(r.cautions.map((c) => c.id)).toContain('live-pressure');
  });
});
