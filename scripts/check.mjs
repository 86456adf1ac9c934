// What one runs before a commit: types, lint, form, and the tests of what changed since the last one.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { bin, ensureInstalled, ROOT } from './lib/setup.mjs';

ensureInstalled();
const git = (...args) => spawnSync('git', args, { cwd: ROOT, encoding: 'utf8' }).stdout.split('\n').filter(Boolean);
const changed = [...new Set([...git('diff', '--name-only', 'HEAD'), ...git('ls-files', '--others', '--exclude-standard')])].filter((f) =>
  existsSync(join(ROOT, f)),
);
const code = changed.filter((f) => /\.(ts|mjs|vue)$/.test(f));

/** Tests that are called like what changed, or like the room it lies in; those that changed themselves. */
const testsOf = (file) => {
  const [workspace] = file.split('/');
  const folder = join(ROOT, workspace, 'tests');
  if (!existsSync(folder)) return [];
  const names = new Set([basename(file).replace(/\.(test\.)?(ts|vue)$/, ''), basename(dirname(file))]);
  return readdirSync(folder)
    .filter((t) => t.endsWith('.test.ts') && names.has(t.replace('.test.ts', '')))
    .map((t) => join(workspace, 'tests', t));
};
const tests = [...new Set(code.flatMap(testsOf))];
const cache = (name) => ['--incremental', '--tsBuildInfoFile', join('node_modules', '.cache', `${name}.tsbuildinfo`)];
const jobs = [
  ['types of the interface', 'vue-tsc', ['--noEmit', '-p', 'web/tsconfig.json', ...cache('web')]],
  ['types', 'tsc', ['--noEmit', '-p', 'tsconfig.json', ...cache('all')]],
  ...(code.some((f) => f.startsWith('e2e/'))
    ? [['types of the browser tests', 'tsc', ['--noEmit', '-p', 'e2e/tsconfig.json', ...cache('e2e')]]]
    : []),
  ...(code.length > 0 ? [['lint', 'eslint', code]] : []),
  ...(changed.length > 0 ? [['form', 'prettier', ['--check', '--ignore-unknown', '--log-level', 'warn', ...changed]]] : []),
  ['dependency rules', 'depcruise', ['--config', '.dependency-cruiser.cjs', 'core/src', 'contract/src', 'server/src', 'web/src']],
  ...(tests.length > 0 ? [[`tests: ${tests.map((t) => basename(t, '.test.ts')).join(', ')}`, 'vitest', ['run', ...tests]]] : []),
];
let failed = 0;
const lane = async () => {
  for (let job = jobs.shift(); job; job = jobs.shift()) {
    const [name, command, args] = job;
    const began = Date.now();
    const { status, out } = await new Promise((done) => {
      const child = spawn(bin(command), args, { cwd: ROOT });
      let text = '';
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (text += chunk));
      child.on('close', (s) => done({ status: s, out: text }));
    });
    if (status !== 0) failed++;
    console.log(`${status === 0 ? 'ok' : 'FAILED'}  ${name}, ${Math.round((Date.now() - began) / 1000)} s`);
    if (status !== 0) console.log(out.trimEnd());
  }
};
await Promise.all([lane(), lane()]);
process.exit(failed > 0 ? 1 : 0);
