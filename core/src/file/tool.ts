import { Type, type Static } from '@sinclair/typebox';
import { calibrate, meterCounts, type Calibration, type CalibrationInput } from '../acid/meter';
import type { RowProblem } from '../matter/own';
import { VIGOUR } from '../ferment/priors';
import { DaySchema, Id } from './parts';

/** What a thing of the kitchen can be. */
export const TOOL_KINDS = ['pot', 'sieve', 'blender', 'jar', 'bowl', 'bottle', 'meter', 'place'] as const;
export type ToolKind = (typeof TOOL_KINDS)[number];

/** What closes a bottle; only a vented one lets gas out. */
export const CAPS = ['screw', 'dasher', 'swing', 'vented'] as const;
export type Cap = (typeof CAPS)[number];

/** A meter in its two buffers, and when. */
export const CalibratedSchema = Type.Object(
  {
    at: Type.String({ title: 'When it was calibrated', format: 'date-time' }),
    tempC: Type.Number({ title: 'The temperature of the buffers', minimum: 0, maximum: 45, unit: '°C' }),
    /** mV in the buffers of 7 and 4, or what the meter showed in them. */
    unit: Type.Union([Type.Literal('mV'), Type.Literal('pH')]),
    in7: Type.Number({ title: 'What it gives in the buffer of 7', minimum: -300, maximum: 300 }),
    in4: Type.Number({ title: 'What it gives in the buffer of 4', minimum: -300, maximum: 400 }),
    /** The bottles of buffer, in the maker's words. */
    buffers: Type.Optional(Type.String({ title: 'The buffers', maxLength: 120 })),
  },
  { additionalProperties: false },
);
export type Calibrated = Static<typeof CalibratedSchema>;

const NaturalSchema = Type.Object(
  { off: Type.Number({ minimum: -0.5, maximum: 0.5 }), sd: Type.Number({ exclusiveMinimum: 0, maximum: 3 }) },
  { additionalProperties: false },
);
/** What a weighing showed of a tool: how much more or less than the tables say, as a logarithm, and the sd of that. */
export const SeenSchema = Type.Object(
  {
    on: DaySchema,
    /** Where it was seen, in words: the batch. */
    where: Type.String({ maxLength: 80 }),
    /** Batch and station, so that one weighing teaches once. */
    of: Type.String({ maxLength: 160 }),
    log: Type.Number({ minimum: -5, maximum: 5 }),
    sd: Type.Number({ exclusiveMinimum: 0, maximum: 3 }),
    /** What the tables said when it was seen, where that moves: how lively jars are (nothing said: as it was before 0.12). */
    table: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 10 })),
    /** A jar: how far the natural pH of its pods was from what was worked out. */
    natural: Type.Optional(NaturalSchema),
  },
  { additionalProperties: false },
);
export type Seen = Static<typeof SeenSchema>;

/** What is to be expected of a tool by what others of its kind did in other kitchens, before it was weighed itself. */
export const ExpectedSchema = Type.Object(
  {
    log: Type.Number({ minimum: -5, maximum: 5 }),
    sd: Type.Number({ exclusiveMinimum: 0, maximum: 3 }),
    table: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 10 })),
    natural: Type.Optional(NaturalSchema),
  },
  { additionalProperties: false },
);
export type Expected = Static<typeof ExpectedSchema>;

