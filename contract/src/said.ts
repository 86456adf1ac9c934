import type { Change } from '@roskel/core';

/** What a kitchen has. */
export const OWN_KINDS = ['varieties', 'ingredients', 'tools', 'makers', 'learnt', 'season'] as const;
/** Tables of a kitchen's own rows; `learnt`: files of what other kitchens learnt. */
export type OwnKind = (typeof OWN_KINDS)[number];
export const TOPICS = ['batches', 'pods', 'larder', 'stored', 'shelf', 'settings', 'heat', ...OWN_KINDS] as const;
export type Topic = (typeof TOPICS)[number];

/** What is announced on /api/events; 'all' when announcements may have been missed. */
export interface ChangeEvent {
  /** Timers are no record of the kitchen: nothing of them stands in its log. */
  topic: Topic | 'timers' | 'all';
  id: string;
  revision?: number;
  /** The record as lists have it now: no need to fetch it. */
  record?: unknown;
  /** It is archived: lists leave it out. */
  gone?: boolean;
  /** What was changed in a batch, from the revision before this one. */
  changes?: readonly Change[];
}

/** RFC 9457 problem details; `errors` names fields by path. */
export interface Problem {
  type: string;
  title: string;
  status: number;
  detail: string;
  errors?: { path: string; message: string }[];
  current?: unknown;
}
