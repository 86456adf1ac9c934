import { DEVICE_KINDS, QUANTITIES, QUANTITY, type DeviceKind, type Quantity } from './quantity';

/** Longest line a device may say, in characters. */
export const LONGEST_LINE = 400;
/** What a device said in one line. */
export type DeviceLine =
  | { says: 'hello'; kind: DeviceKind; id: string; name: string }
  /** It makes its figures up. */
  | { says: 'simulated' }
  | { says: 'read'; readings: { quantity: Quantity; value: number }[] }
  | { says: 'fault'; words: string }
  | { says: 'bye' }
  /** A word of a later version: passed over. */
  | { says: 'else' };

/** The line breaks the protocol; the sentence is sent back to the device. */
export class BadLine extends Error {}

const ID = /^[a-z0-9][a-z0-9-]{0,39}$/;
const NUMBER = /^[+-]?(\d+(\.\d*)?|\.\d+)$/;

function hello(words: readonly string[]): DeviceLine {
  const [version, kind, id, ...rest] = words;
  if (version !== '1') throw new BadLine('hello needs version 1 of the protocol: hello 1 scale my-scale Kitchen scale');
  if (!DEVICE_KINDS.includes(kind as DeviceKind)) throw new BadLine(`a device is one of ${DEVICE_KINDS.join(', ')}`);
  if (!id || !ID.test(id)) throw new BadLine('an id has 1 to 40 small letters, digits and hyphens');
  return { says: 'hello', kind: kind as DeviceKind, id, name: rest.join(' ').slice(0, 60) || id };
}

/** "mass 412.5 g", "pH 3.82", "temp 70.7 F", several in a row. */
function read(words: readonly string[]): DeviceLine {
  const readings: { quantity: Quantity; value: number }[] = [];
  for (let i = 0; i < words.length;) {
    const quantity = words[i++] as Quantity;
    if (!QUANTITIES.includes(quantity)) throw new BadLine(`what is read is one of ${QUANTITIES.join(', ')}`);
    if (readings.some((r) => r.quantity === quantity)) throw new BadLine(`${quantity} is said twice`);
    const figure = words[i++] ?? '';
    if (!NUMBER.test(figure)) throw new BadLine(`${quantity} needs a number such as 12.5`);
    const { units } = QUANTITY[quantity];
    const unit = '' in units ? '' : (words[i++] ?? '');
    const by = units[unit];
    if (!by) throw new BadLine(`${quantity} comes in ${Object.keys(units).join(', ')}`);
    readings.push({ quantity, value: Number(figure) * by.times + by.plus });
  }
  if (readings.length === 0) throw new BadLine('read what? Say: read mass 412.5 g');
  return { says: 'read', readings };
}

/** Reads one line of the device protocol (docs/formats/devices.md), without its end. Throws BadLine with a sentence for the device. */
export function readDeviceLine(line: string): DeviceLine {
  if (line.length > LONGEST_LINE) throw new BadLine(`a line has at most ${LONGEST_LINE} characters`);
  const [verb = '', ...words] = line
    .replace(/[^\x20-\x7e\u00a0-\uffff]/g, ' ')
    .trim()
    .split(/\s+/);
  if (verb === 'hello') return hello(words);
  if (verb === 'read') return read(words);
  if (verb === 'fault') return { says: 'fault', words: words.join(' ').slice(0, 120) || 'something is wrong' };
  if (verb === 'simulated') return { says: 'simulated' };
  if (verb === 'bye') return { says: 'bye' };
  return { says: 'else' };
}