export const ToolSchema = Type.Object(
  {
    id: Id,
    kind: Type.Union(
      TOOL_KINDS.map((k) => Type.Literal(k)),
      { title: 'What it is' },
    ),
    name: Type.String({ title: 'The name', minLength: 1, maxLength: 60 }),
    /** Empty weight. */
    tareG: Type.Optional(Type.Number({ title: 'The empty weight', minimum: 1, maximum: 30_000, unit: 'g' })),
    acrossCm: Type.Optional(Type.Number({ title: 'The width inside', minimum: 5, maximum: 60, unit: 'cm' })),
    volumeMl: Type.Optional(Type.Number({ title: 'What it holds', minimum: 10, maximum: 100_000, unit: 'ml' })),
    /** How many of it there are: jars. */
    count: Type.Optional(Type.Integer({ title: 'How many there are', minimum: 1, maximum: 200 })),
    /** A bottle: what closes it, and what one costs with it. */
    cap: Type.Optional(
      Type.Union(
        CAPS.map((c) => Type.Literal(c)),
        { title: 'The cap' },
      ),
    ),
    price: Type.Optional(Type.Number({ title: 'The price of one', minimum: 0, maximum: 10_000 })),
    /** A meter: its calibrations, newest last. */
    calibrations: Type.Optional(Type.Array(CalibratedSchema, { maxItems: 200 })),
    /** The id by which it speaks to the kitchen itself (docs/formats/devices.md). */
    device: Type.Optional(Type.String({ title: 'The device', maxLength: 40, pattern: '^[a-z0-9][a-z0-9-]*$' })),
    /** Where files of other kitchens were read in (docs/formats/learnt.md): the kitchen fills it in, nobody types it. */
    expected: Type.Optional(ExpectedSchema),
    seen: Type.Array(SeenSchema, { maxItems: 200 }),
  },
  { additionalProperties: false },
);
export type Tool = Static<typeof ToolSchema>;

/** What is known of how a tool works against the tables: mean and sd of the logarithm. */
export interface ToolLearnt {
  log: number;
  sd: number;
  /** A place: how far the natural pH of pods there is from what is worked out; left out where no jar told. */
  natural?: { off: number; sd: number };
}

/** Before anything was weighed: a pot's pace, what a sieve holds (handbook chapter 5, section 0.3); others teach nothing. */
export const UNKNOWN: Readonly<Record<ToolKind, number>> = {
  pot: 0.5,
  sieve: 0.3,
  blender: 0.7 /* section 9.3 */,
  jar: 0.5,
  bowl: 0.5,
  bottle: 0.5,
  meter: 0.5,
  place: 0.3 /* liveliness of jars, handbook chapter 4, section 2.4 */,
};
/** The same tool differs from itself by as much, from one time to the next (our judgement). */
export const FROM_TIME_TO_TIME = 0.15;
/** What it never gets better than. */
const BEST = 0.15;

/** What is asked of each kind of thing, and what it is nothing without. */
type ToolField = 'count' | 'acrossCm' | 'volumeMl' | 'tareG' | 'cap' | 'price' | 'calibrations' | 'device';
export const TOOL_FIELDS: Readonly<Record<ToolKind, { asks: readonly ToolField[]; needs: readonly ('acrossCm' | 'volumeMl')[] }>> = {
  pot: { asks: ['acrossCm', 'volumeMl', 'tareG'], needs: ['acrossCm'] },
  sieve: { asks: ['tareG'], needs: [] },
  blender: { asks: ['volumeMl', 'tareG'], needs: ['volumeMl'] },
  jar: { asks: ['count', 'acrossCm', 'volumeMl', 'tareG'], needs: ['volumeMl'] },
  bowl: { asks: ['acrossCm', 'volumeMl', 'tareG'], needs: [] },
  bottle: { asks: ['volumeMl', 'tareG', 'cap', 'price'], needs: ['volumeMl'] },
  meter: { asks: ['calibrations', 'device'], needs: [] },
  /** Where jars stand: it learns how lively they sour there. */
  place: { asks: [], needs: [] },
};
const MISSING = {
  acrossCm: 'Say how wide it is inside: what goes off follows from that.',
  volumeMl: 'Say what it holds.',
} as const;

/** Sanity of a tool of the maker's. Empty when all is well. */
export function toolProblems(tool: Tool): RowProblem[] {
  const out: RowProblem[] = [];
  if (tool.name.trim() === '') out.push({ field: 'name', message: 'Give it a name.' });
  for (const field of TOOL_FIELDS[tool.kind].needs) if (tool[field] === undefined) out.push({ field, message: MISSING[field] });
  for (const c of tool.calibrations ?? []) {
    try {
      calibrate(calibrationInput(c));
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      out.push({ field: 'calibrations', message: error.message });
    }
  }
  return out;
}

