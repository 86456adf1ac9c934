import { oddsWithin, type Blur } from '../heat';
import { carry, paramsOf, resize, wantedMassG, withParams, type BatchFile } from '../line';
import { runLine } from '../line/run';
import { massOf } from '../matter/stream';
import { preparedPerGram } from '../pantry';
import { TYPICAL } from '../stat/draw';
import type { PrepParams } from '../stations';
import { blurOfMix, lineGain, type LineGain, type PodChoice } from './gain';
import { ModelBuilder, type LinearSolver } from './linear';

export interface Mix {
  /** Grams as weighed from stock (stems on), in the order of the choices. */
  gramsByLot: Record<string, number>;
  /** Grams of finished sauce it makes. */
  finishedG: number;
  blur: Blur | null;
  odds: number;
  /** What speaks for it, in a few words. */
  label: string;
  reasons: string[];
}

export type PodAnswer =
  | { status: 'found'; mixes: Mix[]; gain: LineGain }
  | { status: 'short'; message: string; help: string[]; nearest: Mix | null; nearestShu: number | null; gain: LineGain };

/** A little more than the bottles hold, for what stays on spoons (our judgement). */
const SPARE = 1.02;
/** The pods that the default amounts of a new batch's blend are written for, g. */
const PODS_OF_DEFAULTS = 640;
/** More lots than this in one mix are a nuisance at the board (our judgement). */
const MOST_LOTS = 4;

/** Weights of the objective, in percent of a batch (chapter 2, section 7.2); spread keeps pods from being a single lot. */
const WEIGHT = { centre: 2, robust: 0.3, useUp: 0.5, spread: 0.05 } as const;

interface Wish {
  choices: readonly PodChoice[];
  gain: LineGain;
  lowShu: number;
  highShu: number;
  /** g of prepared pods wanted */
  podsG: number;
}

/** Variables are percent of the prepared pods; heat rows are scaled by the middle of the bracket (chapter 2, section 7.1). */
function podModel(w: Wish, heat: 'bracket' | 'highest' | 'lowest', barred: ReadonlySet<string>): { model: ModelBuilder; u: number[] } {
  const model = new ModelBuilder();
  const middle = Math.sqrt(Math.max(1, w.lowShu) * w.highShu);
  const shuPerPct = w.choices.map((c) => {
    const p = preparedPerGram(c.lot, c.prep);
    return p.massG > 0 ? ((p.heatShuG / p.massG) * w.gain.heatKept) / w.gain.massPerPod : 0;
  });
  const u = w.choices.map((c, i) => {
    const stock = c.stockG * preparedPerGram(c.lot, c.prep).massG;
    const upper = barred.has(c.lot.id) ? 0 : Math.min(100, (100 * stock) / w.podsG);
    const reach = heat === 'highest' ? -shuPerPct[i]! / middle : heat === 'lowest' ? shuPerPct[i]! / middle : 0;
    return model.column(reach - (c.useFirst ? WEIGHT.useUp / 100 : 0), 0, upper);
  });
  model.row(
    u.map((x) => [x, 1] as const),
    100,
    100,
  );
  if (heat === 'bracket') {
    const load = u.map((x, i) => [x, shuPerPct[i]! / middle] as const);
    model.row(load, (w.lowShu / middle) * 100, (w.highShu / middle) * 100);
    const off = model.column(WEIGHT.centre);
    model.row([...load, [off, 1]], 100, Infinity);
    model.row([...load, [off, -1]], -Infinity, 100);
    const swing = model.column(WEIGHT.robust);
    const widest = model.column(WEIGHT.spread);
    w.choices.forEach((c, i) => {
      if (c.lot.heat)
        model.row(
          [
            [swing, 1],
            [u[i]!, (-shuPerPct[i]! / middle) * (c.lot.heat.sigma / 0.4)],
          ],
          0,
          Infinity,
        );
      model.row(
        [
          [widest, 1],
          [u[i]!, -1],
        ],
        0,
        Infinity,
      );
    });
  }
  return { model, u };
}

function gramsFrom(w: Wish, u: readonly number[], values: readonly number[]): Record<string, number> {
  const grams: Record<string, number> = {};
  w.choices.forEach((c, i) => {
    const share = values[u[i]!]!;
    const per = preparedPerGram(c.lot, c.prep).massG;
    // Under a fiftieth of a percent is the solver's dust, not a pod.
    if (share > 0.02) grams[c.lot.id] = ((share / 100) * w.podsG) / per;
  });
  return grams;
}

