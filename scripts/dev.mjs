// While one writes: the server, built and begun anew on every change, and the page at its own address, which changes in place.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { bin, ensureBuilt, ensureInstalled, program, ROOT } from './lib/setup.mjs';

ensureInstalled();
ensureBuilt(['server']);
const quiet = { VITE_CONFIG_NATIVE_IGNORE_WARNING: 'true' };
const demo = ['--demo', '--stand-ins', '--data', join(ROOT, '.roskel', 'dev'), '--port', '4180'];
const started = [
  [bin('vite'), ['build', 'server', '--watch', '--logLevel', 'warn']],
  [process.execPath, ['--watch', '--watch-preserve-output', program('main'), ...demo, ...process.argv.slice(2)]],
  [bin('vite'), ['web', '--host', '127.0.0.1', '--port', '5180']],
].map(([command, args]) => spawn(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...quiet } }));
const end = () => started.forEach((child) => child.kill());
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, end);
// One that ends takes the others with it: half of them is no place to work in.
for (const child of started) child.on('exit', end);
