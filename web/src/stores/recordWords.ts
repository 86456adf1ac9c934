import type { TSchema } from '@sinclair/typebox';
import {
  LarderFactsSchema,
  LearntSchema,
  MakerSchema,
  PodLotInputSchema,
  schemaAt,
  SeasonBookSchema,
  VarietySchema,
} from '@roskel/contract';
import { IngredientSchema, ToolSchema, type Clash } from '@roskel/core';
import { sayValue } from '../batch/words';

const SCHEMAS = {
  varieties: VarietySchema,
  ingredients: IngredientSchema,
  tools: ToolSchema,
  makers: MakerSchema,
  learnt: LearntSchema,
  season: SeasonBookSchema,
  larder: LarderFactsSchema,
  pods: PodLotInputSchema,
} as const satisfies Record<string, TSchema>;
/** Lists whose records may be changed in two windows. */
export type RecordKind = keyof typeof SCHEMAS;

/** "useFirst" as words, where the schema has no title for it. */
const plain = (field: string) =>
  field
    .replace(/^[@#]/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase();

/** What two windows changed each otherwise, in the words of the record's schema. */
export const clashWords = (kind: RecordKind, c: Clash) => ({
  key: c.path.join('/'),
  title: String(schemaAt(SCHEMAS[kind], c.path.join('/'))?.title ?? plain(c.path.at(-1) ?? 'all of it')),
  mine: sayValue(c.after),
  theirs: sayValue(c.now),
});
