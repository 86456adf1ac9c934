import type { KindName } from '../stations';
import type { RecipeThing, Step } from './recipe';

/** What a clause comes to, seen where it stands. */
export type Done =
  | { is: 'station'; kind: KindName }
  | { is: 'add' }
  | { is: 'inventory' }
  | { is: 'prep'; peel: boolean }
  | { is: 'reserve' }
  | { is: 'time' }
  | { is: 'divide' }
  | { is: 'nothing' };

/** What is known where a clause stands. */
export interface Where {
  steps: readonly Step[];
  /** A ferment follows somewhere behind. */
  fermentAhead: boolean;
  /** Stations still follow that are not only bottles and words. */
  workAhead: boolean;
  things: readonly RecipeThing[];
  /** Things that a clause names, or that wait. */
  named: readonly RecipeThing[];
  waiting: readonly RecipeThing[];
  /** Was cut or told of, and went nowhere yet. */
  there: readonly RecipeThing[];
  /** Something hot is poured over what stands in a vessel, later. */
  poursAhead: boolean;
}

export const station = (kind: KindName): Done => ({ is: 'station', kind });
export const ADD: Done = { is: 'add' };
export const NOTHING: Done = { is: 'nothing' };
