import type { Family } from '../matter/kind';
import type { ReadItem } from '../reading';
import type { KindName } from '../stations';

/** A thing of a recipe, with what of it has gone in. */
export interface RecipeThing {
  item: ReadItem;
  /** Its name in plain words, of the text and of its row. */
  words: ReadonlySet<string>;
  family: Family;
  pod: boolean;
  dried: boolean;
  /** It pours: a pot of it boils. */
  wet: boolean;
  /** Heading it stands under, plain words. */
  group: readonly string[];
  /** g of it; null while it is asked. */
  g: number | null;
  /** Share of it that has not gone in, 0 to 1. */
  left: number;
  /** It is first named in the method. */
  inMethod: boolean;
  /** What a step before it left, and the share of that where no grams were said, 0 to 1. */
  leaving?: { by: Step; share: number | null };
}

/** So much of a thing at a station; `share` of all of it. */
export interface Put {
  thing: number;
  share: number;
  late: boolean;
  /** Nobody said where: it is placed by what it is. */
  ours: boolean;
}

/** One station as the recipe has it. */
export interface Step {
  kind: KindName;
  puts: Put[];
  minutes: number | null;
  /** The words that were read into it, for its parameters; what could not be read stays in them. */
  text: string;
  tempC: number | null;
  pct: number | null;
  /** Strands that flow in here. */
  joins: number[];
  /** It begins with a part of a strand that was divided: so much of it, 0 to 1. */
  part: { strand: number; share: number } | null;
  /** Added by us, for safety or for want of an end. */
  ours: boolean;
  peel: boolean;
  /** What is called hot is only warm: no thermometer will tell. */
  warm?: true;
}

/** A piece of a sentence, and the step that it was read into: strand and index; null where it says nothing of one. */
export interface TextPiece {
  text: string;
  step: Step | null;
}

/** A recipe as it is meant: its things, and its strands, the last one the sauce. */
export interface ReadRecipe {
  title: string | null;
  notes: string[];
  things: RecipeThing[];
  strands: Step[][];
  /** The sentences of its method, in pieces that make them up whole. */
  method: TextPiece[][];
  /** Indices of the strands that end in bottles or bowls; the last one is worked on last. */
  ends: number[];
}
