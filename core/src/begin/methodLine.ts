import { bowlG, carry, fitVessels, freeId, newBatch } from '../line';
import { mapStations, MOST, type BatchFile, type Goal, type Intake, type StationEntry, type Strand } from '../file';
import type { Ingredient } from '../matter/ingredient';
import { kindKey, kindOf } from '../matter/kind';
import { isCut, stepParams, type Put, type ReadText, type ReadRecipe, type RecipeThing, type Step } from '../method';
import type { PodLot } from '../pantry';
import type { Day } from '../plan';
import { stationKind, usualKind } from '../stations';
import { STYLES, styleOfList, UNASKED_STYLE } from '../styles';
import { lotOfItem, type HavePods } from './have';
import type { StoredStuff } from '../parcel';
import { isWater, methodJar, packs } from './methodJar';
import { withLeavings } from './methodLeavings';
import type { Stood } from './since';

/** What a line of a recipe is built with. */
export interface MethodWish {
  name: string;
  startDate: Day;
  goal: Goal;
  rows: readonly Ingredient[];
  recipe: ReadRecipe;
  have: readonly { lot: PodLot; stockG: number }[];
  idOf: (n: number) => string;
  /** It stands in its jar already. */
  stood?: Stood | null;
  /** A bottled or kept sauce that stands for one which the recipe names. */
  bottled?: { stuff: StoredStuff; massG: number } | null;
}

/** Salt or water that a station brings by itself: what the recipe says of it becomes a parameter there. */
const isOwn = (kind: Step['kind'], t: RecipeThing): boolean =>
  stationKind(kind).withoutOwn === undefined && stationKind(kind).puts?.some((key) => kindOf({ key }).family === t.family) === true;
const lives = (s: { kind: string }): boolean => stationKind(s.kind).lives === true;

/** The style that a recipe is nearest to: it says how the sauce is eaten. */
export function styleOfRecipe(recipe: ReadRecipe, text: string): string {
  const steps = recipe.strands.flat();
  const has = (kind: Step['kind']) => steps.some((s) => s.kind === kind);
  const of = (id: string) => STYLES.find((s) => s.id === id)!.id;
  if (steps.some(lives)) {
    const jar = steps.find(packs);
    const wet = jar?.puts.some((p) => isWater(recipe.things[p.thing]!)) === true || /\bbrine\b/i.test(text);
    return of(wet ? 'brine-ferment' : 'mash-ferment');
  }
  if (recipe.things.some((t) => t.item.sauceG !== undefined)) return STYLES.find((s) => s.takesSauce)!.id;
  const keys = recipe.things.flatMap((t) => (t.item.id ? [t.item.id] : []));
  const listed = styleOfList('', keys);
  if (has('steep')) return of('steeped');
  if (listed && !/ferment/.test(listed.id)) return listed.id;
  if (has('fry')) return of('fried-paste');
  if (has('char')) return of('charred-fruit');
  if (has('simmer')) return of('simmered-vinegar');
  return of('rough-table');
}

/** The style of a text without a method: by what is in it, then by what it is called. */
export function styleOfText({ lines, items }: ReadText, rows: readonly Ingredient[]): string {
  if (items.some((i) => i.sauceG !== undefined)) return STYLES.find((s) => s.takesSauce)!.id;
  const keys = items.flatMap((i) => (i.id !== null && !i.ask ? [kindKey(rows.find((r) => r.key === i.id) ?? { key: i.id })] : []));
  const called = lines.flatMap((l) => (l.kind === 'title' || l.kind === 'heading' || l.kind === 'note' ? [l.text] : [])).join(' ');
  return (styleOfList('', keys) ?? styleOfList(called, []) ?? UNASKED_STYLE).id;
}

/** What another strand leaves, which has something to leave: of its own nothing is left before anything went in. */
function isLeftElsewhere(recipe: ReadRecipe, s: Step, by: Step): boolean {
  const strand = recipe.strands.find((x) => x.includes(by));
  const there = (p: Put) => recipe.things[p.thing]!.leaving === undefined && (recipe.things[p.thing]!.g ?? 0) * p.share > 0;
  return strand !== undefined && !strand.includes(s) && strand.some((x) => x.puts.some(there));
}
/** Whether something goes in at a step: a thing whose amount is known, or a strand that has one. */
const brings = (recipe: ReadRecipe, s: Step): boolean =>
  s.puts.some((p) => {
    const t = recipe.things[p.thing]!;
    if (t.leaving) return isLeftElsewhere(recipe, s, t.leaving.by);
    return (!t.item.ask && !isOwn(s.kind, t) && (t.g ?? 0) * p.share > 0) || t.item.sauceG !== undefined;
  }) || [...s.joins, ...(s.part ? [s.part.strand] : [])].some((k) => recipe.strands[k]!.some((x) => brings(recipe, x)));

