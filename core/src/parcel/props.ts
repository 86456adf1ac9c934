import { poolOf, solvePh, type AcidWorld, type PhResult, TYPICAL_ACIDS } from '../acid';
import { ACIDS } from '../matter/component';
import { colourOf } from '../matter/colour';
import { densityOf } from '../matter/density';
import { heatShu, massOf, percent, type Stream, waterPhaseSaltPct } from '../matter/stream';

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

/** The pH of a stream with its solver details, or null for a dry or empty one. */
export function phOf(stream: Stream, world: AcidWorld = TYPICAL_ACIDS): PhResult | null {
  return stream.grams.water > 0 ? solvePh(poolOf(stream, world)) : null;
}

/** All properties of a stream. */
export function propsOf(stream: Stream, world: AcidWorld = TYPICAL_ACIDS): Props {
  const massG = massOf(stream);
  let acids = 0;
  for (const a of ACIDS) acids += percent(stream, a);
  return {
    massG,
    heatShu: heatShu(stream),
    pH: phOf(stream, world)?.pH ?? null,
    saltPct: percent(stream, 'salt'),
    sweetPct: percent(stream, 'sugars'),
    pulpPct: percent(stream, 'pulp'),
    acidPct: acids,
    aceticPct: percent(stream, 'acetic'),
    waterPhaseSaltPct: waterPhaseSaltPct(stream),
    densityGMl: massG > 0 ? densityOf(stream) : 1,
    hex: colourOf(stream),
  };
}
