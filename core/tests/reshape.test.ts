import { describe, expect, it } from 'vitest';
import {
  addStation,
  differences,
  doubleStation,
  fileIssues,
  joinStrand,
  keptStuff,
  bottledStuff,
  mainEnd,
  massOf,
  moveIntake,
  moveStation,
  phOf,
  prepareApart,
  putStation,
  reportLine,
  reportTypical,
  ReshapeProblem,
  runLine,
  runOf,
  shareOut,
  STATION_KINDS,
  stationIn,
  stationsOf,
  storedParcel,
  takeOutStation,
  TYPICAL,
  type BatchFile,
} from '../src';
import { randomGraph } from './graphs';
import { exampleFile, line, log, rounds, smallBatch } from './helpers';
import { dice, type Dice } from './random';

const kinds = (f: BatchFile) => f.strands.map((s) => s.stations.map((e) => e.kind).join(' '));
const report = (f: BatchFile) => reportTypical(f, '2026-10-02');
const finished = (f: BatchFile) => report(f).ends.map((e) => e.finished);

describe('the line changed', () => {
  const file = smallBatch();
  it('adds, doubles, moves and takes out a station', () => {
    expect(kinds(addStation(file, 'char', { stationId: 'prep', where: 'after' }))[0]).toMatch(/^prep char salt/);
    expect(kinds(doubleStation(file, 'blend'))[0]).toMatch(/blend blend strain/);
    expect(kinds(moveStation(file, 'strain', -1))[0]).toMatch(/drain strain blend bottle/);
    expect(kinds(takeOutStation(file, 'strain'))[0]).toMatch(/blend bottle$/);
    expect(kinds(putStation(file, 'strain', { stationId: 'prep', where: 'after' }))[0]).toMatch(/^prep strain salt ferment/);
    expect(kinds(putStation(file, 'ferment', { stationId: 'blend', where: 'before' }))[0]).toMatch(/^prep salt drain ferment blend/);
    for (const to of [
      { stationId: 'strain', where: 'before' },
      { stationId: 'strain', where: 'after' },
      { stationId: 'blend', where: 'after' },
      { stationId: 'bottle', where: 'before' },
    ] as const)
      expect(putStation(file, 'strain', to)).toBe(file);
    // What went in at a station that is gone goes in at the next.
    expect(stationIn(takeOutStation(file, 'blend'), 'strain')!.intakes.map((i) => i.id)).toEqual(['vinegar_cider', 'garlic']);
  });
  it('put far away is moved step by step, and back again is as it was; of another strand it brings what goes in there', () => {
    const d = dice(77);
    let put = 0;
    for (let n = 0; n < 120; n++) {
      const ids = file.strands[0]!.stations.map((e) => e.id).slice(0, -1);
      const [id, to] = [d.pick(ids), d.pick(ids)];
      const by = ids.indexOf(to) > ids.indexOf(id) ? 1 : -1;
      try {
        let steps = file;
        for (let k = ids.indexOf(id); k !== ids.indexOf(to); k += by) steps = moveStation(steps, id, by);
        const far = putStation(file, id, { stationId: to, where: by > 0 ? 'after' : 'before' });
        expect(far).toEqual(steps);
        const next = ids[ids.indexOf(id) + 1];
        expect(next ? putStation(far, id, { stationId: next, where: 'before' }) : far).toEqual(next ? file : far);
        if (id !== to) put++;
      } catch (error) {
        if (!(error instanceof ReshapeProblem)) throw error;
      }
    }
    expect(put).toBeGreaterThan(20);
    const apart = addStation(prepareApart(file, 'blend', ['garlic'], 'Garlic', 'prep'), 'toast', { stationId: 'prep-2', where: 'after' });
    const back = putStation(apart, 'toast', { stationId: 'blend', where: 'before' });
    expect(kinds(back)).toEqual(['prep salt ferment drain toast blend strain bottle', 'prep']);
  });
  it('what is prepared apart and only cut is the same sauce', () => {
    const apart = prepareApart(file, 'blend', ['garlic'], 'Garlic', 'prep');
    expect(kinds(apart)[1]).toBe('prep');
    const [a, b] = [finished(file)[0]!, finished(apart)[0]!];
    for (const k of ['massG', 'heatShu', 'saltPct', 'sweetPct'] as const) expect(b[k]).toBeCloseTo(a[k], 9);
    expect(b.pH).toBeCloseTo(a.pH!, 9);
    // And joined again it is one strand's line in all its figures.
    const joined = takeOutStation(apart, apart.strands[1]!.stations[0]!.id);
    expect(kinds(joined)).toEqual(kinds(file));
    expect(finished(joined)[0]!.massG).toBeCloseTo(a.massG, 9);
  });
  it('bowls that share out a sauce hold all of it, each the same', () => {
    const shared = shareOut(file, 'main', 3);
    expect(shared.strands).toHaveLength(4);
    const runs = runLine(shared, TYPICAL, false);
    const bowls = shared.strands.slice(1).map((s) => massOf(runOf(runs, s.stations[0]!.id).bowl.stream));
    expect(bowls.reduce((x, y) => x + y, 0)).toBeCloseTo(massOf(runOf(runs, 'strain').out.stream), 9);
    for (const f of finished(shared)) expect(f.heatShu).toBeCloseTo(finished(file)[0]!.heatShu, 6);
    expect(report(shared).ends.map((e) => e.bottles.wanted)).toEqual([3, 3, 3]);
  });
  it('a bowl joined to another gives its things and has no bottles any more', () => {
    const shared = shareOut(file, 'main', 2);
    const [, one, two] = shared.strands;
    const joined = joinStrand(shared, two!.id, one!.stations[0]!.id);
    expect(joined.strands.filter((s) => s.goal)).toHaveLength(1);
    expect(finished(joined)[0]!.heatShu).toBeCloseTo(finished(file)[0]!.heatShu, 6);
  });
  it('an ingredient put elsewhere goes in there', () => {
    const jar = moveIntake(file, { stationId: 'blend', intakeId: 'garlic' }, 'salt');
    expect(stationIn(jar, 'salt')!.intakes.map((i) => i.id)).toEqual(['garlic']);
    expect(runOf(runLine(jar, TYPICAL), 'ferment').out.past.foods.has('garlic')).toBe(true);
  });
  it('says what it did', () => {
    const said = differences(report(file), report(takeOutStation(file, 'strain')));
    expect(said.map((d) => d.of)).toEqual(expect.arrayContaining(['heat', 'bottles']));
    expect(said.find((d) => d.of === 'heat')!.text).toMatch(/^heat [\d,]+ to [\d,]+ SHU$/);
    expect(differences(report(file), report({ ...file, name: 'Another' }))).toEqual([]);
  });
  it.each<[string, () => BatchFile, RegExp]>([
    ['bottles in the middle', () => addStation(file, 'bottle', { stationId: 'blend', where: 'after' }), /where a strand ends/],
    [
      'something after the bottles',
      () => addStation(file, 'blend', { stationId: 'bottle', where: 'after' }),
      /Nothing comes after the bottles/,
    ],
    ['bottles taken out', () => takeOutStation(file, 'bottle'), /ends in these bottles/],
    ['moved over the edge', () => moveStation(file, 'prep', -1), /beginning of its strand/],
    ['what is done', () => takeOutStation(log(file, 'prep', { doneOn: '2026-10-01' }), 'prep'), /done already/],
    [
      'in front of what is done',
      () => addStation(log(file, 'prep', { doneOn: '2026-10-01' }), 'char', { stationId: 'prep', where: 'before' }),
      /nothing can come before it/,
    ],
    [
      'past what is done',
      () => putStation(log(file, 'prep', { doneOn: '2026-10-01' }), 'strain', { stationId: 'prep', where: 'before' }),
      /done already and cannot be passed/,
    ],
    [
      'the only station of its strand',
      () => putStation(prepareApart(file, 'blend', ['garlic'], 'Garlic', 'prep'), 'prep-2', { stationId: 'blend', where: 'before' }),
      /all there is of Garlic/,
    ],
    [
      'bottles into another strand',
      () => putStation(prepareApart(file, 'blend', ['garlic'], 'Garlic', 'prep'), 'bottle', { stationId: 'prep-2', where: 'after' }),
      /ends in these bottles/,
    ],
    ['nothing apart', () => prepareApart(file, 'blend', [], 'x'), /Say what is to be prepared apart/],
    ['one bowl', () => shareOut(file, 'main', 1), /Share out into 2 to/],
    ['thirty bowls', () => shareOut(file, 'main', 30), /Share out into 2 to/],
    ['a strand into itself', () => joinStrand(file, 'main', 'blend'), /cannot flow into itself/],
    ['bottles in the jar', () => moveStation(file, 'bottle', -1), /ends nowhere. Let it end in bottles/],
  ])('refused: %s', (_, act, says) => {
    expect(act).toThrow(ReshapeProblem);
    expect(act).toThrow(says);
  });
});

