import { carry, extrasOf, freeId, intakesOf, larderStationId, withExtras } from '../line';
import { gramsOf, mapStations, type BatchFile, type Goal, type Intake, type StationEntry } from '../file';
import { kindKey, type Ingredient } from '../matter/ingredient';
import { stationKind } from '../stations';
import { placesIn } from '../styles';
import type { HaveThing } from './have';

/** What goes into the jug of a plan, by keys of `rows`. */
export interface Jug {
  vinegar: string;
  filler: string;
  /** What the maker named, and how much of it. */
  fixed: { id: string; massG: number }[];
  rows: readonly Ingredient[];
}

/** Kinds of vinegar, the usual first (our judgement). */
const VINEGARS = ['vinegar_cider', 'vinegar_distilled_5', 'vinegar_red_wine', 'vinegar_rice'];
/** What fills a jug beside vinegar: vegetables first, water for the rest (common practice, no source). */
const FILLERS = ['carrot', 'tomato', 'bell_red', 'onion', 'mango_ripe', 'pineapple', 'peach', 'apple'];
const VEGETABLE_SHARE = 0.7;
/** A filler of which there is less than this is a flavouring, g (our judgement). */
const LEAST_FILLER_G = 100;
export const WATER = 'water';
export const SALT = 'salt_fine';
/** Salt of what fills up, so that a sauce stays as salty as sauces are, share of the mass (our judgement). */
const FILL_SALT = 0.018;
/** Usual dose of what was named without an amount, g for 1 kg of sauce (common practice, no source). */
const USUAL_G_PER_KG: Record<string, number> = {
  garlic: 15,
  onion: 80,
  ginger: 10,
  honey: 30,
  sugar_white: 25,
  lime_juice: 25,
  lemon_juice: 25,
};
const USUAL_G = 40;

const isVinegar = (kind: string) => kind.startsWith('vinegar');
export const isSalt = (kind: string) => kind.startsWith('salt');

/** The jug of what was named; `larder` is used where a vinegar or a filler is needed and none was named. */
export function jugOf(things: readonly HaveThing[], larder: readonly HaveThing[], rows: readonly Ingredient[], goal: Goal): Jug {
  const kg = (goal.bottles * goal.bottleMl) / 1000;
  const kind = (id: string) => kindKey(rows.find((r) => r.key === id) ?? { key: id });
  const there = (kinds: readonly string[]) => kinds.map((k) => larder.find((t) => kind(t.id) === k)?.id).find((id) => id !== undefined);
  const vinegar = things.find((t) => isVinegar(kind(t.id)))?.id ?? there(VINEGARS) ?? VINEGARS[0]!;
  const fills = (t: HaveThing) => FILLERS.includes(kind(t.id)) && (t.massG === null || t.massG > LEAST_FILLER_G);
  const filler = things.find(fills)?.id ?? there(FILLERS) ?? FILLERS[0]!;
  const fixed = things
    .filter((t) => ![vinegar, filler, WATER].includes(t.id) && !isSalt(kind(t.id)))
    .map((t) => ({ id: t.id, massG: Math.round(t.massG ?? (USUAL_G_PER_KG[kind(t.id)] ?? USUAL_G) * kg) }))
    .filter((t) => t.massG > 0);
  return { vinegar, filler, fixed, rows };
}

/** The batch with so many grams beside what was named: vinegar by its share (0 to 1), the rest vegetable and water, salted. */
export function filledWith(file: BatchFile, jug: Jug, g: number, sour: number): BatchFile {
  const rest = g * (1 - sour);
  const items = [
    { id: jug.vinegar, massG: Math.round(g * sour) },
    { id: jug.filler, massG: Math.round(rest * VEGETABLE_SHARE) },
    { id: WATER, massG: Math.round(rest * (1 - VEGETABLE_SHARE)) },
    { id: SALT, massG: Math.round(g * FILL_SALT * 10) / 10 },
    ...jug.fixed,
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
  const kind = (id: string) => kindKey(jug.rows.find((r) => r.key === id) ?? { key: id });
  const all = intakesOf(bare).flatMap(({ intake: { origin } }) => (origin.from === 'larder' ? [origin.key] : []));
  const goesIn = placesIn(bare, larderStationId(bare));
  const vinegar = named.some((t) => isVinegar(kind(t.id))) ? jug.vinegar : null;
  const swapped = mapStations(bare, (s) => ({
    ...s,
    intakes: s.intakes.map((i) =>
      vinegar && i.origin.from === 'larder' && isVinegar(i.origin.key)
        ? { ...i, id: vinegar, origin: { from: 'larder' as const, key: vinegar } }
        : i,
    ),
  }));
  const more = jug.fixed.filter((f) => !all.includes(f.id) && !all.includes(kind(f.id)));
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
    .map((x) => ({ id: isVinegar(x.id) ? jug.vinegar : x.id, massG: x.massG }))
    .filter((x) => !jug.fixed.some((f) => f.id === x.id));
  return withExtras(bare, [...usual, ...jug.fixed], jug.rows);
}