function mixOf(w: Wish, grams: Record<string, number>, label: string, reasons: string[]): Mix {
  const { blur, finishedG } = blurOfMix(w.choices, grams, w.gain);
  return { gramsByLot: grams, finishedG, blur, odds: blur ? oddsWithin(blur, w.lowShu, w.highShu) : 0, label, reasons };
}

function solveOnce(solver: LinearSolver, w: Wish, heat: 'bracket' | 'highest' | 'lowest', barred: ReadonlySet<string> = new Set()) {
  const { model, u } = podModel(w, heat, barred);
  const solution = solver.solve(model);
  return solution.status === 'optimal' ? gramsFrom(w, u, solution.values) : null;
}

/** The lot that brings most heat. */
function lead(w: Wish, grams: Record<string, number>): PodChoice | undefined {
  const load = (c: PodChoice) => (grams[c.lot.id] ?? 0) * preparedPerGram(c.lot, c.prep).heatShuG;
  return [...w.choices].filter((c) => load(c) > 0).sort((a, b) => load(b) - load(a))[0];
}

function distinct(a: Mix, b: Mix, w: Wish): boolean {
  const total = Object.values(a.gramsByLot).reduce((s, g) => s + g, 0);
  const moved = w.choices.reduce((s, c) => s + Math.abs((a.gramsByLot[c.lot.id] ?? 0) - (b.gramsByLot[c.lot.id] ?? 0)), 0);
  return moved / 2 / total >= 0.15;
}

function reasonsFor(w: Wish, mix: Mix, best: Mix): string[] {
  const reasons: string[] = [];
  const names = w.choices.filter((c) => mix.gramsByLot[c.lot.id]);
  const used = names.filter((c) => mix.gramsByLot[c.lot.id]! > 0.97 * c.stockG);
  if (used.length > 0) reasons.push(`uses up ${used.map((c) => c.lot.name).join(' and ')}`);
  if (mix.odds > best.odds + 0.01) reasons.push('surer');
  if (names.length <= 2) reasons.push('few lots to handle');
  if (names.some((c) => c.lot.form === 'dried' || c.lot.form === 'flakes')) reasons.push('darker, dried taste');
  if (reasons.length === 0) reasons.push(`${names.length} lots share the heat`);
  return reasons;
}

function bottlesFrom(file: BatchFile, podsG: number, gain: LineGain): number {
  const perBottle = wantedMassG(file) / file.goal.bottles;
  return Math.floor((podsG * gain.massPerPod) / perBottle);
}

/**
 * Chooses grams of each lot so that the finished sauce of this line hits its bracket and fills its bottles, by
 * linear programs (chapter 2, section 7). Up to three distinct mixes, best first; or, when the stock cannot do it, what it can
 * and what would help. Deterministic. Throws RangeError when there is nothing to choose from.
 */
export function choosePods(solver: LinearSolver, batch: BatchFile, choices: readonly PodChoice[]): PodAnswer {
  const file = withSomePods(batch, choices);
  return chooseOnce(solver, file, choices, settledGain(solver, file, choices));
}

/**
 * What the line makes of the pods depends a little on which pods they are (their water), so the best mix is put in and
 * the gain read again until it settles.
 */
function settledGain(solver: LinearSolver, file: BatchFile, choices: readonly PodChoice[]): LineGain {
  let gain = lineGain(file);
  const { lowShu, highShu } = file.goal;
  for (let pass = 0; pass < 3; pass++) {
    const wish: Wish = { choices, gain, lowShu, highShu, podsG: (wantedMassG(file) * SPARE) / gain.massPerPod };
    const grams = solveFew(solver, wish, new Set());
    if (!grams) break;
    const used = lineGain(useMix(file, choices, grams));
    const settled = Math.abs(used.massPerPod / gain.massPerPod - 1) < 0.003;
    gain = used;
    if (settled) break;
  }
  return gain;
}