/** A hurried hand: any act on any station. */
function anyAct(d: Dice, f: BatchFile): () => BatchFile {
  const all = stationsOf(f);
  const { entry, strand } = d.pick(all);
  const other = d.pick(all).entry.id;
  const kind = d.pick(STATION_KINDS).kind;
  return d.pick([
    () => addStation(f, kind, { stationId: entry.id, where: d.pick(['before', 'after'] as const) }),
    () => moveStation(f, entry.id, d.pick([1, -1] as const)),
    () => putStation(f, entry.id, { stationId: other, where: d.pick(['before', 'after'] as const) }),
    () => doubleStation(f, entry.id),
    () => takeOutStation(f, entry.id),
    () => moveIntake(f, { stationId: entry.id, intakeId: entry.intakes[0]?.id ?? 'none' }, other),
    () =>
      prepareApart(
        f,
        entry.id,
        entry.intakes.slice(0, d.whole(0, 2)).map((i) => i.id),
        'Apart',
        kind,
      ),
    () => shareOut(f, strand.id, d.whole(1, 4)),
    () => joinStrand(f, strand.id, other),
  ]);
}

it('a thousand acts of a hurried hand: each is refused with a sentence, or leaves a line that hangs together and runs', () => {
  const d = dice(20261125);
  let [done, refused] = [0, 0];
  for (let n = 0; n < rounds(50, 0.4); n++) {
    let file = d.chance(0.5) ? smallBatch() : randomGraph(d);
    try {
      runLine(file, TYPICAL);
    } catch {
      continue;
    }
    for (let k = 0; k < 20; k++) {
      try {
        const next = anyAct(d, file)();
        expect(fileIssues(next)).toEqual([]);
        // A kind that cannot begin a strand, or a jar that is too small, was refused before.
        runLine(next, TYPICAL);
        const ids = line(next).map((s) => s.id);
        expect(new Set(ids).size).toBe(ids.length);
        file = next;
        done++;
      } catch (error) {
        if (!(error instanceof ReshapeProblem)) throw error;
        expect(error.message).toMatch(/^[A-Z].{14,}[.]$/);
        refused++;
      }
    }
  }
  expect(done).toBeGreaterThan(rounds(200, 0.4));
  expect(refused).toBeGreaterThan(rounds(100, 0.4));
});

