import { createRequire } from 'node:module';
import {
  BLOCK_H,
  simulateJar,
  acidWorld,
  addStation,
  blurOfMix,
  choosePods,
  drawEnsemble,
  endOf,
  forecastJar,
  jarParameters,
  learnJar,
  lineGain,
  LineMemo,
  mainEnd,
  lotOfVariety,
  newBatch,
  podVariance,
  poolOf,
  prepareApart,
  propsOf,
  reportLine,
  reportTypical,
  runLine,
  shareOut,
  STYLES,
  solvePh,
  stationsOf,
  chargeAt,
  useMix,
  variety,
  withParams,
  type BatchFile,
  type JarConditions,
  type LinearModel,
  type LinearSolver,
  type PodChoice,
  NOTHING_SAID,
} from '@roskel/core';
import { highsSolver } from '@roskel/core/highs';
import { kitchenMix } from '../core/tests/helpers';
import { jarSystem } from '../core/tests/jarReference';
import { blendLines } from './blend';
import { browserBench } from './browser';
import { houseBench } from './house';
import { readingLines } from './reading';
import { shelfLines } from './shelf';
import { seasonLines } from './season';
import { trimLines } from './trim';
import { measure, print, scaled, type Line } from './measure';

const highs = await highsSolver();
const stock: [string, number][] = [
  ['cayenne-red', 620],
  ['pointed-red', 900],
  ['fatalii', 130],
  ['fresno-red', 340],
  ['chipotle', 55],
  ['lemon-drop', 210],
  ['jalapeno-green', 480],
  ['habanero-orange', 95],
  ['bell-yellow', 880],
  ['serrano-red', 200],
];
const choices: PodChoice[] = stock.map(([id, stockG]) => ({
  lot: lotOfVariety(variety(id), { id }),
  stockG,
  prep: 'whole',
  useFirst: false,
}));
const batch = newBatch('Bench', '2026-10-01', { lowShu: 2000, highShu: 5000, bottles: 10, bottleMl: 100 });
const lines: Line[] = [];

// 1. A whole answer on the pods page against the bare solver on the very models it was asked.
const asked: LinearModel[] = [];
const spy: LinearSolver = { solve: (m) => (asked.push(m), highs.solve(m)) };
choosePods(spy, batch, choices);
lines.push({
  what: `choose pods, 10 lots (${asked.length} linear programs)`,
  ours: measure(() => choosePods(highs, batch, choices)),
  reference: measure(() => asked.forEach((m) => highs.solve(m))),
  against: 'HiGHS alone on the same linear programs',
  wantedMs: 100,
});

