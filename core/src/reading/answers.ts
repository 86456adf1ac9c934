import { valueOf, type Amount } from './amounts';
import { usualDose, usualJar } from './doses';
import type { Answer } from './item';
import type { Line, Part } from './line';
import { plainWords } from './plain';
import { saidOf, thingOf, weighed, type Thing } from './things';
import type { Kitchen } from './units';
import { TwoAmounts, type QuantityError } from './weigh';

/** Names as answers that keep the amount. */
export function answersOf(line: Line, p: Part, names: readonly string[], pieceSaid: string | null): Answer[] {
  return names.flatMap((name): Answer[] => {
    const words = plainWords(name);
    const plainSaid = saidOf(line, p, words, null);
    const said = { ...plainSaid, all: new Set([...plainSaid.all, ...words]) };
    const parts = /juiced/.test(name) ? ['juice'] : /zest/.test(name) ? ['zest'] : /whole/.test(name) ? ['whole'] : null;
    const known = parts ? line.lexicon.meaning(saidOf(line, p, [words[0]!], parts)) : line.lexicon.meaning(said);
    if (!known || !('id' in known)) return [];
    const thing = thingOf(known, line.own);
    if (p.ways.length === 0) {
      const g = usualDose({ key: thing.id });
      return g === null ? [] : [{ say: `${name}, ${g} g`, store: thing.store, id: thing.id, massG: g }];
    }
    try {
      const { massG } = weighed(p, thing, line.kitchen, pieceSaid);
      return [{ say: `${name}, ${told(massG)} g`, store: thing.store, id: thing.id, massG }];
    } catch {
      return [];
    }
  });
}
const told = (g: number) => (g < 2 ? Number(g.toPrecision(2)) : g < 20 ? Math.round(g * 10) / 10 : Math.round(g));

/** Answers where a thing is known and its amount is not. */
export function amountsOf(line: Line, p: Part, thing: Thing, error: QuantityError | null): Answer[] {
  const answer = (say: string, massG: number): Answer => ({ say: `${say}, ${told(massG)} g`, store: thing.store, id: thing.id, massG });
  if (error instanceof TwoAmounts) return error.grams.map((g) => ({ ...answer('', g), say: `${told(g)} g` }));
  const a = p.ways[0]?.[0];
  const as = (say: string, by: Partial<Amount>) => {
    try {
      return [answer(say, weighed({ ...p, ways: [[{ ...a!, vague: false, ...by }]] }, thing, line.kitchen, null).massG)];
    } catch {
      return [];
    }
  };
  if (!a) {
    const dose = usualDose({ key: thing.id });
    return dose === null ? [] : [answer('a usual amount', dose)];
  }
  if (a.unit?.kind === 'spoon')
    return (['tsp', 'tbsp'] as const).flatMap((id) => as(id === 'tsp' ? 'teaspoon' : 'tablespoon', { unit: { id, kind: 'volume' } }));
  if (a.vague) return [a.low, Math.round(Math.sqrt(a.low * a.high)), a.high].flatMap((n) => as(`${Math.round(n)}`, { low: n, high: n }));
  const jar = a.pack && !a.pack.each ? usualJar(thing.key) : null;
  return jar === null ? [] : [answer(`a ${a.pack!.word} as it is usual`, jar * valueOf(a))];
}

/** None where they cannot be weighed. */
export const safely = (make: () => Answer[]): Answer[] => {
  try {
    return make();
  } catch {
    return [];
  }
};
/** The thing that is meant, perhaps. */
export const sameAs = (say: string, p: Part, thing: Thing, kitchen: Kitchen, pieceSaid: string | null): Answer[] => {
  const { massG } = weighed(p, thing, kitchen, pieceSaid);
  return [{ say: `${say}, ${told(massG)} g`, store: thing.store, id: thing.id, massG }];
};
