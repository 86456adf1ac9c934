/** What can be found of a recipe in something that was pasted. */
export interface FoundRecipe {
  name: string;
  ingredients: string[];
  /** What is done, sentence by sentence or step by step. */
  steps: string[];
}

/** Deeper than this nobody nests a recipe. */
const MOST_DEEP = 12;
const isObject = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null && !Array.isArray(x);
const isRecipe = (x: Record<string, unknown>): boolean =>
  [x['@type']].flat().some((t) => typeof t === 'string' && /(^|[/#:])Recipe$/.test(t));

/** The first schema.org Recipe in JSON-LD, wherever it is nested; null when there is none. */
function find(x: unknown, deep = 0): Record<string, unknown> | null {
  if (deep > MOST_DEEP) return null;
  if (Array.isArray(x)) {
    for (const y of x) {
      const found = find(y, deep + 1);
      if (found) return found;
    }
    return null;
  }
  if (!isObject(x)) return null;
  if (isRecipe(x)) return x;
  for (const y of Object.values(x)) {
    const found = typeof y === 'object' ? find(y, deep + 1) : null;
    if (found) return found;
  }
  return null;
}

const ENTITIES: Record<string, string> = {
  amp: '&',
  lt: '<',
  gt: '>',
  quot: '"',
  apos: "'",
  nbsp: ' ',
  frac12: '½',
  frac14: '¼',
  frac34: '¾',
};
const plain = (text: string): string =>
  text
    .replace(/<[^<>]*>/g, ' ')
    .replace(/&(#x?[0-9a-f]+|[a-z0-9]+);/gi, (all, name: string) => {
      if (!name.startsWith('#')) return ENTITIES[name.toLowerCase()] ?? all;
      const code = /^#x/i.test(name) ? Number.parseInt(name.slice(2), 16) : Number(name.slice(1));
      return code > 0 && code <= 0x10ffff ? String.fromCodePoint(code) : all;
    })
    .replace(/\s+/g, ' ')
    .trim();

/** Where a pattern without repetition stands next, or -1. */
function next(pattern: RegExp, text: string, from: number): number {
  pattern.lastIndex = from;
  return pattern.exec(text)?.index ?? -1;
}
/** What stands in the scripts of a page that say they are JSON-LD: each letter is passed once. */
function* jsonLdOf(page: string): Generator<string> {
  for (let at = next(/<script/gi, page, 0); at >= 0;) {
    const open = page.indexOf('>', at);
    const close = open < 0 ? -1 : next(/<\/script/gi, page, open);
    if (close < 0) return;
    if (/application\/ld\+json/i.test(page.slice(at, open))) yield page.slice(open + 1, close);
    at = next(/<script/gi, page, close);
  }
}

/** Every piece of JSON-LD in a page; the text itself when it is JSON. */
function* jsonIn(text: string): Generator<unknown> {
  const pieces = [...jsonLdOf(text)];
  for (const piece of pieces.length > 0 ? pieces : /^\s*[[{]/.test(text) ? [text] : []) {
    try {
      yield JSON.parse(piece);
    } catch {
      // Not JSON after all: it is read as lines.
    }
  }
}

/** Instructions as strings, steps, sections of steps or one text, in their order; at most so deep. */
function stepsOf(x: unknown, depth = 0): string[] {
  if (depth > 4) return [];
  if (typeof x === 'string') return x.split(/<\/(?:p|li|div)>|<br\s*\/?>|\n/i).map(plain);
  if (Array.isArray(x)) return x.slice(0, 200).flatMap((y) => stepsOf(y, depth + 1));
  if (!x || typeof x !== 'object') return [];
  const o = x as Record<string, unknown>;
  if (o['itemListElement'] !== undefined) return stepsOf(o['itemListElement'], depth + 1);
  return typeof o['text'] === 'string' ? [plain(o['text'])] : typeof o['name'] === 'string' ? [plain(o['name'])] : [];
}

/** A recipe as the text that one would paste: its things, and what is done under a heading. */
export const asText = ({ name, ingredients, steps }: FoundRecipe): string =>
  [...(name ? [name] : []), ...ingredients, ...(steps.length > 0 ? ['Method:', ...steps] : [])].join('\n');

/** A schema.org Recipe in what was pasted: JSON-LD, or a page that holds some. Null where there is none, or no ingredients. */
export function recipeIn(text: string): FoundRecipe | null {
  for (const json of jsonIn(text)) {
    const recipe = find(json);
    if (!recipe) continue;
    const list = [recipe['recipeIngredient'] ?? recipe['ingredients']].flat().flatMap((x) => (typeof x === 'string' ? [plain(x)] : []));
    const ingredients = list.filter((x) => x !== '');
    const steps = stepsOf(recipe['recipeInstructions'] ?? recipe['instructions']).filter((x) => x !== '');
    if (ingredients.length > 0)
      return { name: typeof recipe['name'] === 'string' ? plain(recipe['name']).slice(0, 60) : '', ingredients, steps };
  }
  return null;
}