function chooseOnce(solver: LinearSolver, file: BatchFile, choices: readonly PodChoice[], gain: LineGain): PodAnswer {
  const { lowShu, highShu } = file.goal;
  const wantG = wantedMassG(file) * SPARE;
  const haveG = choices.reduce((s, c) => s + c.stockG * preparedPerGram(c.lot, c.prep).massG, 0);
  const podsG = wantG / gain.massPerPod;
  const wish: Wish = { choices, gain, lowShu, highShu, podsG };
  const tooFew = haveG < podsG;
  if (tooFew) {
    const can = bottlesFrom(file, haveG, gain);
    const less: Wish = { ...wish, podsG: Math.max(1, haveG * 0.999) };
    const grams = haveG > 0 ? (solveOnce(solver, less, 'bracket') ?? solveOnce(solver, less, 'highest')) : null;
    const missing = Math.ceil((podsG - haveG) / 10) * 10;
    return {
      status: 'short',
      message: `${file.goal.bottles} bottles need about ${Math.round(podsG / 10) * 10} g of cut pods. There are ${Math.round(haveG)} g.`,
      help: [
        can > 0 ? `Make ${can} ${can === 1 ? 'bottle' : 'bottles'}: that is what these pods fill.` : 'Tick more pods, or add a lot.',
        `Add about ${missing} g of pods, mild ones if the heat is right already.`,
      ],
      nearest: grams ? mixOf(less, grams, 'all there is', []) : null,
      nearestShu: grams ? nearestShu(mixOf(less, grams, '', [])) : null,
      gain,
    };
  }
  const best = solveFew(solver, wish, new Set());
  if (!best) return outOfReach(solver, wish, gain);
  const mixes = [mixOf(wish, best, '', [])];
  // Other ways: do without the lots that led the heat so far, then without what carried the bulk.
  const leads: string[] = [];
  const bulk = Object.entries(best).sort((x, y) => y[1] - x[1])[0]?.[0];
  for (let way = 0; way < 4 && mixes.length < 3; way++) {
    const led = lead(wish, mixes.at(-1)!.gramsByLot)?.lot.id;
    if (way < 3 && led && !leads.includes(led)) leads.push(led);
    const barred = way < 3 ? new Set(leads) : new Set(bulk ? [bulk] : []);
    const grams = solveFew(solver, wish, barred);
    if (!grams) continue;
    const mix = mixOf(wish, grams, '', []);
    if (mixes.every((m) => distinct(m, mix, wish))) mixes.push(mix);
  }
  const labelled = mixes.map((m) => ({ ...m, label: labelOf(wish, m), reasons: reasonsFor(wish, m, mixes[0]!) }));
  return { status: 'found', mixes: labelled, gain };
}

/**
 * A mix of few lots: the optimum of all, then the least lots struck out one by one and solved again while the
 * bracket can still be met (backward elimination; a choice at most MOST_LOTS wide, not proven the best such).
 */
function solveFew(solver: LinearSolver, w: Wish, barred: ReadonlySet<string>): Record<string, number> | null {
  let grams = solveOnce(solver, w, 'bracket', barred);
  const out = new Set(barred);
  const needed = new Set<string>();
  while (grams && Object.keys(grams).length > MOST_LOTS) {
    const current: Record<string, number> = grams;
    const total = w.choices.reduce((s, c) => s + (current[c.lot.id] ?? 0) * preparedPerGram(c.lot, c.prep).heatShuG, 0) || 1;
    const weight = (c: PodChoice) => {
      const g = current[c.lot.id]!;
      return (
        (g * preparedPerGram(c.lot, c.prep).massG) / w.podsG +
        (g * preparedPerGram(c.lot, c.prep).heatShuG) / total +
        (c.useFirst ? 0.3 : 0)
      );
    };
    const weakest = w.choices.filter((c) => current[c.lot.id] && !needed.has(c.lot.id)).sort((a, b) => weight(a) - weight(b));
    if (weakest.length === 0) break;
    // Half of what is too many at once; one by one where that cannot be met.
    const surplus = Math.ceil((Object.keys(current).length - MOST_LOTS) / 2);
    const strike = (n: number) => weakest.slice(0, n).map((c) => c.lot.id);
    for (const gone of surplus > 1 ? [strike(surplus), strike(1)] : [strike(1)]) {
      const without = solveOnce(solver, w, 'bracket', new Set([...out, ...gone]));
      if (without) {
        for (const id of gone) out.add(id);
        grams = without;
        break;
      }
      if (gone.length === 1) needed.add(gone[0]!);
    }
  }
  return grams;
}

function labelOf(w: Wish, mix: Mix): string {
  const led = lead(w, mix.gramsByLot);
  return led ? `${led.lot.name} leads` : 'No heat at all';
}

function nearestShu(mix: Mix): number | null {
  return mix.blur ? Math.exp(mix.blur.mu) : 0;
}

