import { heatWords, heatWord, type HeatWord } from '../heat';
import { SWEET_FILLER } from '../matter/variety';
import { lotOfVariety, preparedPerGram } from '../pantry';
import { addDays, FULL_DAY_MIN, type Day } from '../plan';
import { ModelBuilder } from '../solve';
import type { StyleKit } from './kit';
import { seasonParts } from './parts';
import type { Harvest, SeasonPart, Pin, SeasonAsk, ShortOf } from './season';

/**
 * What things are worth against each other (our judgement): a bottle of a wish that is missing, one of those used up in a month,
 * a g that spoils,
 * is frozen or is cooked (what nobody asked for is better frozen), a day of work, a batch, a g of sweet pods bought, a batch that is
 * not where it was before.
 */
export const COST = {
  short: 100,
  shortMonth: 20,
  spoiledG: 0.02,
  frozenG: 0.001,
  cookedG: 0.0015,
  workday: 6,
  batch: 3,
  boughtG: 0.002,
  moved: 2,
} as const;
/** Least and most g of pods on the board for a batch (our judgement: less is not worth a pot, more is no home batch). */
const BATCH_G = { least: 100, most: 4000 } as const;
/** A heat is aimed at this far inside its band, as a factor: what is worked out scatters (our judgement). */
const INSIDE = 1.25;

/** A batch that could be made, with its variables. */
export interface Candidate extends Pin {
  id: string;
  kit: StyleKit;
  end: Day;
  ready: Day;
  until: Day;
  x: number;
  /** g of each harvest, and of sweet pods. */
  pods: { harvest: Harvest; frozen: boolean; perG: { massG: number; heatShuG: number }; g: number }[];
  bought: number;
  jars: { ml: number; n: number }[];
  to: { part: SeasonPart; n: number }[];
}

export interface SeasonModel {
  bottleMl: number;
  model: ModelBuilder;
  parts: readonly { part: SeasonPart; short: number; why: ShortOf }[];
  candidates: readonly Candidate[];
  fromShelf: readonly { shelfId: string; part: SeasonPart; n: number }[];
  harvests: readonly { harvest: Harvest; spoils: number | null; frozen: number | null }[];
  workdays: readonly { day: Day; d: number }[];
}

export const pinId = ({ style, heat, start }: Pin): string => `${style} ${heat ?? 'any'} ${start}`;
/** The first day of work on or after a day; undefined when none is left. */
const workOn = (days: readonly Day[], day: Day): Day | undefined => days.find((d) => d >= day);
const goodUntil = (h: Harvest): Day => addDays(h.from.typical, h.goodDays);
/** Pods that are good for less than this are fresh: they are frozen, or they spoil. */
const FRESH_DAYS = 60;
const isFresh = (h: Harvest): boolean => h.goodDays < FRESH_DAYS;
/** g on the board of 1 g of sweet pods that are bought. */
export const SWEET_PER_G = preparedPerGram(lotOfVariety(SWEET_FILLER, { id: 'sweet' }), 'whole').massG;

/** The word's band for a kind of sauce, drawn in; of any heat is what is mild at least. */
function bandOf(kit: StyleKit, heat: HeatWord | null): { low: number; high: number } {
  const words = heatWords(kit.eaten);
  const { lowShu, highShu } = words.find((w) => w.name === heat) ?? words[0]!;
  return { low: lowShu * INSIDE, high: heat === null ? Infinity : highShu / INSIDE };
}

/** With no more batches than this to look at, every day is looked at. */
const EVERY_DAY = 200;
/**
 * Days on which a kind may begin: all of them where that is not many, else where pods come, the day of work after that, where a
 * wish asks for it at the latest, and what is held fast.
 */
function startsOf(ask: SeasonAsk, kit: StyleKit, parts: readonly SeasonPart[]): readonly Day[] {
  const { days, harvests, kits } = ask;
  if (days.length * kits.length * new Set(parts.map((p) => p.heat)).size <= EVERY_DAY) return days;
  const found = new Set<Day>();
  const add = (day: Day | undefined) => day !== undefined && found.add(day);
  add(days[0]);
  for (const h of harvests) {
    const first = workOn(days, h.from.typical);
    add(first);
    if (first) add(workOn(days, addDays(first, 1)));
  }
  for (const { by } of parts)
    add(days.filter((d) => addDays(workOn(days, addDays(d, kit.stands)) ?? '9999-01-01', kit.rests) <= by).at(-1));
  for (const p of [...ask.pins, ...ask.before]) if (p.style === kit.style && days.includes(p.start)) add(p.start);
  return [...found].sort();
}