/** The station where things are cut. */
const BOARD = usualKind('pods').kind;
const isOnBoard = (t: RecipeThing) => isCut(t) && !t.item.ask && (t.g ?? 0) > 0;

/**
 * The line that a recipe's method is: its stations in its order, everything where the recipe puts it, in its grams, with its
 * words beside them. Things that are still asked are left out. Throws LineProblem where the line cannot take it.
 */
export function methodLine(wish: MethodWish, text: string): { file: BatchFile; pods: HavePods[]; steps: Record<string, string> } {
  const { recipe, have } = wish;
  const base = newBatch(wish.name, wish.startDate, wish.goal, styleOfRecipe(recipe, text));
  const pods: HavePods[] = [];
  /** One lot for each thing that is pods. */
  const lotOf = new Map<number, HavePods>();
  recipe.things.forEach((t, i) => {
    const found = t.item.ask ? null : lotOfItem(t.item, wish.idOf(pods.length + 1));
    if (!found) return;
    const own = have.find((h) => h.stockG > 0 && h.lot.varietyId === found.lot.varietyId);
    const same = pods.find((p) => p.lot.varietyId === found.lot.varietyId && p.prep === found.prep);
    const mine = own ? { ...found, lot: own.lot } : found;
    if (same) {
      same.stockG += mine.stockG;
      lotOf.set(i, same);
    } else {
      pods.push(mine);
      lotOf.set(i, mine);
    }
  });
  const taken = new Map<string, number>();
  const stationId = (kind: string) => {
    const n = (taken.get(kind) ?? 0) + 1;
    taken.set(kind, n);
    return n === 1 ? kind : `${kind}-${n}`;
  };
  const last = recipe.ends.at(-1);
  const strandId = (k: number) => (k === last ? 'main' : `side-${k + 1}`);
  const stepOf = new Map<string, Step>();
  const ids: [string, string][] = [];
  const leavings: { to: string; thing: RecipeThing; late: boolean }[] = [];
  const total = recipe.strands.flat().length;
  // A board of its own may come before each strand.
  if (total + recipe.strands.length > MOST.stations || recipe.strands.length > MOST.strands)
    throw new RangeError(`This text has ${total} steps; a batch holds ${MOST.stations}. Paste the part of it that is one sauce.`);
  const strands = recipe.strands.map((all, k): Strand => {
    // A strand begins with what first has something to work on.
    const begin = all.findIndex((s) => brings(recipe, s));
    const steps = begin < 0 ? [] : all.slice(begin);
    const stations: StationEntry[] = [];
    const [first] = steps;
    const cut = first?.puts.some((p) => isOnBoard(recipe.things[p.thing]!) || lotOf.has(p.thing)) === true;
    const board = cut && first.kind !== BOARD ? entryOf(BOARD, stationId(BOARD), {}, '') : null;
    if (board) stations.push(board);
    steps.forEach((step, n) => {
      const entry = entryOf(step.kind, stationId(step.kind), stepParams(step, recipe.things), step.text);
      stepOf.set(entry.id, step);
      ids.push([entry.id, `${k}.${all.indexOf(step)}`]);
      for (const j of step.joins.filter((x) => recipe.strands[x]!.some((s) => brings(recipe, s))))
        entry.intakes.push({ id: strandId(j), origin: { from: 'strand', strandId: strandId(j) }, amount: 'rest' });
      if (step.part && recipe.strands[step.part.strand]!.some((s) => brings(recipe, s))) {
        const { strand, share } = step.part;
        const of = { id: strandId(strand), origin: { from: 'strand' as const, strandId: strandId(strand) } };
        // The last part is what is left.
        entry.intakes.push({ ...of, amount: k === last ? 'rest' : { pct: Math.round(1000 * share) / 10 } });
      }
      for (const put of step.puts) {
        const t = recipe.things[put.thing]!;
        if (t.item.sauceG !== undefined && wish.bottled) {
          const { id } = wish.bottled.stuff;
          entry.intakes.push({ id: freeId(entry, id), origin: { from: 'stored', id }, amount: { g: t.item.sauceG * put.share } });
          continue;
        }
        const g = (t.g ?? 0) * put.share;
        if (t.leaving) {
          leavings.push({ to: entry.id, thing: t, late: put.late });
          continue;
        }
        if (t.item.ask || t.item.id === null || !(g > 0) || isOwn(step.kind, t)) continue;
        const lot = lotOf.get(put.thing);
        // What grew is cut on the board before the first station.
        const at = n === 0 && board && (lot || isOnBoard(t)) ? board : entry;
        addTo(at, intakeOf(at, t, lot, g, put.late));
      }
      stations.push(entry);
    });
    return {
      id: strandId(k),
      name: k === last && recipe.ends.length === 1 ? 'Sauce' : nameOf(recipe, steps, recipe.ends.includes(k)),
      stations,
      goal: recipe.ends.includes(k) ? wish.goal : null,
    };
  });
  const crowded = strands.flatMap((s) => s.stations).find((s) => s.intakes.length > MOST.intakes);
  if (crowded) throw new RangeError(`${crowded.intakes.length} things go in at one station; ${MOST.intakes} are the most. Leave some out.`);
  const main = strands[last ?? 0]!;
  if (main.stations.length === 0) throw new RangeError('Nothing of it is known yet. Answer its questions first.');
  const bare = { ...base, strands: [main, ...strands.filter((s) => s !== main && s.stations.length > 0)] };
  const carried = carry(
    bare,
    [...lotOf.values()].map((p) => p.lot),
    wish.rows,
    wish.bottled && recipe.things.some((t) => t.item.sauceG !== undefined) ? [wish.bottled.stuff] : [],
  );
  const fitted = fitVessels(carried);
  const packed = mapStations(fitted, (s) =>
    packs(s) && stepOf.has(s.id) ? methodJar(s, stepOf.get(s.id)!, recipe.things, bowlG(fitted, s.id)) : s,
  );
  const idOf = (step: Step) => [...stepOf].find(([, s]) => s === step)?.[0] ?? '';
  const file = withLeavings(
    packed,
    leavings.map((l) => ({ ...l, from: idOf(l.thing.leaving!.by) })),
  );
  return { file: wish.stood ? stoodSince(file, wish.stood) : file, pods, steps: Object.fromEntries(ids) };
}