/** A kept calibration as the sum takes it. */
export const calibrationInput = (c: Calibrated): CalibrationInput =>
  c.unit === 'mV' ? { tempC: c.tempC, mv7: c.in7, mv4: c.in4 } : { tempC: c.tempC, shows7: c.in7, shows4: c.in4 };

/** How a reading by a meter of the kitchen counts at a time (ISO instant), by its last calibration before that. */
export function meterAt(tool: Tool, at: string): ReturnType<typeof meterCounts> & { calibration: Calibration | null } {
  const time = Date.parse(at);
  const before = (tool.calibrations ?? []).filter((c) => Date.parse(c.at) <= time);
  const last = before.sort((a, b) => Date.parse(a.at) - Date.parse(b.at)).at(-1);
  const calibration = last ? calibrate(calibrationInput(last)) : null;
  return { ...meterCounts(calibration, last ? (time - Date.parse(last.at)) / 3_600_000 : Infinity), calibration };
}

/** Natural pH before anything was read (handbook chapter 4, section 2.4), from one lot of pods to the next, and never better. */
export const NATURAL = { unknown: 0.15, between: 0.08, best: 0.08 } as const;
/** What jars told of the natural pH of the pods of this kitchen, by precision; null where none did, here or elsewhere. */
function naturalPh({ seen, expected }: Pick<Tool, 'seen' | 'expected'>): { off: number; sd: number } | null {
  const start = expected?.natural ?? { off: 0, sd: NATURAL.unknown };
  let weight = 1 / start.sd ** 2;
  let sum = weight * start.off;
  const told = seen.flatMap((s) => s.natural ?? []);
  for (const n of told) {
    const w = 1 / (n.sd ** 2 + NATURAL.between ** 2);
    sum += w * n.off;
    weight += w;
  }
  if (told.length === 0) return expected?.natural ?? null;
  return { off: sum / weight, sd: Math.max(NATURAL.best, Math.min(start.sd, Math.hypot(1 / Math.sqrt(weight), NATURAL.between))) };
}

/** How lively the tables had jars before they were set against practice once more. */
const LIVELY_BEFORE = 1.12;
/** What was seen of a tool, against what the tables say now, as a logarithm. */
export const seenLog = (kind: ToolKind, s: Pick<Seen, 'log' | 'table'>): number =>
  kind === 'place' ? s.log + Math.log((s.table ?? LIVELY_BEFORE) / VIGOUR.median) : s.log;
/** What a station showed of a tool, as its book keeps it. */
export const seenEntry = (kind: ToolKind, own: Pick<Seen, 'on' | 'where' | 'of'>, shown: ToolLearnt): Seen => ({
  on: own.on,
  where: own.where.slice(0, 80),
  of: own.of.slice(0, 160),
  log: shown.log,
  sd: Math.min(3, Math.max(1e-3, shown.sd)),
  ...(kind === 'place' ? { table: VIGOUR.median } : {}),
  ...(shown.natural ? { natural: shown.natural } : {}),
});

/** What all weighings of a tool say together, by precision, on top of what is expected of its kind. */
export function learntOf(tool: Pick<Tool, 'kind' | 'seen' | 'expected'>): ToolLearnt {
  const { kind, seen, expected } = tool;
  const start = expected ? { log: seenLog(kind, expected), sd: expected.sd } : { log: 0, sd: UNKNOWN[kind] };
  let weight = 1 / start.sd ** 2;
  let sum = weight * start.log;
  for (const s of seen) {
    const w = 1 / (s.sd ** 2 + FROM_TIME_TO_TIME ** 2);
    sum += w * seenLog(kind, s);
    weight += w;
  }
  const natural = naturalPh(tool);
  // The next time scatters as well.
  return {
    ...(natural ? { natural } : {}),
    log: sum / weight,
    sd: Math.max(BEST, Math.min(start.sd, Math.hypot(1 / Math.sqrt(weight), seen.length ? FROM_TIME_TO_TIME : 0))),
  };
}
/** Whether anything is known of a tool, here or elsewhere. */
export const isLearnt = ({ seen, expected }: Pick<Tool, 'seen' | 'expected'>): boolean => seen.length > 0 || expected !== undefined;
