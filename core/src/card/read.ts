/** What can be found of a recipe in something that was pasted. */
export interface FoundRecipe {
  name: string;
  ingredients: string[];
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
    .replace(/<[^>]*>/g, ' ')
    .replace(/&(#x?[0-9a-f]+|[a-z0-9]+);/gi, (all, name: string) => {
      if (!name.startsWith('#')) return ENTITIES[name.toLowerCase()] ?? all;
      const code = /^#x/i.test(name) ? Number.parseInt(name.slice(2), 16) : Number(name.slice(1));
      return code > 0 && code <= 0x10ffff ? String.fromCodePoint(code) : all;
    })
    .replace(/\s+/g, ' ')
    .trim();

/** Every piece of JSON-LD in a page; the text itself when it is JSON. */
function* jsonIn(text: string): Generator<unknown> {
  const pieces = [...text.matchAll(/<script[^>]*application\/ld\+json[^>]*>([\s\S]*?)<\/script>/gi)].map((m) => m[1]!);
  for (const piece of pieces.length > 0 ? pieces : /^\s*[[{]/.test(text) ? [text] : []) {
    try {
      yield JSON.parse(piece);
    } catch {
      // Not JSON after all: it is read as lines.
    }
  }
}

/** A schema.org Recipe in what was pasted: JSON-LD, or a page that holds some. Null where there is none, or no ingredients. */
export function recipeIn(text: string): FoundRecipe | null {
  for (const json of jsonIn(text)) {
    const recipe = find(json);
    if (!recipe) continue;
    const list = [recipe['recipeIngredient'] ?? recipe['ingredients']].flat().flatMap((x) => (typeof x === 'string' ? [plain(x)] : []));
    const ingredients = list.filter((x) => x !== '');
    if (ingredients.length > 0) return { name: typeof recipe['name'] === 'string' ? plain(recipe['name']).slice(0, 60) : '', ingredients };
  }
  return null;
}
