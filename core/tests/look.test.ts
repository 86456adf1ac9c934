import { describe, expect, it } from 'vitest';
import {
  bodyOf,
  bodyStep,
  lookedAt,
  LOOK_SD,
  mapStations,
  newBatch,
  lotOfVariety,
  carry,
  parcel,
  reportLine,
  reportTypical,
  runUpTo,
  seenOf,
  stationKind,
  stepMpas,
  TYPICAL,
  variety,
  type BatchFile,
  type StationLog,
  type Tool,
} from '../src';
import { kitchenMix, withJug, withPods } from './helpers';

const fresno = lotOfVariety(variety('fresno-red'), { id: 'fresno' });
const batch: BatchFile = carry(
  withJug(withPods(newBatch('Look', '2026-10-01'), [{ lotId: 'fresno', massG: 500, prep: 'whole' }]), [
    { id: 'vinegar_cider', massG: 200 },
  ]),
  [fresno],
  [],
);
const logged = (log: StationLog, kind = 'blend', file = batch) =>
  mapStations(file, (s) => (s.kind === kind ? { ...s, log: { ...s.log, ...log } } : s));
const sauce = parcel(kitchenMix({ jalapeno_red: 0.4, vinegar_cider: 0.4 }), { texture: 'smooth' });

describe('a look at the spoon (handbook chapter 5, section 9.3)', () => {
  it('half of the way to what was seen, and surer: two logarithms of sd .7 each', () => {
    const before = bodyOf(sauce)!;
    const seen = lookedAt(sauce, 5);
    expect(bodyOf(seen)!).toBeCloseTo((before + 5) / 2, 9);
    expect(seen.past.look!.sd).toBeCloseTo(LOOK_SD / Math.SQRT2, 9);
    // A second look of the same: two thirds of the way.
    expect(bodyOf(lookedAt(seen, 5))!).toBeCloseTo((before + 2 * 5) / 3, 9);
  });
  it('steps and viscosities are each other turned round', () => {
    for (const step of [1.2, 2, 3.7, 5, 6.9]) expect(bodyStep(stepMpas(step))).toBeCloseTo(step, 12);
    // "It coats a spoon" sets 200 mPa s.
    expect(stepMpas(4)).toBe(200);
  });
  it('what is in pieces cannot be looked at', () => {
    const pieces = parcel(kitchenMix({ jalapeno_red: 0.4 }));
    expect(seenOf(pieces, 4)).toBeNull();
    expect(lookedAt(pieces, 4)).toBe(pieces);
  });
  it('moves the line from there on, narrows its band, and changes nothing else', () => {
    const options = { today: '2026-11-01', members: 120, forecast: false };
    const plain = reportLine(batch, options);
    const looked = reportLine(logged({ look: 6 }), options);
    const at = (r: typeof plain, kind: string) => r.stations.find((s) => s.kind === kind)!;
    expect(at(looked, 'blend').now.body!).toBeGreaterThan(at(plain, 'blend').now.body! + 0.5);
    expect(at(looked, 'bottle').now.body!).toBeGreaterThan(at(plain, 'bottle').now.body! + 0.3);
    expect(at(looked, 'drain').now).toEqual(at(plain, 'drain').now);
    const width = (r: typeof plain) => at(r, 'blend').band.body!.p90 - at(r, 'blend').band.body!.p10;
    expect(width(looked)).toBeLessThan(0.85 * width(plain));
    for (const key of ['massG', 'heatShu', 'saltPct', 'sweetPct'] as const)
      expect(at(looked, 'blend').now[key]).toBeCloseTo(at(plain, 'blend').now[key], 9);
  });
});

describe('a blender that is known', () => {
  const tool = (looks: number[]): Tool => ({
    id: 'jug',
    kind: 'blender',
    name: 'Old jug',
    volumeMl: 1500,
    seen: looks.map((log, i) => ({ on: '2026-10-01', where: 'x', of: `b/${i}`, log, sd: LOOK_SD })),
  });
  const withTool = (looks: number[], log: StationLog = {}) => ({
    ...mapStations(logged(log), (s) => (s.kind === 'blend' ? { ...s, toolId: 'jug' } : s)),
    tools: [tool(looks)],
  });
  const blendOf = (file: BatchFile) => reportTypical(file, '2026-11-01').stations.find((s) => s.kind === 'blend')!;
  it('teaches what was seen against the tables alone, with or without what it knew', () => {
    const teach = (file: BatchFile) => {
      const s = blendOf(file);
      return stationKind('blend').teaches!(s.facts as never, s.log);
    };
    const once = teach(withTool([], { look: 6 }))!;
    expect(once.sd).toBe(LOOK_SD);
    expect(once.log).toBeGreaterThan(0.5);
    expect(teach(withTool([0.9, 0.9], { look: 6 }))!.log).toBeCloseTo(once.log, 9);
    expect(teach(withTool([]))).toBeNull();
  });
  it('looks that agree make it thicker, and surer', () => {
    const plain = runUpTo(batch, 'blend', TYPICAL).out.past.look;
    expect(plain).toBeNull();
    const few = runUpTo(withTool([1, 1]), 'blend', TYPICAL).out.past.look!;
    const many = runUpTo(withTool(Array.from({ length: 12 }, () => 1)), 'blend', TYPICAL).out.past.look!;
    expect(few.log).toBeGreaterThan(0.3);
    expect(many.log).toBeGreaterThan(few.log);
    expect(many.sd).toBeLessThan(few.sd);
    expect(blendOf(withTool([1, 1])).now.body!).toBeGreaterThan(blendOf(batch).now.body!);
  });
  it('one without a look is as any', () => {
    expect(blendOf(withTool([])).now.body).toBe(blendOf(batch).now.body);
  });
});
