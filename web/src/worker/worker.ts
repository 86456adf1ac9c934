import { expose } from 'comlink';
import wasmUrl from 'highs/runtime?url';
import {
  choosePods,
  forecastJar,
  type Ingredient,
  type Forecast,
  type ForecastInput,
  LineProblem,
  bottledStuff,
  ideaOf,
  type Idea,
  type IdeaWish,
  type NoIdea,
  planBatch,
  planRecipe,
  readText,
  stoodIn,
  styleOfText,
  type ReaderSettings,
  type ReadText,
  type Stood,
  type RecipeWish,
  type StoredStuff,
  LineMemo,
  reportSteps,
  sensitivitySteps,
  type Banded,
  type Sensitivity,
  solveBench,
  kitOf,
  luckOf,
  seasonSteps,
  SEASON_STYLES,
  shelvedOf,
  type Ahead,
  seedOf,
  type Season,
  type SeasonAsk,
  type StyleKit,
  type BatchFile,
  type BenchAnswer,
  type BenchStuff,
  type BlendWish,
  acidWork,
  leftoverLot,
  runUpTo,
  type AcidWork,
  makeAgain,
  type Again,
  type AgainWish,
  type Asked,
  type Leftover,
  type LinearSolver,
  type LineReport,
  type TypicalReport,
  type PodAnswer,
  type PodChoice,
  type PodWish,
  type Plan,
  knownSauce,
  trimBatch,
  trimBowl,
  type KnownSauce,
  type TrimAsk,
  type TrimStock,
  type TrimTold,
  type Wish,
  type ReportOptions,
} from '@roskel/core';
import { highsSolver } from '@roskel/core/highs';

let solver: Promise<LinearSolver> | null = null;
const getSolver = () => (solver ??= highsSolver(() => wasmUrl));

/** A report, or the parameter that cannot work. Errors lose their class on the way out of a worker, hence data. */
export type ReportAnswer = { ok: true; report: LineReport } | { ok: false; stationId: string; field: string; message: string };

/** What was run of the batch that is edited, so that an edit runs only what comes after it. */
const memo = new LineMemo();
let reports = 0;
let sensitivities = 0;
/** Lets messages in: one of them may be a newer question. */
const breath = () => new Promise<void>((go) => setTimeout(go));

/** An answer and how long it took, or the sentence why there is none. */
export type Timed<A> = { ok: true; answer: A; ms: number } | { ok: false; message: string };

/** The solver comes with the first question that needs one. */
async function timed<A>(ask: (solver: LinearSolver) => A): Promise<Timed<A>> {
  const solver = await getSolver();
  return answered(() => ask(solver));
}
const kits = new Map<string, StyleKit>();
/** A kind is measured once a day. */
function kitFor(style: string, today: string): StyleKit {
  const key = `${style} ${today}`;
  const kit = kits.get(key) ?? kitOf(style, today);
  kits.set(key, kit);
  return kit;
}
async function answeredLate<A>(ask: () => Promise<A>): Promise<Timed<A>> {
  const start = performance.now();
  try {
    return { ok: true, answer: await ask(), ms: performance.now() - start };
  } catch (error) {
    if (error instanceof LineProblem || error instanceof RangeError) return { ok: false, message: error.message };
    throw error;
  }
}
function answered<A>(ask: () => A): Timed<A> {
  const start = performance.now();
  try {
    return { ok: true, answer: ask(), ms: performance.now() - start };
  } catch (error) {
    if (error instanceof LineProblem || error instanceof RangeError) return { ok: false, message: error.message };
    throw error;
  }
}

/** A recipe that was read, with its plan. */
export interface RecipeRead {
  read: ReadText;
  readMs: number;
  stood: Stood | null;
  plan: Plan | null;
  trouble: string;
}

