import { parseArgs } from 'node:util';

/** Something the caller said that cannot be; the sentence is all they need. */
export class Misused extends Error {}

const USAGE =
  'Known are --data FOLDER, --port NUMBER, --device-port NUMBER, --stand-ins, --demo, --fresh (with --demo), --as-it-is and --kitchen NAME, once or several times (with DATABASE_URL), --open and --name HOST (with --open).';
export const LAST_PORT = 65_535;
function portOf(text: string, word: string): number {
  const port = Number(text);
  if (/^\d+$/.test(text) && port >= 1 && port <= LAST_PORT) return port;
  throw new Misused(`"${text}" is no port. Say a number between 1 and ${LAST_PORT} with ${word}.`);
}
export type Told = ReturnType<typeof told>;
/** What the command was told. Throws Misused. */
export function told() {
  try {
    const { values } = parseArgs({
      options: {
        data: { type: 'string', default: '.roskel/data' },
        port: { type: 'string', default: '4180' },
        'device-port': { type: 'string' },
        'stand-ins': { type: 'boolean', default: false },
        demo: { type: 'boolean', default: false },
        fresh: { type: 'boolean', default: false },
        kitchen: { type: 'string', multiple: true, default: [] },
        open: { type: 'boolean', default: false },
        'as-it-is': { type: 'boolean', default: false },
        name: { type: 'string', multiple: true, default: [] },
      },
    });
    const port = portOf(values.port, '--port');
    const at = values['device-port'];
    const devicePort = at === undefined ? null : portOf(at, '--device-port');
    if (values.data.trim() === '') throw new Misused('--data needs a folder.');
    if (values.fresh && !values.demo) throw new Misused('--fresh empties the demo only. Say it together with --demo.');
    const { data, demo, fresh, 'stand-ins': standIns, 'as-it-is': asItIs } = values;
    const databaseUrl = process.env.DATABASE_URL?.trim() || null;
    if (databaseUrl !== null && fresh) throw new Misused('--fresh empties the embedded demo only. On a server say another --kitchen.');
    if (databaseUrl === null && values.kitchen.length > 0)
      throw new Misused('--kitchen names a kitchen on a server. Set DATABASE_URL too.');
    const kitchens = values.kitchen.length > 0 ? values.kitchen : [demo ? 'demo' : 'home'];
    const twice = kitchens.find((name, i) => kitchens.indexOf(name) < i);
    if (twice !== undefined) throw new Misused(`--kitchen ${twice} is said twice.`);
    const names = values.name.map((n) => n.trim().toLowerCase());
    if (names.length > 0 && !values.open)
      throw new Misused('--name says what this machine is called in the house. Say it together with --open.');
    return { data, demo, fresh, asItIs, standIns, port, devicePort, databaseUrl, kitchens, open: values.open, names };
  } catch (error) {
    if (error instanceof Misused) throw error;
    throw new Misused(`${(error as Error).message.split('. ')[0]}. ${USAGE}`);
  }
}
