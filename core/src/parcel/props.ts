import { poolOf, solvePh, type AcidWorld, type PhResult, type PhStart, TYPICAL_ACIDS } from '../acid';
import { ACIDS } from '../matter/component';
import { colourOf } from '../matter/colour';
import { densityOf } from '../matter/density';
import { massOf, percent, type Stream, waterPhaseSaltPct } from '../matter/stream';

/** What one may ask of a stream. Percentages by mass; pH null where it has no meaning. */
export interface Props {
  massG: number;
  heatShu: number;
  pH: number | null;
  saltPct: number;
  sweetPct: number;
  pulpPct: number;
  /** All acids together, % by mass. */
  acidPct: number;
  aceticPct: number;
  waterPhaseSaltPct: number;
  densityGMl: number;
  hex: string;
}

/** The five tracks and the mass: what carries a band. */
export const BANDED = ['massG', 'heatShu', 'pH', 'saltPct', 'sweetPct', 'pulpPct'] as const;
export type Banded = (typeof BANDED)[number];

/** The pH of a stream with its solver details, or null for a dry or empty one; `near` is where the search begins. */
export function phOf(stream: Stream, world: AcidWorld = TYPICAL_ACIDS, near?: PhStart): PhResult | null {
  return stream.grams.water > 0 ? solvePh(poolOf(stream, world), near) : null;
}

/** What carries a band, in one world. */
export function bandedOf(stream: Stream, world: AcidWorld, near?: PhStart): Pick<Props, Banded> {
  const massG = massOf(stream);
  const per = massG > 0 ? 1 / massG : 0;
  const { salt, sugars, pulp } = stream.grams;
  return {
    massG,
    heatShu: stream.heatShuG * per,
    pH: phOf(stream, world, near)?.pH ?? null,
    saltPct: 100 * salt * per,
    sweetPct: 100 * sugars * per,
    pulpPct: 100 * pulp * per,
  };
}

/** All properties of a stream. */
export function propsOf(stream: Stream, world: AcidWorld = TYPICAL_ACIDS): Props {
  const massG = massOf(stream);
  let acidG = 0;
  for (const a of ACIDS) acidG += stream.grams[a];
  return {
    ...bandedOf(stream, world),
    acidPct: massG > 0 ? (100 * acidG) / massG : 0,
    aceticPct: percent(stream, 'acetic'),
    waterPhaseSaltPct: waterPhaseSaltPct(stream),
    densityGMl: massG > 0 ? densityOf(stream) : 1,
    hex: colourOf(stream),
  };
}
