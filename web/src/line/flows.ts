import type { FlowReport } from '@roskel/core';
import { bareMass } from '../format';
import { COLOURS } from '../theme';

/** Water and brine have no colour of their own on a cream plate. */
export const limbHex = (flow: FlowReport): string => (['water', 'salt', 'brine', 'gas'].includes(flow.id) ? COLOURS.flow : flow.hex);

/** What comes in or leaves at a station, in words: the first three by name. */
export function limbLabel(flows: readonly FlowReport[]): string {
  const parts = flows.slice(0, 3).map((f) => `${f.name.split(',')[0]} ${bareMass(f.massG)}`);
  return parts.join(', ') + (flows.length > 3 ? ` and ${flows.length - 3} more` : '');
}
