import { describe, expect, it } from 'vitest';
import {
  addDays,
  burpHours,
  dutyDay,
  fileIssues,
  LineProblem,
  endedStations,
  gasLitres,
  jarAcid,
  judgeJar,
  mapStations,
  massOf,
  openNeeds,
  reportTypical,
  reportLine,
  runLine,
  SIGN_IDS,
  SIGNS,
  signVerdict,
  stationIn,
  stationsOf,
  summaryOf,
  todayOf,
  TYPICAL,
  withDuty,
  withJarThrown,
  withLater,
  withParams,
  type BatchFile,
  type Intake,
  type JarJudgement,
  type JarReading,
  type Reading,
  type Sign,
} from '../src';
import { JAR, log, smallBatch, rounds } from './helpers';
import { dice, randomBatch } from './random';

const START = smallBatch().startDate;
const day = (n: number) => addDays(START, n);
const packed = (): BatchFile => log(log(smallBatch(), 'prep', { doneOn: START }), 'salt', { doneOn: START });
const seen = (n: number, ...signs: Sign[]) => ({
  ...{ id: `s${n}`, stationId: 'ferment', at: `${day(n)}T12:00:00.000Z`, instrument: 'strip' as const, signs },
});
const meter = (d: number, pH: number): JarReading => ({ day: d, pH, sd: 0.05, instrument: 'meter' });

// Handbook chapter 4, section 5.1: the table of signs.
describe('look and smell', () => {
  it('fuzz and rot end a jar whatever its pH and whatever comes after; a film or floating pieces ask for an act', () => {
    for (const sign of SIGN_IDS) {
      const j = judgeJar([meter(10, 3.6)], JAR, [{ day: 5, sign }]);
      expect(j.verdict, sign).toBe(SIGNS[sign].verdict === 'discard' ? 'condemned' : 'acid');
    }
    expect(jarAcid(6, judgeJar([], JAR, [{ day: 5, sign: 'fuzz' }]))[0]).toMatchObject({
      id: 'jar-discard',
      keep: { place: 'bin', days: 0 },
    });
    expect(signVerdict(['cloudy', 'fuzz', 'film'])).toMatchObject({ sign: 'fuzz', verdict: 'discard' });
    expect(signVerdict(['clean'])!.verdict).toBe('keep');
    expect(signVerdict([])).toBeNull();
  });
  it('a bad sign in a jar that is read above 4.6 ends it, but not on the first days, and not where salt holds it', () => {
    const bad = [{ day: 8, sign: 'slimy' as const }];
    expect(judgeJar([meter(8, 4.8)], JAR, bad).verdict).toBe('condemned');
    expect(judgeJar([meter(8, 4.2)], JAR, bad).verdict).toBe('acid');
    expect(judgeJar([meter(8, 4.8)], { ...JAR, saltPct: 11, wholeJarPct: 11 }, bad).verdict).not.toBe('condemned');
    expect(judgeJar([meter(1, 5.1)], JAR, [{ day: 1, sign: 'film' }]).verdict).toBe('doubtful');
  });
  it('what was seen reaches the bottles: nothing of a fuzzy jar is kept, however sour the sauce', () => {
    const file = { ...packed(), readings: [seen(4, 'fuzz')] };
    const done = log(file, 'ferment', { doneOn: day(14), pH: 3.5, instrument: 'meter' });
    expect(reportTypical(done, day(14)).ends[0]!.keeping!.place).toBe('bin');
  });
});

