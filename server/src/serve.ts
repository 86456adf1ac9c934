import { createServer, type Server } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import { resolve } from 'node:path';
import { ownAddresses, ownNames } from './access/house';
import { certificateOf } from './access/certificate';
import { accessOf } from './access/passphrase';
import { keepDaily, nothingLost } from './backup/daily';
import { isEmpty } from './backup/kitchen';
import { FolderUnfit, goOnFromHere } from './db/folder';
import { FolderLocked } from './db/lock';
import { openDb } from './db/open';
import { openServer } from './db/server';
import { onceFree, patiently, type Store } from './db/store';
import { createApp, localDay } from './http/app';
import { WEB } from './places';
import { seedDemo } from './seed/demo';
import { forgetAnswers } from './store/idempotency';
import { forgetSessions } from './store/sessions';
import { refreshDay, refreshOld } from './store/batches';
import { workBeside } from './working';
import { LAST_PORT, Misused, type Told } from './told';

/** Ports looked at where one kitchen is served. */
const MOST_TRIES = 20;
/** How long a connection that says nothing is kept. */
const KEPT_MS = 65_000;
/** What does not end by itself in so long is ended: nothing that was acknowledged is lost by that. */
const END_MS = 5000;
/** TLS is beside the page, by so many ports. */
const TLS_BESIDE = 200;
/** How often the server looks whether a new day has come. */
const LOOK_AT_THE_DAY_MS = 60_000;

/** Listens at the first free port of so many, from `first` on. Throws Misused. */
async function listen(server: Server, first: number, tries: number, host?: string): Promise<number> {
  const last = Math.min(first + tries - 1, LAST_PORT);
  for (let port = first; port <= last; port++) {
    const free = await new Promise<boolean>((done, fail) => {
      const onError = (error: NodeJS.ErrnoException) => {
        if (error.code === 'EADDRINUSE') return done(false);
        fail(
          error.code === 'EACCES' ? new Misused(`Port ${port} belongs to the system. Say one above 1023 with --port.`) : (error as Error),
        );
      };
      server.once('error', onError);
      server.listen({ port, host }, () => {
        server.off('error', onError);
        done(true);
      });
    });
    if (free) return port;
  }
  throw new Misused(
    tries === 1
      ? `Port ${first} is taken or none at all. Of several kitchens each keeps its port, for what a browser keeps belongs to it. Say another with --port.`
      : `No free port between ${first} and ${last}. Say another with --port.`,
  );
}

/** Serves a kitchen until it is told to stop. Throws Misused where the folder or the port cannot be. */
export async function serve(said: Told): Promise<void> {
  try {
    await begin(said);
  } catch (error) {
    if (error instanceof FolderLocked || error instanceof FolderUnfit) throw new Misused(error.message);
    throw error;
  }
}

/** Kitchens of one process: the embedded one in its folder, or those on the server that DATABASE_URL names. */
function storesOf({ data, demo, fresh, databaseUrl, kitchens }: Told): (() => Promise<Store>)[] {
  if (databaseUrl === null) return [() => openDb(resolve(data), { demo, fresh })];
  return kitchens.map((name) => () => openServer(databaseUrl, name));
}

interface Serving {
  /** Where it is reached, said once all of them are. */
  says: string[];
  /** Ends it once the change that is being made is made. */
  stop(): Promise<void>;
}