/** A jar that was packed before today: what led to it is done, and what it read is entered. */
function stoodSince(file: BatchFile, stood: Stood): BatchFile {
  const strand = file.strands.find((s) => s.stations.some(lives));
  const at = strand?.stations.findIndex(lives) ?? -1;
  if (!strand || at < 0) return { ...file, startDate: stood.since };
  const before = new Set(strand.stations.slice(0, at).map((e) => e.id));
  const done = mapStations(file, (s) => (before.has(s.id) ? { ...s, log: { ...s.log, doneOn: stood.since } } : s));
  const readings = stood.readings.map((r, n): BatchFile['readings'][number] => ({
    ...{
      id: `said-${n + 1}`,
      stationId: strand.stations[at]!.id,
      at: `${r.day}T12:00:00.000Z`,
      pH: r.pH,
      instrument: stood.instrument ?? 'strip',
    },
  }));
  return { ...done, startDate: stood.since, readings: [...file.readings, ...readings] };
}

/** What a strand is called: by what goes in first; "With …" where it is a part of what was divided. */
function nameOf(recipe: ReadRecipe, steps: readonly Step[], isEnd: boolean): string {
  const thing = steps.flatMap((s) => s.puts).map((p) => recipe.things[p.thing]!.item)[0];
  const said = thing?.said?.join(' ') ?? thing?.name.split(',')[0] ?? '';
  if (isEnd) return said ? `With ${said}`.slice(0, 40) : 'Plain';
  return (thing?.name ?? 'Apart').split(',')[0]!.slice(0, 40);
}

function entryOf(kind: Step['kind'], id: string, params: object, words: string): StationEntry {
  const note = words.trim().slice(0, 400);
  return {
    ...{ id, kind, intakes: [], params: { ...(stationKind(kind).defaults() as object), ...params } },
    log: note ? { note: `As written: ${note}` } : {},
  };
}

function intakeOf(at: StationEntry, t: RecipeThing, lot: HavePods | undefined, g: number, late: boolean): Intake {
  const words = t.item.text.slice(0, 80);
  const amount = { g: Math.round(g * 100) / 100, ...(words ? { words } : {}) };
  const when = late ? { late: true as const } : {};
  if (lot)
    return { id: freeId(at, lot.lot.id), origin: { from: 'pods', lotId: lot.lot.id, prep: t.item.prep ?? 'whole' }, amount, ...when };
  return { id: freeId(at, t.item.id!), origin: { from: 'larder', key: t.item.id! }, amount, ...when };
}

/** The same thing twice at a station is more of it. */
function addTo(at: StationEntry, intake: Intake): void {
  const had = at.intakes.find((i) => JSON.stringify([i.origin, i.late]) === JSON.stringify([intake.origin, intake.late]));
  if (had && typeof had.amount === 'object' && 'g' in had.amount && typeof intake.amount === 'object' && 'g' in intake.amount)
    had.amount = { g: had.amount.g + intake.amount.g };
  else at.intakes.push(intake);
}