describe('a jar that is thrown away', () => {
  const thrown = () => {
    const { log: had } = stationIn(packed(), 'ferment')!;
    return log(packed(), 'ferment', { ...had, doneOn: day(5), thrownOn: day(5), thrownWhy: 'fuzz' });
  };
  it('accounts for everything: what was in it leaves as thrown away, nothing goes on, nothing more is taken or asked', () => {
    const runs = runLine(thrown(), TYPICAL);
    const at = runs.findIndex((r) => r.id === 'ferment');
    const side = runs[at]!.sides.find((s) => s.id === 'thrown')!;
    expect(massOf(side.stream)).toBeGreaterThan(0.95 * massOf(runs[at]!.bowl.stream));
    for (const r of runs.slice(at + 1)) expect(massOf(r.out.stream), r.id).toBe(0);
    expect([...endedStations(thrown())]).toEqual(runs.slice(at + 1).map((r) => r.id));
    expect(openNeeds(packed()).length).toBeGreaterThan(0);
    expect(openNeeds(thrown())).toEqual([]);
    expect(todayOf(thrown(), day(6))).toEqual({ duties: [], jars: [], begun: true, occupies: { jars: [], pots: [], work: [] } });
    const s = summaryOf(thrown(), day(6));
    expect([s.doneOn, s.ends[0]!.thrownOn, s.ends[0]!.bottles]).toEqual([day(5), day(5), 0]);
  });
});