// 2. The forecast of 60 members against a general integrator on the same equations.
const conditions: JarConditions = {
  saltPct: 3.1,
  brinePct: 5.7,
  cut: 'chopped',
  produceShare: 0.5,
  sugarMmol: 140,
  pH0: 5.25,
  pH0Sd: 0.15,
  lactate0: 0,
  acetate0: 0,
};
const { Solver } = createRequire(import.meta.url)('odex') as {
  Solver: new (n: number) => {
    absoluteTolerance: number;
    relativeTolerance: number;
    maxSteps: number;
    solve(f: (x: number, y: number[]) => number[], x0: number, y0: number[], x1: number): unknown;
  };
};
const jar = {
  conditions,
  tempC: 21,
  temps: [],
  horizonDays: 60,
  members: 300,
  seed: 7,
  targetPh: 3.8,
  leastDays: 7,
  now: 0,
  risk: NOTHING_SAID,
};
const fewJars = drawEnsemble(7, 12).map((d) => jarParameters(conditions, d));
/** Twelve jars by the reference, and as many as the forecast has by multiplication: it takes seconds. */
const byReference = scaled(
  measure(
    () => {
      for (const P of fewJars) {
        const system = jarSystem(P);
        const solver = new Solver(9);
        solver.absoluteTolerance = solver.relativeTolerance = 1e-5;
        solver.maxSteps = 1_000_000;
        const out = new Float64Array(9);
        solver.solve((t, y) => (system.rates(Float64Array.from(y), t, 21, out, 4.5), Array.from(out)), 0, Array.from(system.start()), 1440);
      }
    },
    3,
    1,
  ),
  300 / fewJars.length,
);
let seed = 7;
lines.push({
  what: 'forecast, 300 jars over 60 days, with its bands',
  ours: measure(() => forecastJar({ ...jar, readings: [], seed: seed++ })),
  reference: byReference,
  against: 'odex (extrapolation, tolerance 1e-5): 12 of these jars, times 25',
  wantedMs: 50,
});
/** Cold nights from day 10 to 40, as handbook chapter 4, section 3 measures: the reference begins anew at each change. */
const nights = Float64Array.from({ length: 240 }, (_, b) => (b < 40 ? 21 : b < 160 ? (b % 4 < 2 ? 20 : 14) : 19));
const nightJars = drawEnsemble(7, 300).map((d) => jarParameters(conditions, d));
/** pH of a jar by the reference, begun anew at each change of temperature, or, to be compared, at the end of each block. */
function byOdex(P: (typeof nightJars)[number], tolerance: number, everyBlock: boolean): number[] {
  const system = jarSystem(P);
  let state = Array.from(system.start());
  const out = new Float64Array(9);
  const pH: number[] = [];
  for (let b = 0; b < nights.length;) {
    const tempC = nights[b]!;
    let end = b + 1;
    while (!everyBlock && end < nights.length && nights[end] === tempC) end++;
    const solver = new Solver(9);
    solver.absoluteTolerance = solver.relativeTolerance = tolerance;
    solver.maxSteps = 1_000_000;
    const rates = (t: number, y: number[]) => (system.rates(Float64Array.from(y), t, tempC, out, 4.5), Array.from(out));
    state = (solver.solve(rates, b * BLOCK_H, state, end * BLOCK_H) as { y: number[] }).y;
    pH.push(system.rates(Float64Array.from(state), end * BLOCK_H, tempC, out, 4.5));
    b = end;
  }
  return pH;
}
const FEW_NIGHTS = 12;
const some = nightJars.slice(0, FEW_NIGHTS);
const worst = Math.max(
  ...some.flatMap((P) => {
    const { pH } = simulateJar({ ...P, shift: 0 }, nights);
    return byOdex(P, 1e-8, true).map((p, b) => Math.abs(p - pH[b + 1]!));
  }),
);
lines.push({
  what: `300 jars over 60 days, cold nights; off by ${worst.toFixed(4)} pH at most`,
  ours: measure(() => nightJars.forEach((P) => simulateJar(P, nights))),
  reference: scaled(
    measure(() => some.forEach((P) => byOdex(P, 1e-5, false)), 3, 1),
    nightJars.length / FEW_NIGHTS,
  ),
  against: 'odex, tolerance 1e-5, begun anew at each change of temperature: 12 of them, times 25; wanted: at most a fiftieth',
  wantedMs: 50,
});
const ten = [5.2, 5.05, 4.7, 4.45, 4.25, 4.12, 3.98, 3.88, 3.82, 3.78].map((pH, i) => ({
  day: 1 + i * 1.4,
  ...{ pH, sd: 0.05, instrument: 'meter' as const },
}));
const sixtyDays = new Float64Array(240).fill(21);
lines.push({
  what: 'ten readings of a jar taken in',
  ours: measure(() => learnJar({ conditions, temps: sixtyDays, readings: ten, members: 300, seed: seed++ })),
  reference: byReference,
  against: 'one run of 300 jars over 60 days by the reference',
  wantedMs: 150,
});

// 3. The blur that follows a finger against the Monte Carlo run it stands for.
const gain = lineGain(useMix(batch, choices, { 'cayenne-red': 400, 'pointed-red': 300 }));
const grams = { 'cayenne-red': 400, 'pointed-red': 300, fatalii: 40, 'lemon-drop': 80 };
const parts = choices.slice(0, 6).map((c) => ({ medianShu: 500, sigma: c.lot.heat?.sigma ?? 0, pods: 20 }));
lines.push({
  what: 'blur in the bottle while a share is dragged',
  ours: measure(() => blurOfMix(choices, grams, gain, mainEnd(batch).goal), 300, 100),
  reference: measure(() => {
    const draws = drawEnsemble(3, 2000);
    return draws.map((d) =>
      parts.reduce((s, p, i) => s + p.medianShu * Math.exp(p.sigma * d.z(`l${i}`) + Math.sqrt(podVariance(p.pods)) * d.z(`p${i}`)), 0),
    );
  }, 10),
  against: 'a Monte Carlo run of 2,000 draws of six lots',
  wantedMs: 16,
});

