import type { TopicId } from '../topic';
import type { Limit } from '../keep/limit';

/** How much is at stake. `danger` means: do not. */
export type Severity = 'note' | 'caution' | 'danger';

/** A caution names the danger and the act, and says who says so. */
export interface Caution {
  id: string;
  severity: Severity;
  text: string;
  why: string;
  authority: string;
  /** Where the guide says more. */
  guide: TopicId;
  /** No batch with this caution may be said to keep longer. */
  keep?: Limit;
  /** It goes with the stuff: every station after it says it too, for it may be the last chance to hear it. */
  carries?: true;
}
