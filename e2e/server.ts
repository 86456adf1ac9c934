import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { BRIEFLY, program } from '../scripts/lib/setup.mjs';
import { demoImage } from './kitchens';

const ROOT = fileURLToPath(new URL('..', import.meta.url));

/** A real server on demo data in a folder of its own, which a test may stop and start again. */
export class DemoServer {
  private child: ChildProcess | null = null;
  address = '';

  constructor(
    private readonly port: number,
    private readonly demo = true,
    /** A data folder that is there already, and is taken away in the end. */
    readonly folder = mkdtempSync(join(tmpdir(), 'roskel-e2e-')),
    /** Another store than the embedded one. */
    private readonly databaseUrl = '',
    private readonly words: readonly string[] = [],
  ) {}

  async start(): Promise<string> {
    mkdirSync(this.folder, { recursive: true });
    const args = [
      ...BRIEFLY,
      program('main'),
      ...(this.demo ? ['--demo', '--stand-ins'] : []),
      '--data',
      this.folder,
      '--port',
      // `ROSKEL_PORTS=1000`: a second run beside another one.
      String(this.port + Number(process.env.ROSKEL_PORTS ?? 0)),
      ...this.words,
    ];
    // The demo as it ships, made once for all tests.
    const image = demoImage();
    if (image && this.demo && this.databaseUrl === '' && readdirSync(this.folder).length === 0)
      cpSync(image, this.folder, { recursive: true });
    const env = { ...process.env, DATABASE_URL: this.databaseUrl };
    this.child = spawn(process.execPath, args, { cwd: ROOT, env, stdio: ['ignore', 'pipe', 'inherit'] });
    this.address = await new Promise<string>((done, fail) => {
      this.child!.stdout!.on('data', (chunk: Buffer) => {
        const found = /http:\/\/localhost:\d+/.exec(chunk.toString());
        if (found) done(found[0]);
      });
      this.child!.once('exit', (code) => fail(new Error(`the server ended with ${code}`)));
    });
    return this.address;
  }

  /** It stands still, its connections open, until it goes on. */
  freeze(): () => void {
    const child = this.child!;
    child.kill('SIGSTOP');
    return () => child.kill('SIGCONT');
  }

  /** Ends it; SIGKILL leaves it no time for anything. */
  async stop(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
    const child = this.child;
    this.child = null;
    if (!child || child.exitCode !== null) return;
    await new Promise((done) => {
      child.once('exit', done);
      child.kill(signal);
    });
  }

  async end(): Promise<void> {
    await this.stop();
    rmSync(this.folder, { recursive: true, force: true });
  }
}
