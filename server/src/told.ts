import { parseArgs } from 'node:util';

/** Something the caller said that cannot be; the sentence is all they need. */
export class Misused extends Error {}

const USAGE = 'Known are --data FOLDER, --port NUMBER, --demo and --fresh (with --demo).';
export const LAST_PORT = 65_535;
export type Told = ReturnType<typeof told>;
/** What the command was told. Throws Misused. */
export function told() {
  try {
    const { values } = parseArgs({
      options: {
        data: { type: 'string', default: '.roskel/data' },
        port: { type: 'string', default: '4180' },
        demo: { type: 'boolean', default: false },
        fresh: { type: 'boolean', default: false },
      },
    });
    const port = Number(values.port);
    if (!/^\d+$/.test(values.port) || port < 1 || port > LAST_PORT) {
      throw new Misused(`"${values.port}" is no port. Say a number between 1 and ${LAST_PORT} with --port.`);
    }
    if (values.data.trim() === '') throw new Misused('--data needs a folder.');
    if (values.fresh && !values.demo) throw new Misused('--fresh empties the demo only. Say it together with --demo.');
    return { ...values, port };
  } catch (error) {
    if (error instanceof Misused) throw error;
    throw new Misused(`${(error as Error).message.split('. ')[0]}. ${USAGE}`);
  }
}
