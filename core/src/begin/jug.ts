import { carry, extrasOf, freeId, intakesOf, larderStationId, withExtras } from '../line';
import { gramsOf, mapStations, type BatchFile, type Goal, type Intake, type StationEntry } from '../file';
import type { Ingredient } from '../matter/ingredient';
import { kindKey, kindOf, SALT_KEY, usualFor, WATER_KEY } from '../matter/kind';
import { stationKind } from '../stations';
import { placesIn } from '../styles';
import type { HaveThing } from './have';

type Row = Pick<Ingredient, 'key' | 'like'>;

/** What goes into the jug of a plan, by keys of `rows`. */
export interface Jug {
  vinegar: string;
  filler: string;
  /** What the maker named beside the vinegar, and how much of it; a filler among them fills up where a jug does that. */
  named: { id: string; massG: number }[];
  rows: readonly Ingredient[];
}

const VEGETABLE_SHARE = 0.7;
/** A filler of which there is less than this is a flavouring, g (our judgement). */
const LEAST_FILLER_G = 100;
/** Salt of what fills up, so that a sauce stays as salty as sauces are, share of the mass (our judgement). */
const FILL_SALT = 0.018;
/** Usual dose of what was named without an amount, where its row says none, g for 1 kg of sauce (common practice, no source). */
const USUAL_G = 40;
/** Most of a named vegetable in a sauce that is not filled up with it, g for 1 kg (our judgement). */
const FILLER_G = 200;

const isVinegar = (row: Row) => kindOf(row).family === 'vinegar';
export const isSalt = (row: Row) => kindOf(row).family === 'salt';

/** The jug of what was named; `larder` is used where a vinegar or a filler is needed and none was named. */
export function jugOf(things: readonly HaveThing[], larder: readonly HaveThing[], rows: readonly Ingredient[], goal: Goal): Jug {
  const kg = (goal.bottles * goal.bottleMl) / 1000;
  const rowOf = (id: string): Row => rows.find((r) => r.key === id) ?? { key: id };
  /** The first of the usual ones that stands in the larder; else the first. */
  const usual = (purpose: 'vinegar' | 'fill') => {
    const keys = usualFor(purpose);
    return keys.map((k) => larder.find((t) => kindKey(rowOf(t.id)) === k)?.id).find((id) => id !== undefined) ?? keys[0]!;
  };
  const vinegar = things.find((t) => isVinegar(rowOf(t.id)))?.id ?? usual('vinegar');
  const fills = (t: HaveThing) => kindOf(rowOf(t.id)).usual?.fill !== undefined && (t.massG === null || t.massG > LEAST_FILLER_G);
  const filler = things.find(fills)?.id ?? usual('fill');
  const gramsFor = (t: HaveThing) =>
    t.id === filler ? Math.min(t.massG ?? Infinity, FILLER_G * kg) : (t.massG ?? (kindOf(rowOf(t.id)).dosePerKg ?? USUAL_G) * kg);
  const named = things
    .filter((t) => ![vinegar, WATER_KEY].includes(t.id) && !isSalt(rowOf(t.id)))
    .map((t) => ({ id: t.id, massG: Math.round(gramsFor(t)) }))
    .filter((t) => t.massG > 0);
  return { vinegar, filler, named, rows };
}

/** The batch with so many grams beside what was named: vinegar by its share (0 to 1), the rest vegetable and water, salted. */
export function filledWith(file: BatchFile, jug: Jug, g: number, sour: number): BatchFile {
  const rest = g * (1 - sour);
  const items = [
    { id: jug.vinegar, massG: Math.round(g * sour) },
    { id: jug.filler, massG: Math.round(rest * VEGETABLE_SHARE) },
    { id: WATER_KEY, massG: Math.round(rest * (1 - VEGETABLE_SHARE)) },
    { id: SALT_KEY, massG: Math.round(g * FILL_SALT * 10) / 10 },
    ...jug.named.filter((x) => x.id !== jug.filler),
  ];
  return withExtras(
    file,
    items.filter((x) => x.massG > 0),
    jug.rows,
  );
}

/** The batch with everything from the larder, and what was kept, `times` as much, and what stations add themselves; its pods stay. */
export function withRest(file: BatchFile, times: number): BatchFile {
  return mapStations(file, (s) => {
    const { resize } = stationKind(s.kind);
    const intakes = s.intakes.map((i): Intake => {
      const g = i.origin.from === 'larder' || i.origin.from === 'stored' ? gramsOf(i.amount) : null;
      return g === null ? i : { ...i, amount: { g: Math.round(g * times * 10) / 10 } };
    });
    return { ...s, intakes, params: resize ? resize(s.params, times) : s.params };
  });
}

/** So much of a thing as an intake of a station. */
export const takenIn = (s: StationEntry, f: { id: string; massG: number; words?: string; late?: true }): Intake => ({
  id: freeId(s, f.id),
  origin: { from: 'larder', key: f.id },
  amount: { g: f.massG, ...(f.words === undefined ? {} : { words: f.words }) },
  ...(f.late ? { late: true } : {}),
});

/** A style as the maker has it: their vinegar in the place of its own, and what they named and it does not have. */
export function withOwnThings(bare: BatchFile, jug: Jug, named: readonly HaveThing[]): BatchFile {
  const rowOf = (id: string): Row => jug.rows.find((r) => r.key === id) ?? { key: id };
  const all = intakesOf(bare).flatMap(({ intake: { origin } }) => (origin.from === 'larder' ? [origin.key] : []));
  const goesIn = placesIn(bare, larderStationId(bare));
  const vinegar = named.some((t) => isVinegar(rowOf(t.id))) ? jug.vinegar : null;
  const swapped = mapStations(bare, (s) => ({
    ...s,
    intakes: s.intakes.map((i) =>
      vinegar && i.origin.from === 'larder' && isVinegar(i.origin)
        ? { ...i, id: vinegar, origin: { from: 'larder' as const, key: vinegar } }
        : i,
    ),
  }));
  const more = jug.named.filter((f) => !all.includes(f.id) && !all.includes(kindKey(rowOf(f.id))));
  const placed = more.map((f) => ({ ...f, ...goesIn(jug.rows.find((r) => r.key === f.id) ?? { key: f.id }) }));
  const full = mapStations(swapped, (s) => {
    const here = placed.filter((f) => f.stationId === s.id);
    return here.length === 0 ? s : { ...s, intakes: [...s.intakes, ...here.map((f) => takenIn(s, f))] };
  });
  return carry(full, [], jug.rows);
}

/** The jug when pods fill the bottles: the usual, with the maker's vinegar and what they named. */
export function withOwnJug(bare: BatchFile, jug: Jug): BatchFile {
  const usual = extrasOf(bare)
    .map((x) => ({ id: isVinegar({ key: x.id }) ? jug.vinegar : x.id, massG: x.massG }))
    .filter((x) => !jug.named.some((f) => f.id === x.id));
  return withExtras(bare, [...usual, ...jug.named], jug.rows);
}
