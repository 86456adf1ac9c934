import { Type, type Static, type TObject, type TSchema, type TUnsafe } from '@sinclair/typebox';
import { BODY_STEPS } from '../cook';

/** How a figure or a choice is asked for; it stands in the schema beside its bounds, so that a form needs nothing else. */
export interface Ask {
  /** What it is called inside a sentence that says what is wrong with it. */
  title: string;
  /** What stands beside its field. */
  label: string;
  /** It is looked at every time; what is not stands behind a link. */
  main?: true;
  /** It is asked only while other fields have one of these values. */
  when?: Readonly<Record<string, readonly unknown[]>>;
  /** What it is when nothing is said: in words beside a figure, or one of a choice. */
  usual?: string;
  default?: unknown;
}

/** One of some: each key with its words, in the order in which they are offered. */
export const choice = <K extends string>(names: Readonly<Record<K, string>>, ask: Ask): TUnsafe<K> =>
  Type.Unsafe<K>({ anyOf: Object.keys(names).map((k) => Type.Literal(k)), ...ask, names });

/** One of the seven steps of how a sauce pours; between two of them it is said as the nearer one. */
export const bodyStep = (ask: Ask) =>
  Type.Number({ ...ask, minimum: 1, maximum: BODY_STEPS.length, names: Object.fromEntries(BODY_STEPS.map((word, i) => [i + 1, word])) });

/** A field of a form, as its schema has it. */
export interface Field extends Ask {
  name: string;
  schema: TSchema;
  unit: string;
  /** Words of what may be chosen; null where it is typed, ticked, or a form of its own. */
  names: Readonly<Record<string, string>> | null;
  type: 'number' | 'choice' | 'tick' | 'words' | 'form';
  /** It may be left out; then it is not in the value at all, unless it may be null. */
  optional: boolean;
  nullable: boolean;
}

function typeOf(schema: TSchema): Field['type'] {
  if (schema.names) return 'choice';
  const own = schema.type as string | undefined;
  return own === 'boolean' ? 'tick' : own === 'string' ? 'words' : own === 'object' ? 'form' : 'number';
}

/** The fields of an object's schema that are asked while it has this value, in the order of the schema. */
export function fieldsOf<S extends TObject>(schema: S, value: Partial<Static<S>>): Field[] {
  const needed = new Set((schema.required as string[] | undefined) ?? []);
  const have = value as Record<string, unknown>;
  return Object.entries(schema.properties as Record<string, TSchema>).flatMap(([name, s]): Field[] => {
    // A figure that may be nothing says what it is in the first of its two schemas.
    const told = (s.label ? s : ((s.anyOf as TSchema[] | undefined)?.[0] ?? s)) as TSchema & Ask;
    if (!told.label) return [];
    if (Object.entries(told.when ?? {}).some(([other, any]) => !any.includes(have[other]))) return [];
    return [
      {
        ...{ name, schema: s, title: told.title, label: told.label, unit: (told.unit as string | undefined) ?? '' },
        ...{ names: (told.names as Field['names'] | undefined) ?? null, type: typeOf(told) },
        ...{ nullable: told !== s, optional: told !== s || !needed.has(name) },
        ...(told.main ? { main: true as const } : {}),
        ...(told.usual ? { usual: told.usual } : {}),
      },
    ];
  });
}
