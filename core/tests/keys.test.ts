import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';
import Ajv from 'ajv';
import {
  COMPONENTS,
  FAMILIES,
  FOODS,
  INGREDIENTS,
  IngredientSchema,
  ingredient,
  KIND_COLUMNS,
  KindSchema,
  KINDS,
  ALLERGENS,
  SOFTENS,
  podRow,
  POD_TYPES,
  PURPOSES,
  taggedOf,
  usualFor,
  varietySaid,
  VARIETIES,
} from '../src';
import table from '../src/data/ingredients.json' with { type: 'json' };

/** Where keys of ingredients may stand: recipes of styles, guide, demo, tables of words. */
const RECIPES =
  /^core\/src\/(data\/|guide\/|styles\/(?!place|standIns|index|style\.|build)|reading\/(meanings|plain)\.ts)|^server\/src\/seed\/|\/tests\/|^(e2e|examples|bench|scripts)\//;
/** Words that are a key and mean something else as well: then they are no key, but where a key is asked for. */
const OTHER_WORDS = new Set<string>([
  ...COMPONENTS,
  ...FAMILIES,
  ...FOODS,
  ...Object.keys(ALLERGENS),
  ...Object.keys(SOFTENS),
  ...VARIETIES.map((v) => v.capsaicinoidClass),
]);
const ASKS_KEY = /^(ingredient|isIngredient|row|rowOf|ingredientStream)$/;
const FIELD_OF_KEY = /^(key|like|ingredientKey)$/;

const keys = new Set(INGREDIENTS.map((i) => i.key));
const parts = [...keys].map((k) => k.split('_')[0]!);

/** Keys of ingredients that a source names as a text, or that one of its patterns looks for. */
function keysIn(file: string, source: string): string[] {
  const found: string[] = [];
  const text = /\.vue$/.test(file) ? [...source.matchAll(/<script[^>]*>([\s\S]*?)<\/script>/g)].map((m) => m[1]).join('\n') : source;
  const visit = (node: ts.Node): void => {
    if (ts.isStringLiteralLike(node) && keys.has(node.text)) {
      const { parent } = node;
      const asked =
        (ts.isCallExpression(parent) && ASKS_KEY.test(parent.expression.getText().split('.').at(-1)!)) ||
        (ts.isPropertyAssignment(parent) && FIELD_OF_KEY.test(parent.name.getText()));
      if (asked || !OTHER_WORDS.has(node.text)) found.push(node.text);
    }
    if (ts.isRegularExpressionLiteral(node))
      found.push(...(node.text.match(/[a-z]+_[a-z_]*/g) ?? []).filter((w) => parts.some((p) => w.startsWith(`${p}_`))));
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true));
  return found;
}

describe('what an ingredient is', () => {
  const ajv = new Ajv({ strict: false, allErrors: true });
  it('stands in its row, in columns that the schemas know', () => {
    const [made, what] = [ajv.compile(IngredientSchema), ajv.compile(KindSchema)];
    for (const row of INGREDIENTS) expect(made(row), `${row.key} ${ajv.errorsText(made.errors)}`).toBe(true);
    for (const [key, kind] of KINDS) expect(what(kind), `${key} ${ajv.errorsText(what.errors)}`).toBe(true);
    const heads = new Set(Object.keys(table.columns));
    for (const row of table.rows)
      for (const column of Object.keys(row)) expect(heads.has(column), `${row.key}: "${column}" is told nowhere`).toBe(true);
    for (const column of KIND_COLUMNS) expect(heads).toContain(column);
  });
  it('names only what is there', () => {
    const varieties = new Set(VARIETIES.map((v) => v.id));
    for (const [key, kind] of KINDS) {
      for (const s of kind.standIns ?? []) expect(() => ingredient(s.key), key).not.toThrow();
      if (kind.variety) expect(varieties, key).toContain(kind.variety);
      expect(taggedOf(ingredient(key).allergens).other, key).toEqual([]);
    }
    for (const p of PURPOSES) expect(usualFor(p).length, p).toBeGreaterThan(0);
    for (const t of POD_TYPES) expect(keys, t).toContain(podRow(t));
  });
  it('is called by no name twice', () => {
    const names = [...KINDS.values()].flatMap((k) => [...k.said, ...(k.nearly ?? [])]);
    const pods = VARIETIES.flatMap((v) => varietySaid(v.id));
    const all = [...names, ...pods];
    expect(all.filter((n, i) => all.indexOf(n) !== i)).toEqual([]);
  });
});

describe('no code file outside the data names an ingredient', () => {
  it('sees what it must see', () => {
    expect(keysIn('a.ts', "const a = 'vinegar_cider'; const b = ['rum'];")).toEqual(['vinegar_cider', 'rum']);
    expect(keysIn('a.ts', "ingredient('water'); const o = { key: 'garlic' }; const f: Food = 'garlic';")).toEqual(['water', 'garlic']);
    expect(keysIn('a.ts', 'const r = /^(vinegar_|lime_juice)/;')).toEqual(['vinegar_', 'lime_juice']);
    expect(keysIn('a.vue', "<template>'mango_ripe'</template><script setup>const k = 'mango_ripe';</script>")).toEqual(['mango_ripe']);
  });
  it('in any workspace', () => {
    const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard', '*.ts', '*.vue', '*.mjs'], {
      cwd: new URL('../..', import.meta.url),
      encoding: 'utf8',
    })
      .trim()
      .split('\n');
    expect(files.length).toBeGreaterThan(300);
    const named = files
      .filter((f) => !RECIPES.test(f))
      .flatMap((f) => {
        const found = keysIn(f, readFileSync(new URL(`../../${f}`, import.meta.url), 'utf8'));
        return found.length > 0 ? [`${f}: ${found.join(' ')}`] : [];
      });
    expect(named).toEqual([]);
  });
});