describe('what a batch leaves, kept', () => {
  it('is what was left: composition, pH, heat and past come back as they were', () => {
    const file = exampleFile();
    const kept = keptStuff(file, { stationId: 'drain', side: 'brine' }, { id: 'b', name: 'Brine', keptOn: '2026-10-26' })!;
    const side = runOf(runLine(file, TYPICAL), 'drain').sides.find((s) => s.id === 'brine')!;
    expect(kept.massG).toBeCloseTo(massOf(side.stream), 9);
    const again = storedParcel(kept.stuff, kept.massG, TYPICAL);
    for (const c of ['water', 'salt', 'lactic', 'sugars'] as const) expect(again.stream.grams[c]).toBeCloseTo(side.stream.grams[c], 9);
    expect(phOf(again.stream)!.pH).toBeCloseTo(phOf(side.stream)!.pH, 6);
    expect(again.stream.heatShuG).toBeCloseTo(side.stream.heatShuG, 6);
    expect([again.past.ferment, [...again.past.foods].sort()]).toEqual([side.past.ferment, [...side.past.foods].sort()]);
    // A pH measured before does not travel with it.
    expect(again.past.ph).toBeNull();
  });
  it('what the batch takes itself is not left over, and of a jar to be thrown away nothing is', () => {
    const file = exampleFile();
    const brine = { id: 'brine', origin: { from: 'side' as const, stationId: 'drain', side: 'brine' }, amount: 'rest' as const };
    const all = {
      ...file,
      strands: file.strands.map((s) => ({
        ...s,
        stations: s.stations.map((e) => (e.id === 'blend' ? { ...e, intakes: [...e.intakes, brine] } : e)),
      })),
    };
    expect(keptStuff(all, { stationId: 'drain', side: 'brine' }, { id: 'b', name: 'B', keptOn: '2026-10-26' })).toBeNull();
    const bad = ['prep', 'salt'].reduce((f, id) => log(f, id, { doneOn: '2026-10-12' }), file);
    const condemned = {
      ...bad,
      readings: [{ id: 'r', stationId: 'ferment', at: '2026-10-27T10:00:00Z', pH: 5.1, instrument: 'meter' as const }],
    };
    expect(() => keptStuff(condemned, { stationId: 'drain', side: 'brine' }, { id: 'b', name: 'B', keptOn: '2026-10-28' })).toThrow(
      /thrown away/,
    );
    expect(() => bottledStuff(condemned, mainEnd(condemned).id, { id: 'b', name: 'B', keptOn: '2026-10-28' })).toThrow(/thrown away/);
  });
  it('a finished sauce in another one: its heat and its doubt come along', () => {
    const stuff = bottledStuff(exampleFile(), 'main', { id: 'red', name: 'Slipway Red', keptOn: '2026-11-01' });
    const base = smallBatch();
    const file: BatchFile = {
      ...base,
      stored: [stuff],
      strands: base.strands.map((s) => ({
        ...s,
        stations: s.stations.map((e) =>
          e.id === 'blend'
            ? { ...e, intakes: [...e.intakes, { id: 'red', origin: { from: 'stored' as const, id: 'red' }, amount: { g: 200 } }] }
            : e,
        ),
      })),
    };
    const r = reportLine(file, { today: '2026-11-02', members: 60 });
    expect(r.stations.find((s) => s.id === 'blend')!.enters.grams.red).toBeCloseTo(200, 9);
    expect(stuff.heat!.sigma).toBeGreaterThan(0.2);
    expect(() => runLine({ ...file, stored: [] }, TYPICAL)).toThrow(/does not carry the stored thing/);
  });
});
