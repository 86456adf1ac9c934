import { describe, expect, it } from 'vitest';
import { newBatch, STYLES } from '@roskel/core';
import { checkBatchFile } from '../src/validate';

describe('a batch of every style', () => {
  it.each(STYLES.map((s) => s.id))('%s: is a file that anyone may read', (id) => {
    const file = newBatch('New', '2026-11-26', undefined, id);
    const checked = checkBatchFile(JSON.parse(JSON.stringify(file)));
    if (!checked.ok) expect(checked).toEqual({ ok: true });
    expect(checked.ok && checked.file.style).toBe(id);
  });
});
