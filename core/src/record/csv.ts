import Papa from 'papaparse';
import type { Measured } from './measured';
import { TRACE_NAMES, type TraceStep } from './trace';

/** A row of the open record (docs/formats/record.md). */
export interface RecordRow {
  part: 'made of' | 'measured' | 'went into' | 'bottles';
  on: string;
  what: string;
  value: string;
  /** By what it was measured, what it is part of, or who has it. */
  by: string;
}
/** Where bottles are, as the books of the kitchen say it. */
export interface Whereabouts {
  name: string;
  bottledOn: string;
  filled: number;
  left: number;
  gone: readonly { on: string; bottles: number; reason: string; who: string }[];
}

/** What became of bottles: "3 given"; those that an undo brought back are put back. */
export const goneWords = ({ bottles, reason }: Whereabouts['gone'][number]): string =>
  bottles < 0 ? `${-bottles} put back` : `${bottles} ${reason}`;

/** What a step weighs and is part of: "Cayenne, red 240 g" of each. */
const byWords = (step: TraceStep): string => step.by.map((b) => (b.g === null ? b.name : `${b.name} ${b.g.toFixed(1)} g`)).join('; ');

/** Everything that a record says, row by row. */
export function recordRows(of: {
  back: readonly TraceStep[];
  forward: readonly TraceStep[];
  measured: readonly Measured[];
  bottles: readonly Whereabouts[];
}): RecordRow[] {
  const step =
    (part: 'made of' | 'went into') =>
    (s: TraceStep): RecordRow => ({
      ...{ part, on: s.node.on ?? '', what: s.node.name, value: TRACE_NAMES[s.node.kind], by: byWords(s) },
    });
  return [
    ...of.back.map(step('made of')),
    ...of.measured.map((m): RecordRow => ({ part: 'measured', on: m.at, what: `${m.station}: ${m.what}`, value: m.value, by: m.by })),
    ...of.forward.map(step('went into')),
    ...of.bottles.flatMap((b): RecordRow[] => [
      { part: 'bottles', on: b.bottledOn, what: b.name, value: `${b.filled} filled`, by: '' },
      { part: 'bottles', on: '', what: b.name, value: `${b.left} on the shelf`, by: '' },
      ...b.gone.map((g): RecordRow => ({ part: 'bottles', on: g.on, what: b.name, value: goneWords(g), by: g.who })),
    ]),
  ];
}

/** The rows as CSV (RFC 4180); what a table program would take for a formula is text. */
export const recordCsv = (rows: readonly RecordRow[]): string =>
  Papa.unparse([...rows], { columns: ['part', 'on', 'what', 'value', 'by'], newline: '\r\n', escapeFormulae: true }) + '\r\n';
