import { mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { sql } from 'drizzle-orm';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { rounds } from '../../core/tests/helpers';
import { dice, type Dice } from '../../core/tests/random';
import { openDb, type Db } from '../src/db/open';
import { ownRows, settings } from '../src/db/schema';

// The very module object that the engine's file layer was given.
const fs = createRequire(import.meta.url)('node:fs') as typeof import('node:fs');
const { syncBuiltinESMExports } = createRequire(import.meta.url)('node:module') as typeof import('node:module');
const BLOCK = 4096;

let folder = '';
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'roskel-power-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/**
 * A disk that keeps for certain only what it was asked to keep: names at once, the content of a file as of its last sync.
 * Of what was written since, each block is there or not, as luck has it (none of it at `share` 0).
 */
function forgetfulDisk(of: string) {
  const synced = new Map<string, Buffer>();
  const files = () =>
    (readdirSync(of, { recursive: true, encoding: 'utf8' }) as string[])
      .map((name) => join(of, name))
      .filter((p) => fs.statSync(p).isFile());
  const real = { fsyncSync: fs.fsyncSync, renameSync: fs.renameSync, writeSync: fs.writeSync };
  let writes = 0;
  let cuts: { at: number; then: () => void }[] = [];
  Object.assign(fs, {
    fsyncSync: (fd: number) => {
      real.fsyncSync(fd);
      const path = fs.readlinkSync(`/proc/self/fd/${fd}`);
      if (path.startsWith(of) && fs.statSync(path).isFile()) synced.set(path, fs.readFileSync(path));
    },
    renameSync: (from: string, to: string) => {
      real.renameSync(from, to);
      const content = synced.get(String(from));
      synced.delete(String(from));
      if (content) synced.set(String(to), content);
      else synced.delete(String(to));
    },
    writeSync: (...args: Parameters<typeof real.writeSync>) => {
      writes++;
      for (const cut of cuts.filter((c) => c.at === writes)) cut.then();
      return real.writeSync(...args);
    },
  });
  syncBuiltinESMExports();
  return {
    writes: () => writes,
    cutAt: (at: number, then: () => void) => (cuts = [...cuts, { at, then }]),
    /** What is left when the power goes now. */
    leave(to: string, d: Dice, share: number) {
      for (const path of files()) {
        const now = fs.readFileSync(path);
        const then = synced.get(path) ?? Buffer.alloc(0);
        const left = Buffer.alloc(share > 0 ? Math.max(now.length, then.length) : then.length);
        then.copy(left);
        for (let at = 0; share > 0 && at < now.length; at += BLOCK) if (d.chance(share)) now.copy(left, at, at, at + BLOCK);
        const place = join(to, path.slice(of.length));
        mkdirSync(dirname(place), { recursive: true });
        fs.writeFileSync(place, left);
      }
      for (const name of readdirSync(of, { recursive: true, withFileTypes: true, encoding: 'utf8' }))
        if (name.isDirectory()) mkdirSync(join(to, name.parentPath.slice(of.length), name.name), { recursive: true });
    },
    end() {
      Object.assign(fs, real);
      syncBuiltinESMExports();
    },
  };
}

const cook = (id: string) => ({ id, kind: 'makers', value: { id, name: `Cook ${id}` } }) as const;
const count = async (db: Db) =>
  ((await db.select().from(settings)).find((s) => s.id === 'count')?.value as { n: number } | undefined)?.n ?? 0;

it('when the power goes, all that was acknowledged is there, whatever the disk forgot of what it was not asked to keep', async () => {
  const d = dice(5);
  const data = join(folder, 'k');
  const disk = forgetfulDisk(data);
  const CUTS = rounds(30, 0.1);
  const cuts: { at: string; acknowledged: string[]; begun: number; counted: number }[] = [];
  const acknowledged: string[] = [];
  let [begun, counted] = [0, 0];
  try {
    const { db, close } = await openDb(data);
    const step = async () => {
      const id = `cook-${begun++}`;
      await db.transaction(async (tx) => {
        await tx.insert(ownRows).values(cook(id));
        const value = { n: begun, filler: 'x'.repeat(d.whole(0, 4000)) };
        await tx.insert(settings).values({ id: 'count', value }).onConflictDoUpdate({ target: settings.id, set: { value } });
      });
      acknowledged.push(id);
      counted = begun;
      // Tables go to their files, and the log begins to be used again.
      if (begun % 7 === 0) await db.execute(sql`checkpoint`);
    };
    for (let i = 0; i < 7; i++) await step();
    for (let i = 0; i < CUTS; i++) {
      disk.cutAt(disk.writes() + d.whole(1, 60), () => {
        const at = join(folder, `cut-${i}`);
        disk.leave(at, d, [0, 0.5, 0.9][i % 3]!);
        cuts.push({ at, acknowledged: [...acknowledged], begun, counted });
      });
      while (cuts.length <= i) await step();
    }
    await close();
  } finally {
    disk.end();
  }
  for (const cut of cuts) {
    const { db, close } = await openDb(cut.at);
    const there = (await db.select({ id: ownRows.id }).from(ownRows)).map((r) => r.id);
    expect(there).toEqual(expect.arrayContaining(cut.acknowledged));
    expect(there.length).toBeLessThanOrEqual(cut.begun);
    // One change is whole: its row and its count.
    expect(await count(db)).toBe(there.length);
    await close();
  }
});

it('a copy that was not synced is not what counts: without the syncs of the log the same cut loses acknowledged work', async () => {
  const data = join(folder, 'k');
  const disk = forgetfulDisk(data);
  try {
    const { db, close } = await openDb(data);
    await db.insert(ownRows).values(cook('kept'));
    await db.execute(sql`set synchronous_commit = off`);
    await db.insert(ownRows).values(cook('lost'));
    disk.leave(join(folder, 'cut'), dice(1), 0);
    await close();
  } finally {
    disk.end();
  }
  const { db, close } = await openDb(join(folder, 'cut'));
  expect((await db.select({ id: ownRows.id }).from(ownRows)).map((r) => r.id)).toEqual(['kept']);
  await close();
});