const bench = {
  /** The newest question wins: one that is overtaken stops between two stations and answers null. */
  async report(file: BatchFile, options: ReportOptions, first: (typical: TypicalReport) => void): Promise<ReportAnswer | null> {
    const mine = ++reports;
    try {
      const steps = reportSteps(file, options, memo);
      for (let step = steps.next(); ; step = steps.next()) {
        if (step.done) return { ok: true, report: step.value };
        if (step.value) first(step.value);
        await breath();
        if (mine !== reports) return null;
      }
    } catch (error) {
      if (error instanceof LineProblem) return { ok: false, stationId: error.stationId, field: error.field, message: error.message };
      throw error;
    }
  },
  /** What a number hangs on; the newest question wins, one that is overtaken answers null. */
  async sensitivity(file: BatchFile, stationId: string, what: Banded): Promise<Timed<Sensitivity | null> | null> {
    const mine = ++sensitivities;
    const start = performance.now();
    try {
      const steps = sensitivitySteps(file, stationId, what);
      for (let step = steps.next(); ; step = steps.next()) {
        if (step.done) return { ok: true, answer: step.value, ms: performance.now() - start };
        await breath();
        if (mine !== sensitivities) return null;
      }
    } catch (error) {
      if (error instanceof LineProblem) return { ok: false, message: error.message };
      throw error;
    }
  },
  choose(file: BatchFile, choices: PodChoice[], wish: PodWish, strandId: string): Promise<Timed<PodAnswer>> {
    return timed((solver) => choosePods(solver, file, choices, wish, strandId));
  },
  mix(stuff: BenchStuff, wish: BlendWish): Promise<Timed<BenchAnswer>> {
    return timed((solver) => solveBench(solver, stuff, wish));
  },
  /** What a station of a batch leaves that can be kept as a lot; null when nothing. */
  leftover(file: BatchFile, stationId: string, sideId: string, own: { id: string; name: string }): Timed<Leftover | null> {
    return answered(() => leftoverLot(file, stationId, sideId, own));
  },
  /** A recipe as it is written: what was read, and the plan of it, or why there is none yet. */
  recipe(
    text: string,
    settings: ReaderSettings,
    { stands, ...wish }: Omit<RecipeWish, 'idOf' | 'items' | 'stood'> & { stands: 'meter' | 'strip' | null },
    podIds: string,
    today: string,
  ): RecipeRead {
    const began = performance.now();
    const read = readText(text, settings);
    const readMs = performance.now() - began;
    const { items, recipe } = read;
    // What a text says of days gone by is asked about before it counts.
    const stood = stoodIn(text, today);
    // Nothing is cooked of questions alone.
    const known = items.some((i) => (!i.ask && (i.massG ?? 0) > 0) || i.sauceG !== undefined);
    if (!known) return { read, readMs, stood, plan: null, trouble: '' };
    const style = recipe || wish.style ? wish.style : styleOfText(read, wish.rows);
    const plan = answered(() =>
      planRecipe(
        {
          ...wish,
          ...(style ? { style } : {}),
          text,
          items,
          recipe,
          stood: stood && stands ? { ...stood, instrument: stands } : null,
          idOf: (n) => `${podIds}-${n}`,
        },
        today,
      ),
    );
    return { read, readMs, stood, plan: plan.ok ? plan.answer : null, trouble: plan.ok ? '' : plan.message };
  },
  /** A bottled sauce as something that goes into another one. */
  bottled(file: BatchFile, strandId: string, own: { id: string; name: string; keptOn: string }): Timed<StoredStuff> {
    return answered(() => bottledStuff(file, strandId, own));
  },
  /** What puts a batch right at a station, by taste. */
  trim(file: BatchFile, stationId: string, stocks: TrimStock[], shop: Ingredient[], ask: TrimAsk, today: string): Promise<Timed<TrimTold>> {
    return timed((solver) => trimBatch(solver, file, stationId, stocks, shop, ask, today));
  },
  /** The same for a sauce of which only mass, pH and taste are known. */
  trimBowl(known: KnownSauce, stocks: TrimStock[], shop: Ingredient[], ask: TrimAsk): Promise<Timed<TrimTold>> {
    return timed((solver) => trimBowl(solver, knownSauce(known), stocks, shop, ask));
  },
  /** What it takes to bring what leaves a station to a pH, and what water does to it; the pH that counts there is in it. */
  acidAt(file: BatchFile, stationId: string, targetPh: number, limit: number): Timed<AcidWork> {
    return answered(() => acidWork(runUpTo(file, stationId).out.stream, targetPh, limit));
  },
  acidOf(known: KnownSauce, targetPh: number, limit: number): Timed<AcidWork> {
    return answered(() => acidWork(knownSauce(known).stream, targetPh, limit));
  },
  /** What a jar will do, from what is known of it. */
  jar(asked: ForecastInput): Timed<Forecast> {
    return answered(() => forecastJar(asked));
  },
  /** A made batch once more, with what it showed, of today's pods. */
  again(made: BatchFile, batchId: string, wish: AgainWish, asked: Asked): Promise<Timed<Again>> {
    return timed((solver) => makeAgain(solver, made, batchId, wish, asked));
  },
  /** A kind of sauce planned through of what is there, or why it cannot be had. */
  idea(style: string, wish: IdeaWish, today: string): Promise<Timed<Idea | NoIdea>> {
    return timed((solver) => ideaOf(solver, style, wish, today));
  },
  /** A whole plan from what someone has and wishes. */
  /** A season planned, better and better: `hear` gets each answer, with of how many seasons each wish comes true. */
  season(
    asked: Omit<SeasonAsk, 'kits'>,
    ahead: readonly Ahead[],
    styles: readonly string[],
    hear: (season: Season, luck: Map<string, number>) => void,
  ): Promise<Timed<null>> {
    return answeredLate(async () => {
      const solver = await getSolver();
      const own: StyleKit[] = [];
      for (const style of styles) {
        own.push(kitFor(style, asked.today));
        await breath();
      }
      // What no kind is known for is not counted on.
      const coming = ahead.flatMap((a) => (SEASON_STYLES.includes(a.style) ? [shelvedOf(a, kitFor(a.style, asked.today))] : []));
      const ask = { ...asked, kits: own, shelf: [...asked.shelf, ...coming] };
      for (const season of seasonSteps(solver, ask)) {
        hear(season, luckOf(ask, season, seedOf(JSON.stringify(asked.wishes))));
        await breath();
      }
      return null;
    });
  },
  plan(wish: Wish, today: string): Promise<Timed<Plan>> {
    return timed((solver) => planBatch(solver, wish, today));
  },
};
export type Bench = typeof bench;
expose(bench);
