// Everything from a bare clone: install, Chromium, lint, types, unit, build, end-to-end. Ends with one plain line.
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { setPriority, tmpdir } from 'node:os';
import { join } from 'node:path';
import { bin, ensureInstalled, ROOT } from './lib/setup.mjs';

// Packages and programs side by side: both mostly wait.
const debian = spawn(process.execPath, [join(ROOT, 'scripts', 'lib', 'debian.mjs')], { stdio: 'inherit' });
const programs = new Promise((done) => debian.once('exit', done));
ensureInstalled();
if ((await programs) !== 0) process.exit(1);

const reports = mkdtempSync(join(tmpdir(), 'roskel-test-'));
const totals = { passed: 0, failed: 0 };

const took = (start) => `${Math.round((Date.now() - start) / 1000)} s`;
function ended(child) {
  return new Promise((done) => {
    child.on('error', () => done(1));
    child.on('close', done);
  });
}

async function step(name, command, args, report) {
  console.log(`\n== ${name}`);
  const start = Date.now();
  const env = { ...process.env, ...(report ? { ROSKEL_REPORT: report } : {}) };
  const ok = (await ended(spawn(command, args, { cwd: ROOT, stdio: 'inherit', env }))) === 0;
  console.log(`== ${name}: ${ok ? 'ok' : 'FAILED'}, ${took(start)}`);
  return ok;
}

/** A check without tests of its own counts as one. */
async function check(name, command, args) {
  if (await step(name, command, args)) totals.passed++;
  else totals.failed++;
}

/** A suite is counted by its own report; one that ends without a report has failed. */
async function suite(name, command, args, count) {
  const report = join(reports, `${name}.json`);
  const ok = await step(name, command, args, report);
  if (!existsSync(report)) {
    totals.failed++;
    return;
  }
  const { passed, failed } = count(JSON.parse(readFileSync(report, 'utf8')));
  totals.passed += passed;
  totals.failed += failed + (ok || failed > 0 ? 0 : 1);
}

/** Lowest of all: only what the suites leave of the processors. */
const LEAST_URGENT = 19;
/** Checks that only read, one after the other beside the suites, which wait now and then. Gives what to say of them in the end. */
async function checks(list) {
  const said = [];
  for (const [name, command, args] of list) {
    const start = Date.now();
    const child = spawn(command, args, { cwd: ROOT });
    if (child.pid) setPriority(child.pid, LEAST_URGENT);
    let out = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (out += chunk));
    const ok = (await ended(child)) === 0;
    said.push(`\n== ${name}\n${out.trim() ? `${out.trimEnd()}\n` : ''}== ${name}: ${ok ? 'ok' : 'FAILED'}, ${took(start)}`);
    if (ok) totals.passed++;
    else totals.failed++;
  }
  return said;
}

await check('build of the server', bin('vite'), ['build', 'server', '--logLevel', 'warn']);
await check('build of the interface', bin('vite'), ['build', 'web', '--logLevel', 'warn']);
const beside = checks([
  ['types of the interface', bin('vue-tsc'), ['--noEmit', '-p', 'web/tsconfig.json']],
  ['eslint', bin('eslint'), ['.']],
  ['prettier', bin('prettier'), ['--check', '--log-level', 'warn', '.']],
  ['types', bin('tsc'), ['--noEmit', '-p', 'tsconfig.json']],
  ['types of the browser tests', bin('tsc'), ['--noEmit', '-p', 'e2e/tsconfig.json']],
  ['dependency rules', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', 'core/src', 'contract/src', 'server/src', 'web/src']],
]);
await suite('unit', bin('vitest'), ['run'], (r) => ({
  passed: r.numPassedTests,
  failed: r.numFailedTests + r.numFailedTestSuites * (r.numFailedTests ? 0 : 1),
}));
await suite('end-to-end', bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts'], (r) => ({
  passed: r.stats.expected + r.stats.flaky,
  failed: r.stats.unexpected + (r.errors?.length ?? 0),
}));
for (const words of await beside) console.log(words);
rmSync(reports, { recursive: true, force: true });
console.log(`\n${totals.passed} passed, ${totals.failed} failed`);
process.exit(totals.failed > 0 ? 1 : 0);
