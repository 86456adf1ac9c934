// Runs before anything is installed: Node.js itself only.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
const NPM = process.platform === 'win32' ? 'npm.cmd' : 'npm';
const LEAST_NODE = [20, 19];

function fail(message) {
  console.error(message);
  process.exit(1);
}

function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < LEAST_NODE[0] || (major === LEAST_NODE[0] && minor < LEAST_NODE[1])) {
    fail(`Roskel needs Node.js ${LEAST_NODE.join('.')} or newer; this is ${process.versions.node}.`);
  }
}

/** Installs the packages of package-lock.json when they are missing or out of date. `quiet` sends all talk to stderr. */
export function ensureInstalled({ quiet = false } = {}) {
  checkNode();
  // Tests start commands of the house: none of them takes the packages away under the others.
  if (process.env.ROSKEL_INSTALLED) return;
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  const stamp = join(ROOT, 'node_modules', '.roskel-installed');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  if (!quiet) console.log('Installing what is missing (npm ci).');
  const done = spawnSync(NPM, ['ci', '--no-audit', '--no-fund'], { cwd: ROOT, stdio: ['ignore', quiet ? 2 : 'inherit', 'inherit'] });
  if (done.status !== 0) fail('npm ci did not finish. Its messages above say why; run the command again when that is mended.');
  writeFileSync(stamp, lock);
}

function* filesIn(path) {
  if (!statSync(path).isDirectory()) yield path;
  else for (const name of readdirSync(path).sort()) if (name !== 'dist' && name !== 'node_modules') yield* filesIn(join(path, name));
}
/** By what stands in them: a copied or unpacked folder says nothing true of when. */
function printOf(paths) {
  const hash = createHash('sha256');
  for (const path of paths) for (const file of filesIn(join(ROOT, path))) hash.update(file.slice(ROOT.length)).update(readFileSync(file));
  return hash.digest('hex');
}

/** What is built, and from what. */
const PARTS = {
  server: { what: 'the server', from: ['server/src', 'server/vite.config.ts', 'scripts/line.ts', 'core/src', 'contract/src'] },
  web: { what: 'the interface', from: ['web', 'core/src', 'contract/src'] },
};
const fromOf = (part) => [...PARTS[part].from, 'package-lock.json'];
const stampOf = (part) => join(ROOT, part, 'dist', '.built-from');

/** Builds a part, and notes of what. */
export function build(part) {
  if (!PARTS[part]) fail(`There is nothing to build that is called ${part}. Say ${Object.keys(PARTS).join(' or ')}.`);
  const from = printOf(fromOf(part));
  // Its configuration reads sources of ours, which name no file endings.
  run(bin('vite'), ['build', part, '--logLevel', 'warn'], { VITE_CONFIG_NATIVE_IGNORE_WARNING: 'true' });
  writeFileSync(stampOf(part), from);
}
/** Builds what is missing or was built of other sources. */
export function ensureBuilt(parts = Object.keys(PARTS)) {
  for (const part of parts) {
    const stamp = stampOf(part);
    if (existsSync(stamp) && readFileSync(stamp, 'utf8') === printOf(fromOf(part))) continue;
    console.error(`Building ${PARTS[part].what}.`);
    build(part);
  }
}

export const bin = (name) => join(ROOT, 'node_modules', '.bin', name);

/** Runs a program with our terminal; ends this one with its code when it fails. */
export function run(command, args, env = {}) {
  const done = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
  if (done.status !== 0) process.exit(done.status ?? 1);
}

/** Debian's headless Chromium first: it draws the same pages for a third of the work of the windowed one. */
const BROWSERS = ['chromium-headless-shell', 'chromium', 'chromium-browser'];
const onDisk = () => BROWSERS.map((name) => `/usr/bin/${name}`).find((p) => existsSync(p));

/** Path of the Chromium that the browser tests use, installed by apt-get when there is none. Ends with a plain sentence when that may not be. */
export function ensureChromium() {
  const found = onDisk();
  if (found) return found;
  console.log('Installing Chromium from Debian (apt-get).');
  const asRoot = process.getuid?.() === 0;
  const apt = (...args) => spawnSync('apt-get', args, { stdio: 'inherit', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } });
  if (!asRoot || apt('update', '-qq').error) {
    fail(`The browser tests need Chromium and this user may not install it. Run as root once: apt-get install ${BROWSERS[0]}`);
  }
  for (const name of BROWSERS.slice(0, 2)) {
    apt('install', '-y', '-qq', '--no-install-recommends', name);
    const now = onDisk();
    if (now) return now;
  }
  fail('Chromium could not be installed by apt-get. Its messages above say why. Then run npm test again.');
}

/** The programs of the server, as built. */
export const program = (name) => join(ROOT, 'server', 'dist', `${name}.js`);

/** A server of a test lives for seconds: its engine is compiled once and quickly, not a second time for the long run. */
export const BRIEFLY = ['--liftoff-only'];

/** Starts the server and hands over the terminal; the server ends with us. */
export async function serve(args) {
  mkdirSync(join(ROOT, '.roskel'), { recursive: true });
  const { spawn } = await import('node:child_process');
  const child = spawn(process.execPath, [program('main'), ...args], { cwd: ROOT, stdio: 'inherit' });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => process.exit(code ?? 0));
}
