import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { newBatch, reportLine, STYLES } from '@roskel/core';
import { checkBatchFile } from '../src/validate';

describe('a batch of every style', () => {
  it.each(STYLES.map((s) => s.id))('%s: is a file that anyone may read', (id) => {
    const file = newBatch('New', '2026-11-26', undefined, id);
    const checked = checkBatchFile(JSON.parse(JSON.stringify(file)));
    if (!checked.ok) expect(checked).toEqual({ ok: true });
    expect(checked.ok && checked.file.style).toBe(id);
  });
});

const EXAMPLES = new URL('../../examples/', import.meta.url);
const names = readdirSync(EXAMPLES).filter((n) => n.endsWith('.json'));
const examples = names.map((name) => {
  const checked = checkBatchFile(JSON.parse(readFileSync(new URL(name, EXAMPLES), 'utf8')));
  if (!checked.ok) throw new Error(`${name}: ${JSON.stringify(checked)}`);
  return [name, checked.file] as const;
});

describe('the examples', () => {
  it('there is one of every style', () => {
    expect([...new Set(examples.map(([, f]) => f.style))].sort()).toEqual(expect.arrayContaining(STYLES.map((s) => s.id)));
  });
  it.each(examples)('%s fills its bottles and more often than not meets its heat', (_, file) => {
    for (const end of reportLine(file, { today: '2026-11-26', members: 60 }).ends) {
      expect(end.bottles.possible).toBeGreaterThanOrEqual(end.bottles.filled);
      expect(end.bottles.filled).toBeGreaterThan(0);
      expect(end.odds).toBeGreaterThan(0.5);
    }
  });
});
