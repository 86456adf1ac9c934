import type { TSchema } from '@sinclair/typebox';
import { Ajv, type ErrorObject, type ValidateFunction } from 'ajv';
import addFormats from 'ajv-formats';
import {
  BATCH_FORMAT,
  BATCH_VERSION,
  BATCH_VERSION_1,
  BatchFile1Schema,
  BatchFileSchema,
  fileIssues,
  PARAMS_1,
  pathOf,
  STATION_KINDS,
  stationsOf,
  upgradeBatch,
  type BatchFile,
  type BatchFile1,
} from '@roskel/core';
import { numberProblem, schemaAt } from './say';

export interface FieldError {
  path: string;
  message: string;
}

// Optimising what it writes takes longer than it ever saves here: a process checks a few files, not millions.
const ajv = new Ajv({ allErrors: true, strict: false, code: { optimize: false } });
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
  if (e.keyword === 'type' && (e.params.type === 'array' || e.params.type === 'string'))
    return { path, message: `${title || `"${path}"`} must be ${e.params.type === 'array' ? 'a list' : 'in words'}.` };
  if (e.keyword === 'minItems') return { path, message: `${title || `"${path}"`} needs at least ${e.params.limit} entries.` };
  if (e.keyword === 'const') return { path, message: `${title || `"${path}"`} is none of those that are known here.` };
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
/** Of more mistakes than this the first are looked at: each is held against the others. */
const LOOKED_AT = 2000;
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

// Stops at the first mistake.
const ajvOfOne = new Ajv({ strict: false, code: { optimize: false } });
addFormats.default(ajvOfOne);

/** The first mistake of a value that may be large; null where it fits its schema. */
export function firstError(schema: TSchema, value: unknown): FieldError | null {
  const [long] = tooLong(schema, value);
  if (long) return long;
  const validate = ajvOfOne.compile(schema);
  return validate(value) ? null : sentence(schema, value, validate.errors![0]!);
}

/** Checks a value against a schema; an empty list means it fits. Messages are sentences for a maker, one per path. */
export function errorsOf(schema: TSchema, value: unknown): FieldError[] {
  const long = tooLong(schema, value);
  if (long.length > 0) return long.slice(0, MOST_ERRORS);
  const validate = validator(schema);
  if (validate(value)) return [];
  const byPath = new Map<string, FieldError>();
  const found = (validate.errors ?? []).slice(0, LOOKED_AT);
  /** Of a choice between shapes, what is wrong inside one of them says more than that it is none of the others. */
  const deeper = (e: ErrorObject) =>
    ['const', 'anyOf', 'type'].includes(e.keyword) && found.some((x) => x.instancePath.startsWith(`${e.instancePath}/`));
  for (const e of found) {
    if (deeper(e)) continue;
    // A union reports each branch and then itself; the last word per path is enough.
    const error = sentence(schema, value, e);
    if (!byPath.has(error.path)) byPath.set(error.path, error);
    if (byPath.size >= MOST_ERRORS) break;
  }
  return [...byPath.values()];
}

/** The outcome of reading a batch file: the file, or every reason why it is none. */
export type CheckedFile = { ok: true; file: BatchFile } | { ok: false; errors: FieldError[] };

/** Parameters of stations against the schemas of their kinds, each at its place. */
function paramErrors(
  stations: readonly { kind: string; params: unknown; path: string }[],
  schemaOf: (kind: string) => TSchema | undefined,
) {
  return stations.flatMap(({ kind, params, path }): FieldError[] => {
    const schema = schemaOf(kind);
    if (!schema) return [{ path: `${path}/kind`, message: `There is no station called "${short(kind)}".` }];
    return errorsOf(schema, params).map((e) => ({ path: `${path}/params/${e.path}`.replace(/\/$/, ''), message: e.message }));
  });
}

/** A file of version 1 as one of today, or every reason why it is none. */
function upgraded(value: unknown): CheckedFile {
  const errors = errorsOf(BatchFile1Schema, value);
  if (errors.length > 0) return { ok: false, errors };
  const old = value as BatchFile1;
  const placed = old.stations.map((s, i) => ({ ...s, path: `stations/${i}` }));
  errors.push(...paramErrors(placed, (kind) => PARAMS_1[kind as keyof typeof PARAMS_1]));
  return errors.length > 0 ? { ok: false, errors } : { ok: true, file: upgradeBatch(old) };
}

/**
 * Reads anything as a batch file: format and version first, then shapes, each station against the schema of its kind,
 * then meaning (strands, intakes, dates). Files of version 1 are upgraded. Never throws for bad content.
 */
export function checkBatchFile(value: unknown): CheckedFile {
  const fail = (path: string, message: string): CheckedFile => ({ ok: false, errors: [{ path, message }] });
  if (typeof value !== 'object' || value === null) return fail('', 'This is not a batch file.');
  const { format, version } = value as Record<string, unknown>;
  if (format !== BATCH_FORMAT) return fail('format', 'This is not a Roskel batch file.');
  if (version !== BATCH_VERSION && version !== BATCH_VERSION_1)
    return fail(
      'version',
      `This file is of version ${short(JSON.stringify(version) ?? 'none')}; this Roskel reads versions ${BATCH_VERSION_1} and ${BATCH_VERSION}.`,
    );
  if (version === BATCH_VERSION_1) {
    const read = upgraded(value);
    return read.ok ? meant(read.file) : read;
  }
  const errors = errorsOf(BatchFileSchema, value);
  return errors.length > 0 ? { ok: false, errors } : meant(value as BatchFile);
}

/** A file of the right shape, checked for what it means. */
function meant(file: BatchFile): CheckedFile {
  const placed = stationsOf(file).map(({ entry }) => ({ ...entry, path: pathOf(file, entry.id) }));
  const errors = paramErrors(placed, (kind) => STATION_KINDS.find((k) => k.kind === kind)?.schema);
  if (errors.length === 0) errors.push(...fileIssues(file));
  return errors.length > 0 ? { ok: false, errors: errors.slice(0, MOST_ERRORS) } : { ok: true, file };
}