/** One kitchen at a port of its own: to a browser another kitchen is another place. */
async function serveKitchen(store: Store, said: Told, first: number, devicePort: number | null): Promise<Serving> {
  const { data, demo, standIns, databaseUrl } = said;
  const access = said.open ? await accessOf(store.db) : null;
  if (said.open && !access)
    throw new Misused(
      `Nobody in the house is let in without a passphrase. Set one first: npm run passphrase${store.kitchen === null ? '' : ` -- --kitchen ${store.kitchen}`}.`,
    );
  if (!demo && databaseUrl === null) {
    if (said.asItIs) goOnFromHere(resolve(data));
    else await nothingLost(store, resolve(data), localDay());
  }
  await onceFree(() =>
    store.write(async (db) => {
      await patiently(db);
      if (demo && (await isEmpty(db))) await seedDemo(db, localDay());
      await refreshDay(db, localDay());
    }),
  );
  // A server has backups of its own (docs/server.md).
  const daily = demo || databaseUrl !== null ? null : keepDaily(store, resolve(data));
  const names = [...ownAddresses(), ...said.names];
  // Its own name in the house is taken too, where the house knows it.
  const known = [...names, ...ownNames()];
  const { app, announcer, devices, house } = createApp({
    ...{ store, webRoot: WEB, standIns },
    ...(databaseUrl === null ? { folder: resolve(data) } : {}),
    ...(access ? { open: { access, names: known } } : {}),
  });
  const server = createServer(app);
  const certificate = access ? await certificateOf(store, known) : null;
  const tls = certificate && createTlsServer({ cert: `${certificate.cert}\n${certificate.authority}`, key: certificate.key }, app);
  const servers = [server, ...(tls ? [tls] : [])];
  // Longer than a proxy keeps a connection (a minute is usual): whoever closes last answers everything that was sent.
  for (const each of servers) each.keepAliveTimeout = KEPT_MS;
  const port = await listen(server, first, said.kitchens.length > 1 ? 1 : MOST_TRIES, access ? undefined : '127.0.0.1');
  if (access) house.addresses.push(...names.map((name) => `http://${name}:${port}`));
  // A port of its own that stays the same: a phone keeps the kitchen by it.
  if (tls && certificate)
    await listen(tls, Math.min(port + TLS_BESIDE, LAST_PORT), 1)
      .then((at) => {
        house.authority = certificate.authority;
        house.secure.push(...names.map((name) => `https://${name}:${at}`));
      })
      .catch((error: unknown) => console.error(`No TLS: ${(error as Error).message}`));
  // Beside the page unless told otherwise.
  await devices.hub.listen(devicePort ?? Math.min(port + 100, LAST_PORT));
  if (devicePort !== null && devices.hub.port === null) console.error(`Port ${devicePort} is taken: no device can connect.`);
  const midnight = setInterval(() => {
    void store
      .write(async (db) => {
        await forgetAnswers(db);
        await forgetSessions(db);
        return refreshDay(db, localDay());
      })
      .then(({ value: changed }) => changed && announcer.say({ topic: 'batches', id: '' }))
      .catch((error: unknown) => console.error(`The new day could not be worked out: ${(error as Error).message}`));
  }, LOOK_AT_THE_DAY_MS).unref();
  void refreshOld(store, localDay())
    .then((n) => n > 0 && announcer.say({ topic: 'all', id: '' }))
    .catch((error: unknown) => console.error(`Not every batch could be worked out anew: ${(error as Error).message}`));
  const says = [`Roskel${demo ? ' (demo)' : ''} is ready: http://localhost:${port}, kept in ${store.where}`];
  if (access)
    says.push(
      `Open to the house, with the passphrase: ${[...house.secure, ...house.addresses].join(', ') || 'this machine has no address there'}. Over plain HTTP whoever listens in the network can read along; Kitchen, "In the house", tells a phone how to trust the others.`,
    );
  const stop = async () => {
    clearInterval(midnight);
    announcer.close();
    devices.close();
    const closed = servers.filter((each) => each.listening).map((each) => new Promise((done) => each.close(done)));
    for (const each of servers) each.closeAllConnections();
    await Promise.all(closed);
    await daily?.stop();
    await store.close();
  };
  return { says, stop };
}

async function begin(said: Told): Promise<void> {
  // All of them before the first answers: a name that cannot be is told at once.
  const stores: Store[] = [];
  for (const open of storesOf(said)) stores.push(await open());
  const serving: Serving[] = [];
  for (const [i, store] of stores.entries()) {
    serving.push(await serveKitchen(store, said, said.port + i, said.devicePort === null ? null : said.devicePort + i));
  }
  for (const line of serving.flatMap((kitchen) => kitchen.says)) console.log(line);
  // Once it answers: its own beginning takes a moment.
  const beside = workBeside();
  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    setTimeout(() => process.exit(0), END_MS).unref();
    void Promise.all(serving.map((kitchen) => kitchen.stop()))
      .then(() => beside.end())
      .then(() => process.exit(0));
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}