function outOfReach(solver: LinearSolver, w: Wish, gain: LineGain): PodAnswer {
  const hot = solveOnce(solver, w, 'highest');
  const mild = solveOnce(solver, w, 'lowest');
  const hottest = hot ? mixOf(w, hot, 'as hot as it gets', []) : null;
  const mildest = mild ? mixOf(w, mild, 'as mild as it gets', []) : null;
  const top = hottest ? (nearestShu(hottest) ?? 0) : 0;
  const tooMild = top < w.lowShu;
  const nearest = tooMild ? hottest : mildest;
  const help: string[] = [];
  const strongest = [...w.choices].filter((c) => c.lot.heat).sort((a, b) => density(b) - density(a))[0];
  function density(c: PodChoice) {
    const p = preparedPerGram(c.lot, c.prep);
    return p.massG > 0 ? p.heatShuG / p.massG : 0;
  }
  if (tooMild) {
    const perG = strongest ? (density(strongest) * gain.heatKept) / gain.massPerPod : 0;
    if (strongest && perG > w.lowShu) {
      const short = ((w.lowShu - top) / (density(strongest) * gain.heatKept)) * w.podsG * gain.massPerPod;
      help.push(`About ${Math.max(5, Math.ceil(short / 5) * 5)} g more of ${strongest.lot.name} would get there.`);
    } else help.push('None of these pods is hot enough even on its own. Add a hotter lot.');
    if (strongest && strongest.prep !== 'whole') help.push(`Leave the ribs in ${strongest.lot.name}.`);
    help.push('Less vinegar, no straining, or fewer bottles leave more heat in each.');
  } else {
    help.push('Add a lot without heat, such as a sweet red pepper.');
    help.push('Core the hottest pods: most of the heat sits in the pale ribs.');
    help.push('More vinegar or carrot in the blend thins the heat out.');
  }
  const shu = nearest ? nearestShu(nearest) : null;
  return {
    status: 'short',
    message: tooMild ? 'These pods cannot get that hot with this line.' : 'These pods cannot be made that mild with this line.',
    help,
    nearest,
    nearestShu: shu,
    gain,
  };
}

/** The batch as it is when it has pods; else with a stand-in mix of all choices, so that its line can be run. */
export function withSomePods(file: BatchFile, choices: readonly PodChoice[]): BatchFile {
  const has = paramsOf<PrepParams>(file, 'prep').pods.some((p) => p.massG > 0);
  if (has)
    return carry(
      file,
      choices.map((c) => c.lot),
      [],
    );
  const stock = choices.reduce((s, c) => s + c.stockG, 0);
  if (!(stock > 0)) throw new RangeError('There are no pods to choose from. Tick a lot that has stock.');
  const grams = Object.fromEntries(choices.map((c) => [c.lot.id, (c.stockG / stock) * PODS_OF_DEFAULTS]));
  return putMix(file, choices, grams, 1);
}

/**
 * The batch with a mix put into its prep, the rest of the line resized to it. Grams rounded to 1 g (to 0.1 g below 20 g).
 */
export function useMix(batch: BatchFile, choices: readonly PodChoice[], grams: Record<string, number>): BatchFile {
  const file = withSomePods(batch, choices);
  const before = massOf(runLine(file, TYPICAL, false)[0]!.out);
  const after = choices.reduce((s, c) => s + (grams[c.lot.id] ?? 0) * preparedPerGram(c.lot, c.prep).massG, 0);
  return putMix(file, choices, grams, after > 0 ? after / before : 1);
}

/** Puts grams into the prep and multiplies the rest of the line by `factor`. */
function putMix(file: BatchFile, choices: readonly PodChoice[], grams: Record<string, number>, factor: number): BatchFile {
  const round = (g: number) => (g < 20 ? Math.round(g * 10) / 10 : Math.round(g));
  const pods = choices
    .filter((c) => (grams[c.lot.id] ?? 0) > 0)
    .map((c) => ({ lotId: c.lot.id, massG: round(grams[c.lot.id]!), prep: c.prep }));
  const resized = resize(file, factor);
  const entry = file.stations.find((s) => s.kind === 'prep')!;
  const params: PrepParams = { pods };
  const lots = new Map([...file.lots, ...choices.map((c) => c.lot)].map((l) => [l.id, l]));
  return carry(withParams(resized, entry.id, params), [...lots.values()], []);
}
