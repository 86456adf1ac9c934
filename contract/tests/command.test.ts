import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, describe, expect, it } from 'vitest';
import { newBatch, reportLine, withParams, type BatchFile, type LineReport } from '@roskel/core';
import { ensureBuilt, program } from '../../scripts/lib/setup.mjs';
import { checkBatchFile } from '../src/validate';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));
ensureBuilt(['server']);
const folder = mkdtempSync(join(tmpdir(), 'roskel-line-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

function line(...args: string[]) {
  const done = spawnSync(process.execPath, [program('line'), ...args], { cwd: ROOT, encoding: 'utf8' });
  return { code: done.status, out: done.stdout, err: done.stderr };
}
function file(name: string, content: unknown): string {
  const path = join(folder, name);
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content));
  return path;
}

describe('npm run line', () => {
  it('prints every station with its figures, bottles and cautions', () => {
    const { code, out } = line('examples/slipway-red.json', '--today', '2026-10-12');
    expect(code).toBe(0);
    for (const name of ['Prep', 'Salt & pack', 'Ferment', 'Drain', 'Blend', 'Strain', 'Bottle'])
      expect(out).toMatch(new RegExp(`^${name}`, 'm'));
    expect(out).toMatch(/^Strain +2026-10-26 +1001\.9 .*pulp 141\.9 +860\.0 +1558 \(\d+\.\.\d+\)/m);
    expect(out).toMatch(/Sauce: 8 of 8 bottles/);
    expect(out).toMatch(/CAUTION \(bottle\): Measure the pH/);
    expect(out).toMatch(/Predicted values are not measurements/);
  });
  it('--json is the very report of core', () => {
    const { out } = line('examples/slipway-red.json', '--json', '--today', '2026-10-12', '--members', '60');
    const report = JSON.parse(out) as LineReport;
    const checked = checkBatchFile(exampleFile());
    if (!checked.ok) throw new Error('example');
    expect(report).toEqual(JSON.parse(JSON.stringify(reportLine(checked.file, { today: '2026-10-12', members: 60 }))));
  });
  it.each([
    ['no file', ['nowhere.json'], /nowhere.json cannot be read/],
    ['no argument', [], /FILE\.json/],
    ['no JSON', [file('a.json', 'pods')], /is not JSON/],
    ['another format', [file('b.json', { format: 'x' })], /not a Roskel batch file/],
    ['a jar of 0 ml', [file('c.json', withParams(newBatch('C', '2026-10-01'), 'salt', { jarMl: 0 }))], /jar size/],
  ])('%s: a sentence and code 2', (_name, args, sentence) => {
    const { code, err } = line(...args);
    expect(code).toBe(2);
    expect(err).toMatch(sentence);
  });
});

function exampleFile(): BatchFile {
  return JSON.parse(readFileSync(join(ROOT, 'examples/slipway-red.json'), 'utf8')) as BatchFile;
}
