import { Type, type TSchema } from '@sinclair/typebox';
import { Ajv, type ErrorObject, type ValidateFunction } from 'ajv';
import addFormats from 'ajv-formats';
import {
  BATCH_FORMAT,
  BATCH_VERSION,
  DaySchema,
  fileIssues,
  GoalSchema,
  IngredientSchema,
  LotSchema,
  ReadingSchema,
  STATION_KINDS,
  StationLogSchema,
  type BatchFile,
} from '@roskel/core';
import { numberProblem, schemaAt } from './say';

export interface FieldError {
  path: string;
  message: string;
}

const ajv = new Ajv({ allErrors: true, strict: false });
addFormats.default(ajv);
const compiled = new WeakMap<TSchema, ValidateFunction>();

function validator(schema: TSchema): ValidateFunction {
  let known = compiled.get(schema);
  if (!known) compiled.set(schema, (known = ajv.compile(schema)));
  return known;
}

function valueAt(value: unknown, path: string): unknown {
  return path
    .split('/')
    .filter(Boolean)
    .reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], value);
}

function sentence(schema: TSchema, value: unknown, e: ErrorObject): FieldError {
  const path = e.instancePath.replace(/^\//, '');
  const at = schemaAt(schema, path);
  const title = at?.title ?? '';
  if (e.keyword === 'required') {
    const missing = String(e.params.missingProperty);
    const inner = at && schemaAt(at, missing);
    return { path: path ? `${path}/${missing}` : missing, message: `${inner?.title ?? `"${missing}"`} is missing.` };
  }
  if (e.keyword === 'additionalProperties') {
    return { path, message: `"${short(String(e.params.additionalProperty))}" is not known here.` };
  }
  if (['minimum', 'maximum', 'exclusiveMinimum', 'type'].includes(e.keyword)) {
    const said = at && numberProblem(at, valueAt(value, path));
    if (said) return { path, message: said };
  }
  if (e.keyword === 'minLength') return { path, message: `${title || 'This'} must not be empty.` };
  if (e.keyword === 'maxLength') return { path, message: `${title || 'This'} is too long.` };
  if (e.keyword === 'format' || e.keyword === 'pattern') {
    return { path, message: `${title || `"${path}"`} is not written as it should be${at?.description ? `: ${at.description}` : ''}.` };
  }
  return { path, message: `${title || (path ? `"${path}"` : 'This')} ${e.message ?? 'does not fit'}.` };
}

/** Nobody reads more mistakes at once. */
const MOST_ERRORS = 50;
const short = (text: string) => (text.length > 60 ? `${text.slice(0, 60)}…` : text);

/**
 * Lists that are longer than they may be, and nothing else: asked first, so that a file of a million empty rows is
 * refused before every one of them is looked at.
 */
function tooLong(schema: TSchema, value: unknown, path = '', depth = 0): FieldError[] {
  if (depth > 12 || typeof value !== 'object' || value === null) return [];
  const s = schema as { items?: TSchema; maxItems?: number; properties?: Record<string, TSchema>; anyOf?: TSchema[]; title?: string };
  if (s.anyOf) return s.anyOf.flatMap((option) => tooLong(option, value, path, depth + 1));
  if (Array.isArray(value)) {
    if (s.maxItems !== undefined && value.length > s.maxItems)
      return [{ path, message: `${s.title ?? `"${path || 'The list'}"`} has ${value.length} entries; at most ${s.maxItems} are read.` }];
    return s.items ? value.flatMap((v, i) => tooLong(s.items!, v, `${path}/${i}`.replace(/^\//, ''), depth + 1)) : [];
  }
  return Object.entries(s.properties ?? {}).flatMap(([key, inner]) =>
    tooLong(inner, (value as Record<string, unknown>)[key], path ? `${path}/${key}` : key, depth + 1),
  );
}

/** Checks a value against a schema; an empty list means it fits. Messages are sentences for a maker, one per path. */
export function errorsOf(schema: TSchema, value: unknown): FieldError[] {
  const long = tooLong(schema, value);
  if (long.length > 0) return long.slice(0, MOST_ERRORS);
  const validate = validator(schema);
  if (validate(value)) return [];
  const byPath = new Map<string, FieldError>();
  for (const e of validate.errors ?? []) {
    // A union reports each branch and then itself; the last word per path is enough.
    const error = sentence(schema, value, e);
    if (!byPath.has(error.path)) byPath.set(error.path, error);
    if (byPath.size >= MOST_ERRORS) break;
  }
  return [...byPath.values()];
}

const OuterSchema = Type.Object(
  {
    format: Type.Literal(BATCH_FORMAT),
    version: Type.Literal(BATCH_VERSION),
    name: Type.String({ title: 'The name', minLength: 1, maxLength: 60 }),
    style: Type.Literal('brine-ferment'),
    startDate: DaySchema,
    seed: Type.Optional(Type.Integer({ minimum: 0, maximum: 4_294_967_295 })),
    goal: GoalSchema,
    stations: Type.Array(
      Type.Object(
        { id: Type.String({ minLength: 1, maxLength: 64 }), kind: Type.String(), params: Type.Unknown(), log: StationLogSchema },
        { additionalProperties: false },
      ),
      { minItems: 1, maxItems: 40 },
    ),
    readings: Type.Array(ReadingSchema, { maxItems: 2000 }),
    dutiesDone: Type.Array(Type.String({ maxLength: 100 }), { maxItems: 5000 }),
    lots: Type.Array(LotSchema, { maxItems: 60 }),
    ingredients: Type.Array(IngredientSchema, { maxItems: 200 }),
  },
  { additionalProperties: false },
);
export const BatchFileSchema = OuterSchema;

/** The outcome of reading a batch file: the file, or every reason why it is none. */
export type CheckedFile = { ok: true; file: BatchFile } | { ok: false; errors: FieldError[] };

/**
 * Reads anything as a batch file: format and version first, then shapes, each station against the schema of its kind,
 * then meaning (dates, order). Never throws for bad content.
 */
export function checkBatchFile(value: unknown): CheckedFile {
  const fail = (path: string, message: string): CheckedFile => ({ ok: false, errors: [{ path, message }] });
  if (typeof value !== 'object' || value === null) return fail('', 'This is not a batch file.');
  const { format, version } = value as Record<string, unknown>;
  if (format !== BATCH_FORMAT) return fail('format', 'This is not a Roskel batch file.');
  if (version !== BATCH_VERSION)
    return fail('version', `This file is of version ${short(String(version))}; this Roskel reads version ${BATCH_VERSION}.`);
  const errors = errorsOf(OuterSchema, value);
  if (errors.length > 0) return { ok: false, errors };
  const file = value as BatchFile;
  file.stations.forEach((s, i) => {
    const kind = STATION_KINDS.find((k) => k.kind === s.kind);
    if (!kind) {
      errors.push({ path: `stations/${i}/kind`, message: `There is no station called "${short(s.kind)}".` });
      return;
    }
    for (const e of errorsOf(kind.schema, s.params)) errors.push({ path: `stations/${i}/params/${e.path}`, message: e.message });
  });
  if (errors.length === 0) errors.push(...fileIssues(file));
  return errors.length > 0 ? { ok: false, errors } : { ok: true, file };
}
