import { readFileSync } from 'node:fs';
import pg from 'pg';
import type { TestProject } from 'vitest/node';
import { startPostgres } from '../../scripts/lib/postgres.mjs';
import { writeKitchen } from '../src/backup/kitchen';
import { openServer } from '../src/db/server';
import { patiently } from '../src/db/store';
import { seedDemo } from '../src/seed/demo';
import { DEMO_BACKUP, DEMO_DAY } from './image';

/** The same two kitchens as databases of a server that is begun for the tests: copied for each of them. */
export default async function setup(project: TestProject) {
  const server = await startPostgres();
  if (!server) throw new Error('There is no PostgreSQL to run on.');
  const address = server.url('').replace(/\/$/, '');
  const admin = new pg.Client({ connectionString: server.url() });
  await admin.connect();
  for (const name of ['image', 'demo']) {
    await admin.query(`create database ${name}`);
    const store = await openServer(server.url(name), 'home');
    if (name === 'demo')
      await store.write(async (db) => {
        await patiently(db);
        const made = process.env[DEMO_BACKUP];
        await (made ? writeKitchen(db, JSON.parse(readFileSync(made, 'utf8')), DEMO_DAY) : seedDemo(db, DEMO_DAY));
      });
    await store.close();
  }
  await admin.end();
  project.provide('postgres', address);
  return () => server.end();
}
