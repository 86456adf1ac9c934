/** What is measured of a batch and was foretold. A new one is a row here and a line in `measuredValues`. */
export interface ScoredRow {
  /** What it is called: "weight". */
  name: string;
  unit: string;
  /** What was measured is told as a share of what was foretold; otherwise as what it is off by, in its unit. */
  relative: boolean;
  /** Off by less than this in the mean nobody would mind: a share, or in its unit (our judgement). */
  minds: number;
  digits: number;
  /** The thing it was done with has a part in it. */
  byTool: boolean;
}
export const SCORED = {
  mass: { name: 'weight', unit: 'g', relative: true, minds: 0.05, digits: 0, byTool: true },
  pH: { name: 'a station’s pH', unit: '', relative: false, minds: 0.1, digits: 2, byTool: false },
  jarPh: { name: 'a jar’s pH', unit: '', relative: false, minds: 0.1, digits: 2, byTool: true },
  body: { name: 'how it pours', unit: 'steps', relative: false, minds: 0.5, digits: 1, byTool: false },
  bottles: { name: 'bottles', unit: '', relative: true, minds: 0.05, digits: 0, byTool: true },
  heat: { name: 'heat by taste', unit: 'SHU', relative: true, minds: 0.2, digits: 0, byTool: false },
} as const satisfies Record<string, ScoredRow>;
export type Scored = keyof typeof SCORED;
export const SCORED_KINDS = Object.keys(SCORED) as Scored[];

/** What was foretold of a thing, as it stood before it was measured, and what was measured then. */
export interface Prediction {
  /** The same thing measured again has the same one: a station or a reading, and what of it. */
  key: string;
  of: Scored;
  stationId: string;
  /** The day on which it was measured. */
  on: string;
  /** 10, 50 and 90 % of what was foretold for the instrument to show. */
  p10: number;
  p50: number;
  p90: number;
  measured: number;
  /** Worked out afterwards, of the batch without this and what came later: nothing was foretold at the time. */
  afterwards: boolean;
}
