import type { TSchema } from '@sinclair/typebox';

interface NumberSchema {
  title?: string;
  minimum?: number;
  maximum?: number;
  exclusiveMinimum?: number;
  unit?: string;
  type?: string;
}

const figure = (x: number) => x.toLocaleString('en', { maximumFractionDigits: 2 });

/** The schema of a number, also where the value may be null instead. */
function numberSchema(schema: TSchema): NumberSchema {
  const options = (schema as { anyOf?: TSchema[] }).anyOf;
  return (options?.find((o) => o.type === 'number' || o.type === 'integer') ?? schema) as NumberSchema;
}

/**
 * Says in a sentence why a value does not fit a number's schema, or null when it does. Used at the field while
 * typing and for the same rule on the server.
 */
export function numberProblem(schema: TSchema, value: unknown): string | null {
  const s = numberSchema(schema);
  const what = s.title ?? 'This';
  const unit = s.unit ? ` ${s.unit}` : '';
  if (typeof value !== 'number' || !Number.isFinite(value)) return `${what} must be a number${unit ? ` in${unit}` : ''}.`;
  const low = s.minimum ?? s.exclusiveMinimum;
  const outside =
    (s.minimum !== undefined && value < s.minimum) ||
    (s.exclusiveMinimum !== undefined && value <= s.exclusiveMinimum) ||
    (s.maximum !== undefined && value > s.maximum);
  if (outside) {
    if (low !== undefined && s.maximum !== undefined) return `${what} must be between ${figure(low)} and ${figure(s.maximum)}${unit}.`;
    return `${what} is out of range.`;
  }
  if (s.type === 'integer' && !Number.isInteger(value)) return `${what} must be a whole number.`;
  return null;
}

/** The schema of a field or of an entry; of a choice, of the first that has it. */
function within(schema: TSchema, part: string): TSchema | undefined {
  const s = schema as { items?: TSchema; properties?: Record<string, TSchema>; anyOf?: TSchema[] };
  const own = /^\d+$/.test(part) ? s.items : s.properties?.[part];
  return own ?? s.anyOf?.map((option) => within(option, part)).find((found) => found !== undefined);
}

/** The schema at a path such as "log/massG" below an object schema, or undefined. */
export function schemaAt(schema: TSchema, path: string): TSchema | undefined {
  return path
    .split('/')
    .filter(Boolean)
    .reduce<TSchema | undefined>((at, part) => at && within(at, part), schema);
}
