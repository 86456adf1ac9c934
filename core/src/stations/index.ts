/** The kinds of station. A new kind is a file in this folder, a line here, and a panel in web/src/stations. */
import { blend } from './blend';
import { bottle } from './bottle';
import { drain } from './drain';
import { ferment } from './ferment';
import { prep } from './prep';
import { salt } from './salt';
import type { StationKind } from './station';
import { strain } from './strain';

const KINDS = [prep, salt, ferment, drain, blend, strain, bottle] as unknown as readonly StationKind[];
const byKind = new Map(KINDS.map((k) => [k.kind, k]));

/** The kind of a name. Throws RangeError when there is none. */
export function stationKind(kind: string): StationKind {
  const found = byKind.get(kind);
  if (!found) throw new RangeError(`There is no station called "${kind}"`);
  return found;
}
export const STATION_KINDS = KINDS;

export * from './station';
export { prep, type PrepParams } from './prep';
export { salt, type SaltParams } from './salt';
export { ferment, forecastInput, jarConditions, type FermentParams } from './ferment';
export { drain, type DrainParams } from './drain';
export { blend, KEPT_BRINE, type BlendParams } from './blend';
export { strain, METHODS, shareInPulp, type StrainParams } from './strain';
export { bottle, bottledSauce, type BottleParams } from './bottle';