/** A season as a mixed-integer program: which batches of which pods on which days, so that wishes are met and little spoils. */
export function seasonModel(ask: SeasonAsk): SeasonModel {
  const { days, jars, bottleMl, freezerG } = ask;
  const m = new ModelBuilder();
  const parts = seasonParts(ask).map((part) => ({
    part,
    short: m.column(part.wishId === null ? COST.shortMonth : COST.short, 0, part.bottles),
  }));
  /** Parts for which something could be ready in time, whatever its heat. */
  const inTime = new Set<string>();
  const heats = [...new Set<HeatWord | null>([null, ...parts.map(({ part }) => part.heat)])];
  const pinned = new Set(ask.pins.map(pinId));
  const before = new Set(ask.before.map(pinId));
  const workdays = new Map<Day, number>();
  const minutes = new Map<Day, [number, number][]>();
  const work = (day: Day, x: number, min: number) => {
    if (!workdays.has(day)) workdays.set(day, m.column(COST.workday, 0, 1, true));
    m.row(
      [
        [workdays.get(day)!, 1],
        [x, -1],
      ],
      0,
      Infinity,
    );
    minutes.set(day, [...(minutes.get(day) ?? []), [x, min]]);
  };

  const candidates: Candidate[] = [];
  for (const kit of ask.kits)
    for (const start of startsOf(
      ask,
      kit,
      parts.map((p) => p.part),
    )) {
      const end = workOn(days, addDays(start, kit.stands));
      if (!end) continue;
      const ready = addDays(end, kit.rests);
      const until = addDays(ready, kit.keepsDays);
      const there = ask.harvests.flatMap((harvest) => {
        if (start < harvest.from.typical || (kit.dried && harvest.lot.form !== 'dried')) return [];
        const late = start > goodUntil(harvest);
        if (late && (!isFresh(harvest) || freezerG <= 0)) return [];
        return [{ harvest, frozen: late, perG: preparedPerGram(harvest.lot, 'whole') }];
      });
      if (there.length === 0) continue;
      for (const heat of heats) {
        const id = pinId({ style: kit.style, heat, start });
        const band = bandOf(kit, heat);
        const serves = parts.filter(({ part }) => (part.heat === null || part.heat === heat) && ready <= part.by && part.by <= until);
        // Of any heat it may be made for nobody: bottles stand on the shelf then, and no pods spoil.
        if (serves.length === 0 && heat !== null && !pinned.has(id)) continue;
        // Nothing that is there comes near: no pods are hot enough.
        const hottest = Math.max(...there.map((t) => (t.perG.heatShuG / t.perG.massG) * (kit.heatKept / kit.massPerPod)));
        for (const { part } of serves) inTime.add(part.id);
        if (hottest < band.low) continue;
        const x = m.column(COST.batch - (before.has(id) ? COST.moved : 0), pinned.has(id) ? 1 : 0, 1, true);
        const pods = there.map((t) => ({ ...t, g: m.column(COST.cookedG, 0, Infinity) }));
        const bought = m.column(COST.boughtG, 0, kit.dried ? 0 : Infinity);
        const to = serves.map(({ part }) => ({ part, n: m.column(0, 0, part.bottles) }));
        const own = jars.map((j) => ({ ml: j.ml, n: m.column(0, 0, kit.jarMlPerPod > 0 ? j.count : 0, true) }));
        const board: [number, number][] = [...pods.map((p): [number, number] => [p.g, p.perG.massG]), [bought, SWEET_PER_G]];
        const times = (k: number) => board.map(([v, c]): [number, number] => [v, c * k]);
        // As large as a batch is, and there at all where it is made.
        m.row([...board, [x, -BATCH_G.most]], -Infinity, 0);
        m.row([...board, [x, -BATCH_G.least]], 0, Infinity);
        // Bottles are of what it makes.
        m.row([...times(kit.mlPerPod), ...to.map((t): [number, number] => [t.n, -bottleMl])], 0, Infinity);
        for (const { part, n } of to)
          m.row(
            [
              [n, 1],
              [x, -part.bottles],
            ],
            -Infinity,
            0,
          );
        const heatOf = (shu: number): [number, number][] => [
          ...pods.map((p): [number, number] => [p.g, p.perG.heatShuG * kit.heatKept - shu * kit.massPerPod * p.perG.massG]),
          [bought, -shu * kit.massPerPod * SWEET_PER_G],
        ];
        m.row(heatOf(band.low), 0, Infinity);
        if (Number.isFinite(band.high)) m.row(heatOf(band.high), -Infinity, 0);
        if (kit.jarMlPerPod > 0) m.row([...times(-kit.jarMlPerPod), ...own.map((j): [number, number] => [j.n, j.ml])], 0, Infinity);
        work(start, x, kit.minutes.begin);
        if (kit.stands > 0) work(end, x, kit.minutes.end);
        candidates.push({ id, style: kit.style, heat, start, kit, end, ready, until, x, pods, bought, jars: own, to });
      }
    }

  // Pods are used once: fresh, out of the freezer, or they spoil.
  const harvests = ask.harvests.map((harvest) => {
    const uses = candidates.flatMap((c) => c.pods.filter((p) => p.harvest.id === harvest.id));
    const g = harvest.g.typical;
    if (!isFresh(harvest)) {
      m.row(
        uses.map((u): [number, number] => [u.g, 1]),
        -Infinity,
        g,
      );
      return { harvest, spoils: null, frozen: null };
    }
    const spoils = m.column(COST.spoiledG, 0, g);
    const frozen = m.column(COST.frozenG, 0, freezerG > 0 ? g : 0);
    m.row([...uses.filter((u) => !u.frozen).map((u): [number, number] => [u.g, 1]), [frozen, 1], [spoils, 1]], g, g);
    m.row([...uses.filter((u) => u.frozen).map((u): [number, number] => [u.g, 1]), [frozen, -1]], -Infinity, 0);
    return { harvest, spoils, frozen };
  });
  const freezes = harvests.flatMap((h): [number, number][] => (h.frozen === null ? [] : [[h.frozen, 1]]));
  if (freezes.length > 0) m.row(freezes, -Infinity, freezerG);

  // A jar holds one thing at a time. It changes only where something begins or others are packed.
  const moments = new Set([...candidates.map((c) => c.start), ...ask.taken.map((t) => t.from)]);
  for (const day of moments)
    for (const [k, { ml, count }] of jars.entries()) {
      const taken = ask.taken.filter((t) => t.ml === ml && t.from <= day && day < t.to).reduce((s, t) => s + t.count, 0);
      const inIt = candidates.filter((c) => c.kit.jarMlPerPod > 0 && c.start <= day && day < c.end);
      if (inIt.length > 0)
        m.row(
          inIt.map((c): [number, number] => [c.jars[k]!.n, 1]),
          -Infinity,
          Math.max(0, count - taken),
        );
    }
  for (const pairs of minutes.values()) m.row(pairs, -Infinity, Math.max(FULL_DAY_MIN, ...pairs.map(([, min]) => min)));

  // What stands there already.
  const fromShelf = ask.shelf.flatMap((s) => {
    const word = heatWord(s.shu, s.eaten);
    const to = parts
      .filter(({ part }) => (part.heat === null || part.heat === word) && s.from <= part.by && part.by <= s.until)
      .map(({ part }) => ({ shelfId: s.id, part, n: m.column(0, 0, Math.min(part.bottles, s.bottles), true) }));
    if (to.length > 0)
      m.row(
        to.map((t): [number, number] => [t.n, 1]),
        -Infinity,
        s.bottles,
      );
    return to;
  });

  // Each part gets its bottles, or is short.
  for (const { part, short } of parts) {
    const got = [...candidates.flatMap((c) => c.to), ...fromShelf].filter((t) => t.part.id === part.id);
    m.row([[short, 1], ...got.map((t): [number, number] => [t.n, 1])], part.bottles, part.bottles);
  }
  kinds(
    m,
    parts.map((p) => p.part),
    candidates,
    fromShelf,
  );
  const could = new Set([...candidates.flatMap((c) => c.to), ...fromShelf].map((t) => t.part.id));
  const why = (id: string): ShortOf => (could.has(id) ? 'shared' : inTime.has(id) ? 'mild' : 'late');
  return {
    model: m,
    bottleMl,
    parts: parts.map((p) => ({ ...p, why: why(p.part.id) })),
    candidates,
    fromShelf,
    harvests,
    workdays: [...workdays].map(([day, d]) => ({ day, d })),
  };
}

