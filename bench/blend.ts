import {
  benchProblem,
  drawEnsemble,
  drawnBand,
  ingredient,
  INGREDIENTS,
  lotOfVariety,
  NO_WISH,
  podVariance,
  readLine,
  solveBench,
  solveBlend,
  VARIETIES,
  weighBench,
  type BenchStuff,
  type BlendWish,
  type LinearModel,
  type LinearSolver,
} from '@roskel/core';
import { LINES } from '../core/tests/reader.lines';
import { measure, type Line } from './measure';

const spread = <T>(all: readonly T[], count: number): T[] =>
  Array.from({ length: count }, (_, i) => all[Math.floor((i * all.length) / count)]!);

/** 20 lots and 15 larder rows, as a well-stocked maker has them. */
const stuff: BenchStuff = {
  pods: spread(
    VARIETIES.filter((v) => v.form === 'fresh'),
    20,
  ).map((v, i) => ({
    lot: lotOfVariety(v, { id: v.id }),
    stockG: 80 + 60 * (i % 7),
    prep: 'whole' as const,
    useFirst: i % 9 === 0,
    perKg: 4 + (i % 5),
  })),
  larder: [
    ...['vinegar_cider', 'salt_fine', 'sugar_white', 'water', 'lime_juice', 'garlic', 'carrot', 'onion', 'mango_ripe'].map(ingredient),
    ...spread(
      INGREDIENTS.filter((i) => /tomato|apple|ginger|honey|pear|peach/.test(i.key)),
      6,
    ),
  ].map((row) => ({ row, stockG: 800, useFirst: false, perKg: 3 })),
};
const wish: BlendWish = {
  ...NO_WISH,
  massG: 1000,
  heat: { lowShu: 2500, highShu: 4000 },
  saltPct: { low: 1.8, high: 2.2 },
  sugarPct: { low: 0, high: 8 },
  body: { low: 3.5 },
  pH: { max: 3.9, margin: 0.1 },
};

/** Ours on a question, and the bare solver on the very programs that it asked. */
function against(what: string, highs: LinearSolver, ask: (solver: LinearSolver) => unknown, wantedMs: number, times = 30): Line {
  const asked: LinearModel[] = [];
  ask({ solve: (m, o) => (asked.push(m), highs.solve(m, o)) });
  return {
    what: `${what} (${asked.length} program${asked.length === 1 ? '' : 's'})`,
    ours: measure(() => ask(highs), times),
    reference: measure(() => asked.forEach((m) => highs.solve(m)), times),
    against: 'HiGHS alone on the same programs',
    wantedMs,
  };
}

export function blendLines(highs: LinearSolver): Line[] {
  const problem = benchProblem(stuff, wish);
  const parts = stuff.pods.map((c, i) => ({ medianShu: 100 + 40 * i, sigma: c.lot.heat?.sigma ?? 0, pods: 12 }));
  const grams = Object.fromEntries([
    ...stuff.pods.map((c) => [c.lot.id, 20] as const),
    ...stuff.larder.map((l) => [l.row.key, 30] as const),
  ]);
  return [
    against('blend, 20 lots and 15 larder rows, with pH', highs, (s) => solveBlend(s, problem), 50),
    against(
      'the same, at most 4 kinds in whole pods',
      highs,
      (s) => solveBlend(s, { ...problem, wish: { ...wish, varieties: 4, wholePods: true } }),
      500,
      12,
    ),
    against(
      'the bench page: three distinct mixes of at most 3 kinds',
      highs,
      (s) => solveBench(s, stuff, { ...wish, varieties: 3 }),
      1000,
      8,
    ),
    against(
      'half a million SHU: what gives way, reach, repairs',
      highs,
      (s) => solveBench(s, stuff, { ...wish, heat: { lowShu: 500_000, highShu: 700_000 } }),
      500,
      8,
    ),
    {
      what: 'everything about 35 things in a bowl, while dragging',
      ours: measure(() => weighBench(stuff, grams, wish.heat!), 60),
      reference: measure(() => drawnBand(parts, 0.2, 2500, 4000), 20),
      against: 'a Monte Carlo run of 10,000 draws of the same lots',
      wantedMs: 16,
    },
    {
      what: 'heat band by 10,000 draws, 20 lots',
      ours: measure(() => drawnBand(parts, 0.2, 2500, 4000), 20),
      reference: measure(() => {
        const draws = drawEnsemble(3, 10_000);
        return draws.map((d) =>
          parts.reduce((s, p, i) => s + p.medianShu * Math.exp(Math.hypot(p.sigma, Math.sqrt(podVariance(p.pods))) * d.z(`l${i}`)), 0),
        );
      }, 3),
      against: 'the same by our stratified named draws',
      wantedMs: 50,
    },
    {
      what: `the reader, ${LINES.length} lines`,
      ours: measure(() => LINES.forEach(([kitchen, line]) => readLine(line, kitchen)), 20),
      reference: measure(
        () =>
          LINES.forEach(([, line]) =>
            line
              .normalize('NFD')
              .toLowerCase()
              .split(/\s+/)
              .map((w) => w.replace(/s$/, '')),
          ),
        20,
      ),
      against: `only splitting the lines into words; wanted under 5 ms a line, which is ${5 * LINES.length} ms`,
      wantedMs: 5 * LINES.length,
    },
  ];
}