describe('two jars of one batch', () => {
  /** Both packed on one day; what is read names its jar. */
  const two = (...readings: Reading[]): BatchFile => {
    const one = packed();
    const params = { ...(stationIn(one, 'salt')!.params as object), jars: 2, jarMl: 800 };
    return { ...withParams(one, 'salt', params), readings };
  };
  const of = (jar: number | undefined, r: Reading): Reading => ({ ...r, ...(jar === undefined ? {} : { jar }) });
  const meterAt = (d: number, pH: number, jar?: number) =>
    of(jar, { id: `p${d}${jar ?? ''}`, stationId: 'ferment', at: `${day(d)}T12:00:00.000Z`, pH, instrument: 'meter' });
  const verdict = (file: BatchFile, d: number) =>
    (reportTypical(file, day(d)).stations.find((s) => s.id === 'ferment')!.facts as { judged: JarJudgement }).judged.verdict;
  const thrown = (file: BatchFile, jar: number) => withJarThrown(file, 'ferment', { jar, on: day(9), why: 'fuzz' });

  it('each is judged by what was read of it: all are as good as the worst, and one that nobody read is not sour', () => {
    const sour = (jar?: number) => [meterAt(6, 3.7, jar), meterAt(9, 3.6, jar)];
    expect(verdict(two(...sour()), 9)).toBe('acid');
    expect(verdict(two(...sour(1)), 9)).toBe('unread');
    expect(verdict(two(...sour(1), ...sour(2)), 9)).toBe('acid');
    expect(verdict(two(...sour(1), ...sour(2), of(2, seen(9, 'fuzz'))), 9)).toBe('condemned');
  });
  it('a jar that is thrown away takes its half with it and what was read of it; the other is bottled', () => {
    const both = two(meterAt(6, 3.7, 1), meterAt(9, 3.6, 1), of(2, seen(9, 'fuzz')));
    const one = thrown(both, 2);
    // Of three jars a third goes, and two thirds stay.
    const params = { ...(stationIn(both, 'salt')!.params as object), jars: 3 };
    const three = withParams(both, 'salt', params);
    expect(massOf(runLine(thrown(three, 2), TYPICAL).find((r) => r.id === 'ferment')!.out.stream)).toBeCloseTo(
      (massOf(runLine(three, TYPICAL).find((r) => r.id === 'ferment')!.out.stream) * 2) / 3,
      6,
    );
    const at = (file: BatchFile) => runLine(file, TYPICAL).find((r) => r.id === 'ferment')!;
    const mass = (file: BatchFile) => massOf(at(file).out.stream);
    expect(mass(one)).toBeCloseTo(mass(both) / 2, 6);
    expect(massOf(at(one).sides.find((s) => s.id === 'thrown')!.stream)).toBeCloseTo(mass(both) / 2, 6);
    expect(verdict(one, 9)).toBe('acid');
    const keeps = (file: BatchFile) => {
      const opened = log(file, 'ferment', { ...stationIn(file, 'ferment')!.log, doneOn: day(10) });
      const { keeping, bottles } = reportTypical(opened, day(10)).ends[0]!;
      return [keeping!.place, bottles.possible];
    };
    expect(keeps(both)[0]).toBe('bin');
    expect(keeps(one)).toEqual([expect.not.stringMatching(/bin/), Math.floor((keeps(both)[1] as number) / 2)]);
    expect(todayOf(one, day(9)).jars[0]!.massG).toBeCloseTo(massOf(at(one).bowl.stream) / 2, 6);
    expect(todayOf(one, day(9)).occupies.jars[0]!.count).toBe(1);
  });
  it('what parts from it into bowls by weight goes down as well: a jar can always be thrown away', () => {
    const file = two();
    const [main] = file.strands;
    const at = main!.stations.findIndex((x) => x.kind === 'blend');
    const mass = massOf(runLine(file, TYPICAL).find((r) => r.id === main!.stations[at - 1]!.id)!.out.stream);
    const [blend, ...rest] = main!.stations.slice(at);
    const taken: Intake = { id: 'base', origin: { from: 'strand', strandId: main!.id }, amount: { g: Math.floor(0.9 * mass) } };
    const bowl = { ...main!, id: 'bowl', name: 'Bowl', stations: [{ ...blend!, intakes: [taken, ...blend!.intakes] }, ...rest] };
    const parted: BatchFile = { ...file, strands: [{ ...main!, goal: null, stations: main!.stations.slice(0, at) }, bowl] };
    expect(fileIssues(parted)).toEqual([]);
    const one = thrown(parted, 1);
    expect(runLine(one, TYPICAL).every((r) => massOf(r.out.stream) > 0)).toBe(true);
    expect((stationIn(one, blend!.id)!.intakes[0]!.amount as { g: number }).g).toBeCloseTo(Math.floor(0.9 * mass) / 2, 0);
  });
  it('each that is told apart has its own forecast, and the batch goes by the one that is furthest behind', () => {
    const file = two(meterAt(6, 3.8, 1), meterAt(6, 4.4, 2));
    const { forecasts } = reportLine(file, { today: day(6) });
    expect(forecasts.map((f) => f.jar)).toEqual([null, 1, 2]);
    expect(forecasts[0]!.crossings).toEqual(forecasts[2]!.crossings);
    expect(forecasts[1]!.crossings.house.p50 ?? 0).toBeLessThan(forecasts[2]!.crossings.house.p50 ?? 99);
    expect(reportLine(two(meterAt(6, 3.8)), { today: day(6) }).forecasts).toHaveLength(1);
  });
  it('what is condemned asks for one thing only; what was filled is tasted a day later, and not for ever', () => {
    const asks = (file: BatchFile, d: number) =>
      todayOf(file, day(d))
        .duties.filter((x) => x.due <= day(d))
        .map((x) => x.text);
    expect(asks({ ...packed(), readings: [seen(4, 'fuzz')] }, 5)).toEqual(['Throw this jar away, and do not taste it']);
    expect(asks(two(of(2, seen(4, 'fuzz'))), 5)).toEqual(['Look at each jar, and throw away the one that has gone bad']);
    expect(asks(thrown(two(of(2, seen(4, 'fuzz'))), 2), 9)).toContain('Push everything under the brine');
    let filled: BatchFile = { ...packed(), readings: [meterAt(8, 3.6), meterAt(12, 3.6)] };
    for (const { entry } of stationsOf(filled).slice(2)) filled = log(filled, entry.id, { doneOn: day(14) });
    const tastes = [14, 15, 18, 19].map((d) => asks(filled, d).includes('Taste it, a day old and cool'));
    expect(tastes).toEqual([false, true, true, false]);
  });
  it('names only jars that are there, each once, and never the last', () => {
    const messages = (file: BatchFile) => fileIssues(file).map((i) => i.path.replace(/^.*(log|readings)/, '$1'));
    expect(messages(thrown(two(), 2))).toEqual([]);
    expect(messages(thrown(two(), 3))).toEqual(['log/jarsThrown']);
    expect(messages(thrown(packed(), 1))).toEqual(['log/jarsThrown']);
    const all = [1, 2].map((jar) => ({ jar, on: day(9), why: 'fuzz' }));
    expect(messages(log(two(), 'ferment', { jarsThrown: all }))).toEqual(['log/jarsThrown']);
    expect(messages(two(meterAt(6, 3.8, 3)))).toEqual(['readings/0/jar']);
  });
});

