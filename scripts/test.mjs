// Everything from a bare clone: install, Chromium, lint, types, unit, build, end-to-end. Ends with one plain line.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bin, ensureChromium, ensureInstalled, ROOT } from './lib/setup.mjs';

ensureInstalled();
ensureChromium();

const reports = mkdtempSync(join(tmpdir(), 'roskel-test-'));
const totals = { passed: 0, failed: 0 };

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
  else totals.failed++;
}

/** A suite is counted by its own report; one that ends without a report has failed. */
function suite(name, command, args, count) {
  const report = join(reports, `${name}.json`);
  const ok = step(name, command, args, report);
  if (!existsSync(report)) {
    totals.failed++;
    return;
  }
  const { passed, failed } = count(JSON.parse(readFileSync(report, 'utf8')));
  totals.passed += passed;
  totals.failed += failed + (ok || failed > 0 ? 0 : 1);
}

check('eslint', bin('eslint'), ['.']);
check('prettier', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
check('dependency rules', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', 'core/src', 'contract/src', 'server/src', 'web/src']);
check('types', bin('tsc'), ['--noEmit', '-p', 'tsconfig.json']);
check('types of the browser tests', bin('tsc'), ['--noEmit', '-p', 'e2e/tsconfig.json']);
check('types of the interface', bin('vue-tsc'), ['--noEmit', '-p', 'web/tsconfig.json']);
suite('unit', bin('vitest'), ['run'], (r) => ({
  passed: r.numPassedTests,
  failed: r.numFailedTests + r.numFailedTestSuites * (r.numFailedTests ? 0 : 1),
}));
check('build', bin('vite'), ['build', 'web', '--logLevel', 'warn']);
suite('end-to-end', bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts'], (r) => ({
  passed: r.stats.expected + r.stats.flaky,
  failed: r.stats.unexpected + (r.errors?.length ?? 0),
}));
rmSync(reports, { recursive: true, force: true });
console.log(`\n${totals.passed} passed, ${totals.failed} failed`);
process.exit(totals.failed > 0 ? 1 : 0);
