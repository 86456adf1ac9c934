import type { Goal, Strand } from '../file';

/** A style of sauce: the strands it begins as, with good defaults. One file each. */
export interface Style {
  id: string;
  name: string;
  /** Its strands for what is wished of the sauce; ids are those of new stations. */
  strands(goal: Goal): Strand[];
}