describe('what a batch asks for on a day', () => {
  it('reading, looking and pushing under while it sours, each with minutes; done and put-off ones are not due', () => {
    const file = packed();
    const { duties, jars } = todayOf(file, day(3));
    expect(
      duties
        .filter((d) => d.due <= day(3))
        .map((d) => d.does)
        .sort(),
    ).toEqual(['look', 'read', 'tick', 'tick']);
    expect(duties.every((d) => d.minutes > 0 && d.why !== '')).toBe(true);
    expect(jars).toHaveLength(1);
    expect(jars[0]).toMatchObject({ stationId: 'ferment', last: null, warns: null });
    const [first] = duties;
    expect(todayOf(withDuty(file, first!.id, true), day(3)).duties.map((d) => d.id)).not.toContain(first!.id);
    expect(withDuty(withDuty(file, first!.id, true), first!.id, false).dutiesDone).toEqual(file.dutiesDone);
    const later = todayOf(withLater(file, first!.id, day(6)), day(3)).duties.find((d) => d.id === first!.id)!;
    expect(later.due).toBe(day(6));
    expect(dutyDay({ due: day(1) }, day(3))).toBe(day(3));
    // Put off day after day for a year, the batch keeps a month of it.
    let often = file;
    for (let n = 0; n < 365; n++) often = withLater(often, `ferment/push-${n}`, day(n));
    expect(often.later!.length).toBeLessThan(40);
  });
  it('a lid says how often: an airlock lets gas out by itself, a closed one wants opening, sooner when warm', () => {
    const lid = (l: 'airlock' | 'closed', n: number) =>
      todayOf(
        mapStations(packed(), (s) => (s.id === 'ferment' ? { ...s, params: { ...(s.params as object), lid: l } } : s)),
        day(n),
      )
        .duties.map((d) => d.text)
        .filter((t) => /gas|airlock/.test(t));
    expect(lid('closed', 3)[0]).toMatch(/every (8|12) hours/);
    expect(lid('closed', 10)[0]).toMatch(/once a day/);
    expect(lid('closed', 20)).toEqual([]);
    expect(lid('airlock', 3)[0]).toMatch(/airlock/);
    // Handbook chapter 4, section 5.2: 10 mmol/l a day in 0.9 l are 0.22 l a day.
    expect(gasLitres(10, 0.9, 21)).toBeCloseTo(0.22, 2);
    expect([burpHours(3, 21, 120), burpHours(3, 26, 120), burpHours(3, 21, 300), burpHours(9, 21, 120), burpHours(20, 21, 120)]).toEqual([
      12,
      8,
      8,
      24,
      null,
    ]);
  });
  it('random batches on random days: every duty is of an open station, has a sentence, and is gone once ticked', () => {
    const d = dice(411);
    for (let i = 0; i < rounds(60); i++) {
      const file = randomBatch(d);
      const on = addDays(file.startDate, d.whole(-3, 60));
      const { duties, jars } = todayOf(file, on);
      expect(new Set(duties.map((x) => x.id)).size).toBe(duties.length);
      for (const x of duties) {
        expect(stationIn(file, x.stationId)).toBeDefined();
        expect(x.text.length * x.why.length * x.minutes).toBeGreaterThan(0);
      }
      const all = duties.reduce((f, x) => withDuty(f, x.id, true), file);
      // What cannot be worked out is not ticked off: it is mended.
      expect(todayOf(all, on).duties.filter((x) => !x.id.endsWith('/trouble'))).toEqual([]);
      for (const j of jars) expect(j.asked.now).toBeGreaterThanOrEqual(0);
    }
  });
});