/** Sauces of one wish differ: each part is of one kind (style and heat, or one bottling), and no two parts of the same. */
function kinds(m: ModelBuilder, parts: readonly SeasonPart[], candidates: readonly Candidate[], fromShelf: SeasonModel['fromShelf']): void {
  for (const wishId of new Set(parts.flatMap((p) => p.wishId ?? []))) {
    const own = parts.filter((p) => p.wishId === wishId);
    if (own.length < 2) continue;
    const sauces = new Map<string, { part: SeasonPart; n: number }[]>();
    const add = (key: string, t: { part: SeasonPart; n: number }) =>
      own.includes(t.part) && sauces.set(key, [...(sauces.get(key) ?? []), t]);
    for (const c of candidates) for (const t of c.to) add(`${c.style} ${c.heat ?? 'any'}`, t);
    for (const t of fromShelf) add(t.shelfId, t);
    const of = new Map<string, [number, number][]>(own.map((p) => [p.id, []]));
    for (const all of sauces.values()) {
      const chosen = own.flatMap((part): [number, number][] => {
        const ns = all.filter((t) => t.part === part);
        if (ns.length === 0) return [];
        const u = m.column(0, 0, 1, true);
        m.row([...ns.map((t): [number, number] => [t.n, 1]), [u, -part.bottles]], -Infinity, 0);
        of.get(part.id)!.push([u, 1]);
        return [[u, 1]];
      });
      if (chosen.length > 1) m.row(chosen, -Infinity, 1);
    }
    for (const us of of.values()) if (us.length > 1) m.row(us, -Infinity, 1);
  }
}
