/** The kinds of station. A new kind is a file in this folder, a line here, and a panel in web/src/stations. */
import { blend } from './blend';
import { bottle } from './bottle';
import { bowl } from './bowl';
import { char } from './char';
import { drain } from './drain';
import { ferment } from './ferment';
import { fry } from './fry';
import { lift } from './lift';
import { prep } from './prep';
import { press } from './press';
import { rest } from './rest';
import { salt } from './salt';
import { simmer } from './simmer';
import { soak } from './soak';
import type { StationKind } from './station';
import { steep } from './steep';
import { strain } from './strain';
import { temper } from './temper';
import { thicken } from './thicken';
import { toast } from './toast';
import { trim } from './trim';

const KINDS = {
  ...{ prep, char, toast, soak, press, fry, steep, salt, ferment, drain },
  ...{ simmer, lift, temper, blend, strain, thicken, rest, trim, bottle, bowl },
};
type Kinds = typeof KINDS;
export type KindName = keyof Kinds;
/** Parameters, and facts for the panel, of a kind. */
export type ParamsOf<K extends KindName> = Kinds[K] extends StationKind<string, infer P, infer _> ? P : never;
export type FactsOf<K extends KindName> = Kinds[K] extends StationKind<string, infer _, infer F> ? F : never;

export const STATION_KINDS = Object.values(KINDS) as unknown as readonly StationKind<KindName>[];
const byKind = new Map<string, StationKind<KindName>>(STATION_KINDS.map((k) => [k.kind, k]));

/** The kind of a name. Throws RangeError when there is none. */
export function stationKind(kind: string): StationKind<KindName> {
  const found = byKind.get(kind);
  if (!found) throw new RangeError(`There is no station called "${kind}"`);
  return found;
}

/** The kind where such things usually go in: the board for pods, the jug for the larder. */
export function usualKind(what: 'pods' | 'larder'): StationKind<KindName> {
  return STATION_KINDS.find((k) => k.usual === what)!;
}

export * from './station';
export { choice, fieldsOf, type Ask, type Field } from './ask';
export { prep, type PrepParams } from './prep';
export { char, type CharParams } from './char';
export { soak, type SoakParams } from './soak';
export { simmer, type SimmerParams } from './simmer';
export { UNTIL } from './simmerAsk';
export { toast, type ToastParams } from './toast';
export { fry, type FryParams } from './fry';
export { steep, type SteepCut, type SteepParams } from './steep';
export { salt, recount, type SaltParams } from './salt';
export { anyJar, ferment, forecastInput, jarConditions, type FermentParams } from './ferment';
export { jarBubbles, jarReadings, jarSigns, readingsOfJar, slowestJar, toldApart } from './jarLog';
export { drain, type DrainParams } from './drain';
export { press, type PressParams } from './press';
export { lift, type LiftParams, type LiftPieces } from './lift';
export { thicken, THICKENERS, type ThickenParams, type Thickener } from './thicken';
export { MOST_REST_H, rest, type RestParams } from './rest';
export { temper, type TemperParams, type Tempered } from './temper';
export type { BowlParams } from './bowl';
export { trim, type TrimParams } from './trim';
export { blend, type BlendParams } from './blend';
export { strain, METHODS, shareInPulp, type Method, type StrainParams } from './strain';
export { bottle, type BottleParams } from './bottle';
export type { Curve } from './curve';
