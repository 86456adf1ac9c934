import { asText, readLine, readText, recipeIn, type ReadItem, type ReadRecipe } from '../src';
import type { Meant, MeantRecipe } from './readingCorpus';

/** How a line or a recipe was read, against what is meant. */
export type Verdict = 'right' | 'asked' | 'wrong';

/** Grams agree within rounding of the hand that worked them out: 3 %, or 0.05 g. */
const near = (a: number, b: number): boolean => Math.abs(a - b) <= Math.max(0.05, 0.03 * b);

const isMeant = (want: string, item: ReadItem | undefined): boolean => {
  if (!item) return false;
  if (want === '?') return item.ask !== null;
  const [id, g, state] = want.split(' ');
  const how = !state || item.prep === state || item.states?.some((s) => s === state) === true;
  return item.ask === null && item.id === id && near(item.massG!, Number(g)) && how;
};

export function lineVerdict([kitchen, line, meant]: Meant): Verdict {
  const items = readLine(line, kitchen);
  const want = meant.split(' + ');
  if (items.length === want.length && want.every((w, n) => isMeant(w, items[n]))) return 'right';
  return items.some((i) => i.ask) ? 'asked' : 'wrong';
}

export function readOf({ text, kitchen }: Pick<MeantRecipe, 'text' | 'kitchen'>): ReadRecipe | null {
  const found = recipeIn(text);
  return readText(found ? asText(found) : text, { kitchen, own: [] }).recipe;
}

interface Station {
  kind: string;
  time: string;
  puts: [string, number][];
}
/** A strand as it is written in a corpus: "char 8: onion 165 > blend: … -> simmer". */
function parsed(row: string): Station[] {
  return row
    .split(' -> ')[0]!
    .split(' > ')
    .map((s) => {
      const [head, things = ''] = s.split(': ');
      const [kind, ...time] = head!.split(' ');
      const puts = things.split(', ').flatMap((x): [string, number][] => {
        const m = /^(\S+) ([\d.]+)%?$/.exec(x);
        return m ? [[m[1]!, Number(m[2])]] : [];
      });
      return { kind: kind!, time: time.join(' '), puts };
    });
}

/** The strands of a recipe as they are written in a corpus, the main one last; things that are still asked are left out. */
export function written(r: ReadRecipe): string[] {
  const rows = r.strands.map((steps, k) => {
    const row = steps
      .filter((s) => s.kind !== 'prep')
      .map((s) => {
        const things = s.puts.flatMap((p) => {
          const { item, g, leaving } = r.things[p.thing]!;
          if (leaving)
            return [`${item.name.split(' ')[0]!.toLowerCase()} ${g === null ? `${100 * (leaving.share ?? 1)}%` : Math.round(10 * g) / 10}`];
          return g === null || item.ask || item.usual ? [] : [`${item.id} ${Math.round(100 * g * p.share) / 100}`];
        });
        const m = s.minutes;
        const time =
          m === null
            ? ''
            : s.kind === 'ferment'
              ? ` ${Math.round(m / 1440)}`
              : s.kind === 'rest' || s.kind === 'steep'
                ? ` ${m / 60}h`
                : ` ${m}`;
        const hot = s.kind === 'bottle' && /\b(?:hot|boiling)\b/i.test(s.text) ? ' hot' : '';
        return `${s.kind}${time}${hot}${things.length > 0 ? `: ${things.join(', ')}` : ''}`;
      })
      .join(' > ');
    const into = r.strands.flat().filter((s) => s.joins.includes(k) || s.part?.strand === k);
    const to = r.ends.includes(k) ? '' : ` -> ${into.map((s) => s.kind).join('+') || 'nowhere'}`;
    return { row: row + to, main: r.ends.includes(k) };
  });
  return rows
    .filter((x) => x.row !== '')
    .sort((a, b) => Number(a.main) - Number(b.main))
    .map((x) => x.row);
}

const order = (rows: readonly string[]) =>
  rows
    .map((row) =>
      parsed(row)
        .map((s) => s.kind)
        .join('>'),
    )
    .join('|');
const times = (rows: readonly string[]) =>
  rows
    .map((row) =>
      parsed(row)
        .map((s) => s.time)
        .join('>'),
    )
    .join('|');
function places(rows: readonly string[]): Map<string, number> {
  const found = new Map<string, number>();
  for (const s of rows.flatMap(parsed)) for (const [id, g] of s.puts) found.set(`${s.kind} ${id}`, (found.get(`${s.kind} ${id}`) ?? 0) + g);
  return found;
}

/** Whether a recipe was read with its stations in their order, its times, everything in its place, and nothing lost. */
export function recipeVerdict(recipe: MeantRecipe): { order: boolean; times: boolean; places: boolean; lost: string[]; got: string[] } {
  const r = readOf(recipe);
  if (!r) return { order: false, times: false, places: false, lost: ['all of it'], got: [] };
  const got = written(r);
  const [want, have] = [places(recipe.line), places(got)];
  return {
    order: order(got) === order(recipe.line),
    times: times(got) === times(recipe.line),
    places: want.size === have.size && [...want].every(([k, g]) => have.has(k) && near(have.get(k)!, g)),
    lost: r.things.flatMap((t) => (t.left > 1e-6 ? [t.item.text] : [])),
    got,
  };
}
