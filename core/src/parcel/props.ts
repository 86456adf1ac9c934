import { poolOf, sameLiquid, solvePh, type AcidWorld, type PhResult, type PhStart, TYPICAL_ACIDS } from '../acid';
import { ACIDS } from '../matter/component';
import { colourOf } from '../matter/colour';
import { densityOf } from '../matter/density';
import { massOf, percent, streamShu, type Stream, waterPhaseSaltPct } from '../matter/stream';
import { bodyOf } from './body';
import type { Parcel } from './parcel';

/** What one may ask of a parcel. Percentages by mass; pH null where it has no meaning. */
export interface Props {
  massG: number;
  heatShu: number;
  pH: number | null;
  saltPct: number;
  sweetPct: number;
  /** Steps 1 (like water) to 7 (stands up) at 20 °C; null for what is in pieces. */
  body: number | null;
  pulpPct: number;
  /** All acids together, % by mass. */
  acidPct: number;
  aceticPct: number;
  waterPhaseSaltPct: number;
  densityGMl: number;
  hex: string;
}

/** The five tracks and the mass: what carries a band. */
export const BANDED = ['massG', 'heatShu', 'pH', 'saltPct', 'sweetPct', 'body'] as const;
export type Banded = (typeof BANDED)[number];

/** The pH of a stream with its solver details, or null for a dry or empty one; `near` is where the search begins. */
export function phOf(stream: Stream, world: AcidWorld = TYPICAL_ACIDS, near?: PhStart): PhResult | null {
  return stream.grams.water > 0 ? solvePh(poolOf(stream, world), near) : null;
}

/** What carries a band, in one world; `luck` is that of its body, a standard normal; `known` is what it came from, with its pH. */
export function bandedOf(
  p: Parcel,
  world: AcidWorld,
  near?: PhStart,
  luck = 0,
  known?: { stream: Stream; pH: number | null },
): Pick<Props, Banded> {
  const { stream } = p;
  const massG = massOf(stream);
  const per = massG > 0 ? 1 / massG : 0;
  const { salt, sugars } = stream.grams;
  return {
    massG,
    heatShu: streamShu(stream),
    pH: known && sameLiquid(known.stream, stream) ? known.pH : (phOf(stream, world, near)?.pH ?? null),
    saltPct: 100 * salt * per,
    sweetPct: 100 * sugars * per,
    body: bodyOf(p, luck),
  };
}

/** All properties of a parcel. */
export function propsOf(p: Parcel, world: AcidWorld = TYPICAL_ACIDS): Props {
  const { stream } = p;
  const massG = massOf(stream);
  let acidG = 0;
  for (const a of ACIDS) acidG += stream.grams[a];
  return {
    ...bandedOf(p, world),
    pulpPct: percent(stream, 'pulp'),
    acidPct: massG > 0 ? (100 * acidG) / massG : 0,
    aceticPct: percent(stream, 'acetic'),
    waterPhaseSaltPct: waterPhaseSaltPct(stream),
    densityGMl: massG > 0 ? densityOf(stream) : 1,
    hex: colourOf(stream),
  };
}