describe('whatever is logged of a jar', () => {
  it('random batches: fuzz or rot seen in the jar leaves nothing to keep; thrown away leaves nothing at all, and can be stored', () => {
    const d = dice(512);
    let [seenBad, thrownAway] = [0, 0];
    for (let i = 0; i < rounds(80); i++) {
      const plain = randomBatch(d);
      const jar = stationIn(plain, 'ferment')!;
      const bad = d.chance(0.5);
      const sign = { ...seen(0, d.pick(['fuzz', 'rotten'] as const)), at: `${addDays(plain.startDate, d.whole(0, 50))}T12:00:00.000Z` };
      const file = bad ? { ...plain, readings: [...plain.readings, sign] } : plain;
      let report;
      try {
        report = reportTypical(file, addDays(file.startDate, 90));
      } catch (e) {
        expect(e).toBeInstanceOf(LineProblem);
        continue;
      }
      if (bad && jar.log.doneOn !== undefined && report.ends[0]!.keeping) {
        seenBad++;
        expect(report.ends[0]!.keeping.place, `${i}`).toBe('bin');
      }
      // The same jar thrown away on the day it was done with; nothing after it is done.
      const on = jar.log.doneOn ?? addDays(file.startDate, 3);
      const at = file.strands[0]!.stations.findIndex((s) => s.id === 'ferment');
      const stations = file.strands[0]!.stations.map((s, k) =>
        k < at
          ? { ...s, log: { ...s.log, doneOn: s.log.doneOn ?? file.startDate } }
          : k === at
            ? { ...s, log: { ...s.log, doneOn: on, thrownOn: on } }
            : { ...s, log: {} },
      );
      const gone: BatchFile = { ...file, strands: [{ ...file.strands[0]!, stations }] };
      try {
        expect(fileIssues(gone).filter((x) => /thrown/.test(x.path))).toEqual([]);
        const runs = runLine(gone, TYPICAL);
        thrownAway++;
        for (const r of runs.slice(at + 1)) expect(massOf(r.out.stream), `${i} ${r.id}`).toBe(0);
        expect(todayOf(gone, addDays(on, 1)).duties).toEqual([]);
      } catch (e) {
        if (!(e instanceof LineProblem)) throw e;
      }
    }
    expect(seenBad).toBeGreaterThan(rounds(3));
    expect(thrownAway).toBeGreaterThan(rounds(40));
  });
  it('what only a jar can have is refused elsewhere, with a sentence at its place', () => {
    const messages = (file: BatchFile) => fileIssues(file).map((x) => `${x.path}: ${x.message}`);
    const at = (entry: object, id: string) => log(packed(), id, entry);
    expect(messages(packed())).toEqual([]);
    expect(messages(at({ doneOn: START, thrownOn: START }, 'salt'))[0]).toMatch(/stations\/1\/log\/thrownOn: Only a jar/);
    expect(messages(at({ thrownOn: day(3) }, 'ferment'))[0]).toMatch(/thrownOn: .*done on that day/);
    expect(messages(at({ doneOn: day(4), thrownOn: day(3) }, 'ferment'))[0]).toMatch(/done on that day/);
    expect(messages(at({ temps: [{ day: 1, c: 20 }] }, 'salt'))[0]).toMatch(/temps: Only a jar/);
    const after = log(at({ doneOn: day(3), thrownOn: day(3) }, 'ferment'), 'drain', { doneOn: day(4) });
    expect(messages(after).join()).toMatch(/thrown away before/);
    expect(messages({ ...packed(), readings: [{ ...seen(2, 'fuzz'), stationId: 'bottle' }] })[0]).toMatch(/signs: Only a jar/);
  });
  it('a meter that may be off by a quarter of a pH does not call a jar sour at 4.5, a fresh one does', () => {
    const by = (sd: number) => judgeJar([{ day: 10, pH: 4.5, sd, instrument: 'meter' }], JAR).verdict;
    expect([by(0.05), by(0.2)]).toEqual(['acid', 'doubtful']);
  });
  it('a batch that cannot be worked out asks to be looked at, and hides no jar in silence', () => {
    const broken = { ...packed(), lots: [] };
    expect(todayOf(broken, day(3)).duties).toMatchObject([
      { does: 'work', due: day(3), text: expect.stringContaining('cannot be worked out') },
    ]);
  });
});
