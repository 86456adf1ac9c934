// Everything from a bare clone: install, Chromium, lint, types, unit, build, end-to-end. Ends with one plain line.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, statfsSync } from 'node:fs';
import { freemem, tmpdir } from 'node:os';
import { join } from 'node:path';
import { bin, ensureInstalled, ROOT } from './lib/setup.mjs';

// Packages and programs side by side: both mostly wait.
const debian = spawn(process.execPath, [join(ROOT, 'scripts', 'lib', 'debian.mjs')], { stdio: 'inherit' });
const programs = new Promise((done) => debian.once('exit', done));
ensureInstalled();
if ((await programs) !== 0) process.exit(1);

/** What tests write they write in memory, where there is room for it: kitchens by the dozen, gone in the end. */
const MEMORY = '/dev/shm';
const ROOM_B = 3e9;
if (existsSync(MEMORY) && !process.env.TMPDIR) {
  const { bavail, bsize } = statfsSync(MEMORY);
  if (bavail * bsize > ROOM_B && freemem() > 2 * ROOM_B) process.env.TMPDIR = MEMORY;
}

const reports = mkdtempSync(join(tmpdir(), 'roskel-test-'));
const totals = { passed: 0, failed: 0 };
/** What failed, told once more at the end: a log may be cut. */
const failures = [];

function failed(name) {
  totals.failed++;
  failures.push(name);
}

function step(name, command, args, report) {
  console.log(`\n== ${name}`);
  const start = Date.now();
  const env = { ...process.env, ...(report ? { ROSKEL_REPORT: report } : {}) };
  const done = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env });
  console.log(`== ${name}: ${done.status === 0 ? 'ok' : 'FAILED'}, ${Math.round((Date.now() - start) / 1000)} s`);
  return done.status === 0;
}

/** A check without tests of its own counts as one. */
function check(name, command, args) {
  if (step(name, command, args)) totals.passed++;
  else failed(name);
}

/** A suite is counted by its own report; one that ends without a report has failed. */
function suite(name, command, args, count) {
  const report = join(reports, `${name}.json`);
  const ok = step(name, command, args, report);
  if (!existsSync(report)) return failed(name);
  const told = count(JSON.parse(readFileSync(report, 'utf8')));
  totals.passed += told.passed;
  told.failed.forEach(failed);
  if (!ok && told.failed.length === 0) failed(`${name}, which ended badly`);
}

/** Checks that only read, two at a time; each is printed whole when it ends. */
async function checks(list) {
  const queue = [...list];
  const lane = async () => {
    for (let next = queue.shift(); next; next = queue.shift()) {
      const [name, command, args] = next;
      const start = Date.now();
      const { code, out } = await captured(command, args);
      console.log(
        `\n== ${name}\n${out.trimEnd()}${out.trim() ? '\n' : ''}== ${name}: ${code === 0 ? 'ok' : 'FAILED'}, ${Math.round((Date.now() - start) / 1000)} s`,
      );
      if (code === 0) totals.passed++;
      else failed(name);
    }
  };
  await Promise.all([lane(), lane()]);
}
function captured(command, args) {
  return new Promise((done) => {
    const child = spawn(command, args, { cwd: ROOT });
    let out = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (out += chunk));
    child.on('error', (error) => done({ code: 1, out: String(error) }));
    child.on('close', (code) => done({ code, out }));
  });
}

await checks([
  ['types of the interface', bin('vue-tsc'), ['--noEmit', '-p', 'web/tsconfig.json']],
  ['eslint', bin('eslint'), ['.']],
  ['prettier', bin('prettier'), ['--check', '--log-level', 'warn', '.']],
  ['types', bin('tsc'), ['--noEmit', '-p', 'tsconfig.json']],
  ['types of the browser tests', bin('tsc'), ['--noEmit', '-p', 'e2e/tsconfig.json']],
  ['benchmarks, once each', process.execPath, ['scripts/bench.mjs', '--short']],
  ['dependency rules', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', 'core/src', 'contract/src', 'server/src', 'web/src']],
]);
check('build of the server', process.execPath, ['scripts/build.mjs', 'server']);
check('build of the interface', process.execPath, ['scripts/build.mjs', 'web']);
suite('unit', bin('vitest'), ['run'], (r) => ({
  passed: r.numPassedTests,
  failed: r.testResults.flatMap((file) => {
    const tests = file.assertionResults.filter((t) => t.status === 'failed').map((t) => `${t.fullName} (${file.name})`);
    return tests.length > 0 || file.status !== 'failed' ? tests : [`${file.name}: ${file.message}`];
  }),
}));
const unexpected = (suite) => [
  ...(suite.specs ?? []).filter((s) => s.tests.some((t) => t.status === 'unexpected')).map((s) => `${s.title} (${s.file})`),
  ...(suite.suites ?? []).flatMap(unexpected),
];
suite('end-to-end', bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts'], (r) => ({
  passed: r.stats.expected + r.stats.flaky,
  failed: [...r.suites.flatMap(unexpected), ...(r.errors ?? []).map((e) => e.message)],
}));
rmSync(reports, { recursive: true, force: true });
for (const name of failures) console.log(`failed: ${name}`);
console.log(`\n${totals.passed} passed, ${totals.failed} failed`);
process.exit(totals.failed > 0 ? 1 : 0);
