import type { FlowReport } from '@roskel/core';
import { bareMass } from '../format';
import { colours } from '../ui/look';

/** Water and brine have no colour of their own on a cream plate. */
export const limbHex = (flow: FlowReport): string => (['water', 'salt', 'brine', 'gas'].includes(flow.id) ? colours.value.flow : flow.hex);

/** Px of a letter of a label, about. */
const LETTER = 6.4;
const named = (f: FlowReport) => `${f.name.split(',')[0]} ${bareMass(f.massG)}`;

/** What comes in or leaves at a station, in as many words as there is room for (px). */
export function limbLabel(flows: readonly FlowReport[], room: number): string {
  const letters = Math.floor(room / LETTER);
  const total = bareMass(flows.reduce((s, f) => s + f.massG, 0));
  const more = (n: number) => (n < flows.length ? ` and ${flows.length - n} more` : '');
  const ways = [
    ...[3, 2, 1].filter((n) => n <= flows.length).map((n) => flows.slice(0, n).map(named).join(', ') + more(n)),
    flows.length === 1 ? `${flows[0]!.name.split(/[ ,]/)[0]} ${total}` : `${flows.length} things ${total}`,
  ];
  return ways.find((w) => w.length <= letters) ?? total;
}