// 4. pH of a sauce against plain bisection on the same charge balance.
const pool = poolOf(kitchenMix({ cayenne_red: 0.45, garlic: 0.05, carrot: 0.15, salt_fine: 0.02, vinegar_cider: 0.25 }));
lines.push({
  what: 'pH of a sauce',
  ours: measure(() => solvePh(pool), 500, 200),
  reference: measure(
    () => {
      let I = 0.3;
      let pH = 4;
      for (let pass = 0; pass < 8; pass++) {
        let [lo, hi] = [-1, 14];
        for (let i = 0; i < 50; i++) {
          pH = (lo + hi) / 2;
          if (chargeAt(pool, pH, I).charge > 0) lo = pH;
          else hi = pH;
        }
        I = chargeAt(pool, pH, I).ionicStrength;
      }
      return pH;
    },
    200,
    50,
  ),
  against: 'bisection, 50 halvings in 8 passes over ionic strength',
});

// 5. A report of the batch page against the same worlds run one by one, from pods to bottles, with plain pH solves.
const TODAY = '2026-10-05';
const MEMBERS = 300;
const say = { today: TODAY, members: MEMBERS, forecast: false };
for (const file of [useMix(batch, choices, grams), twelveStations()]) {
  const n = stationsOf(file).length;
  const sized = `${n} stations x ${MEMBERS} worlds`;
  const plain = measure(
    () => {
      for (const draw of drawEnsemble(5, MEMBERS)) {
        const acids = acidWorld(draw);
        for (const run of runLine(file, draw)) propsOf(run.out, acids);
      }
    },
    8,
    2,
  );
  lines.push({
    what: `bands of the batch page, ${sized}`,
    ours: measure(() => reportLine({ ...file }, say), 15, 4),
    reference: plain,
    against: 'every world run alone, all properties of every station; as after an edit at the first station',
    wantedMs: 200,
  });
  let opened = 0;
  lines.push({
    what: `the same of a batch just opened, in worlds of its own`,
    ours: measure(() => reportLine({ ...file, seed: ++opened }, say), 15, 4),
    reference: plain,
    against: 'the same',
    wantedMs: 200,
  });
  lines.push({
    what: `the first answer: typical values, ${n} stations`,
    ours: measure(() => reportTypical({ ...file }, TODAY), 100, 20),
    reference: plain,
    against: 'the same worlds plainly',
    wantedMs: 20,
  });
  const memo = new LineMemo();
  let headspacePct = 1;
  reportLine(file, say, memo);
  const bottle = endOf(mainEnd(file));
  lines.push({
    what: `an edit of the last station, ${sized}`,
    ours: measure(
      () => {
        headspacePct += 0.1;
        return reportLine(withParams(file, bottle.id, { ...(bottle.params as object), headspacePct }), say, memo);
      },
      30,
      5,
    ),
    reference: measure(() => reportLine(file, say), 8, 2),
    against: 'the whole report anew; wanted: at most a quarter',
  });
}
// 6. What a station costs in another style, against a station of the brine ferment.
const perStation = (style: string) => {
  const file = useMix(newBatch('Bench', TODAY, undefined, style), choices, { 'cayenne-red': 200, 'pointed-red': 200 });
  return { file, n: stationsOf(file).length };
};
const brine = perStation('brine-ferment');
const others = STYLES.filter((s) => s.id !== brine.file.style).map((s) => perStation(s.id));
const stations = others.reduce((sum, o) => sum + o.n, 0);
lines.push({
  what: `a report, by station: ${others.length} other styles, ${stations} stations (x ${brine.n} of ${stations})`,
  ours: scaled(
    measure(() => others.forEach((o) => reportLine({ ...o.file }, say)), 5, 1),
    brine.n / stations,
  ),
  reference: measure(() => reportLine({ ...brine.file }, say), 8, 2),
  against: 'the brine ferment, all of its stations; wanted: no more',
});
/** A brine ferment into which a charred strand flows, shared out into two bowls: twelve stations. */
function twelveStations(): BatchFile {
  const line = useMix(batch, choices, grams);
  const apart = prepareApart(line, 'blend', ['garlic'], 'Garlic', 'char');
  return addStation(shareOut(apart, 'main', 2), 'strain', { stationId: 'strain', where: 'after' });
}
lines.push(...blendLines(highs), ...trimLines(highs), ...readingLines(), ...(await shelfLines(highs)), ...seasonLines(highs));
print(lines);
if (process.argv.includes('--browser')) await browserBench();
if (process.argv.includes('--house')) await houseBench();
