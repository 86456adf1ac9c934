import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { ingredient, type BatchFile1, type Ingredient } from '@roskel/core';

const GOLDEN = fileURLToPath(new URL('../../core/tests/fixtures/v1/golden.json', import.meta.url));

/** A batch as a program of version 1 wrote it. */
export function batch1(name = 'plain'): BatchFile1 {
  const all = JSON.parse(readFileSync(GOLDEN, 'utf8')) as { name: string; rows: string[]; file: BatchFile1 }[];
  const { file, rows } = all.find((x) => x.name === name)!;
  const own = file.ingredients as Ingredient[];
  return { ...file, ingredients: rows.map((key) => own.find((i) => i.key === key) ?? ingredient(key)) };
}
