import type { TopicId } from '../topic';

/** The parts of the guide, in their order. */
export const GUIDE_PARTS = {
  danger: 'What can hurt',
  heat: 'Heat',
  acid: 'Acid',
  salt: 'Salt',
  jar: 'The jar',
  pot: 'Knife and pot',
  keep: 'Bottle and keep',
  page: 'Reading a page',
} as const;
export type GuidePart = keyof typeof GUIDE_PARTS;
/** Small drawings that a topic may have; the interface draws them. */
export const DRAWINGS = [
  'gloves',
  'jug',
  'gas',
  'line46',
  'oil',
  'pod',
  'dilute',
  'salt',
  'jar',
  'lid',
  'pot',
  'plate',
  'sieve',
  'bottle',
  'marks',
] as const;
export type Drawing = (typeof DRAWINGS)[number];

/** One thing worth knowing: what it is, the figures of it, and who says so. */
export interface Topic {
  id: TopicId;
  part: GuidePart;
  title: string;
  /** Paragraphs, the most useful first. */
  says: readonly string[];
  /** A small table: what, and how much. */
  facts?: { head: readonly [string, string]; rows: readonly (readonly [string, string])[] };
  drawing?: Drawing;
  source: string;
  see?: readonly TopicId[];
  /** Other words by which people look for it. */
  also?: string;
}
