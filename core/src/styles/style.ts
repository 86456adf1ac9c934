import type { Goal, Strand } from '../file';
import type { Eaten } from '../heat';

/** A style of sauce: the strands it begins as, with good defaults. One file each. */
export interface Style {
  id: string;
  name: string;
  /** What comes of it and how long it takes, in a sentence. */
  says: string;
  /** How it is eaten, where nobody says otherwise. */
  eaten: Eaten;
  /** What fills bottles that the pods do not: a jug of vinegar, vegetable and water, or more of everything else. */
  fills: 'jug' | 'all';
  /** A bottled or kept sauce goes in: where, and g for the pods of a style. */
  takesSauce?: { stationId: string; g: number };
  /** What somebody gets who did not say which: quiet, for it is heated through. One style has it. */
  unasked?: true;
  /** It is made of dried pods; without it of any. */
  pods?: 'dried';
  /** What people call it, and things (by key) that all together mark a list as one of it; see `styleOfList`. */
  words?: RegExp;
  signs?: readonly RegExp[];
  /** Its strands for what is wished of the sauce; ids are those of new stations. */
  strands(goal: Goal): Strand[];
}
