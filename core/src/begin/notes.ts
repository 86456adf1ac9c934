import type { Caution } from '../caution';
import type { BatchFile, Goal } from '../file';
import { endStrands, intakesOf, podUses, type Fills } from '../line';
import type { PodLot } from '../pantry';
import { FILL_ODDS } from '../solve';
import { oddsText } from '../stat';
import { styleOf } from '../styles';

/** The dangers among cautions, each once. */
export function dangersIn(cautions: readonly Caution[]): Caution[] {
  const all = cautions.filter((c) => c.severity === 'danger');
  return all.filter((c, i) => all.findIndex((d) => d.id === c.id) === i);
}

/** A last bottle that is no sure one. */
export function fillNotes({ odds }: Fills, bottles: number, file: BatchFile): string[] {
  const wished = endStrands(file).reduce((n, s) => n + s.goal.bottles, 0);
  if (bottles < wished || odds >= FILL_ODDS) return [];
  const n = wished === 1 ? 'The bottle is' : `All ${wished} bottles are`;
  return [`${n} full in ${oddsText(odds)} of such batches. Wish a little less, or add to it, and it is surer.`];
}

/** A style that takes a sauce, without one. */
export function sauceNotes(file: BatchFile): string[] {
  const takes = styleOf(file.style).takesSauce;
  return takes && !intakesOf(file).some(({ intake }) => intake.origin.from === 'stored')
    ? ['This is made to take a bottled sauce. Choose one here, or add it at Simmer.']
    : [];
}

/** Pods of another form than the style is made of; wetter than this they have little left to drink, % (our judgement). */
const DRY_PCT = 25;
export function formNotes(file: BatchFile): string[] {
  if (styleOf(file.style).pods !== 'dried') return [];
  const wet = file.lots.filter((l) => l.waterPct > DRY_PCT && podUses(file).some((u) => u.lotId === l.id));
  return wet.length === 0
    ? []
    : [`This is made of dried pods. ${wet.map((l) => l.name).join(', ')}: fresh, so that they soak up nothing. Take dried ones.`];
}

/** Of a recipe nothing is turned: it comes out as it comes out. */
export function recipeNotes(shu: number, bottles: number, _: PodLot | null, goal: Goal): string[] {
  const notes: string[] = [];
  if (bottles === 0) notes.push('This does not fill one bottle of that size. Choose a smaller one.');
  if (shu > goal.highShu) notes.push('As it is written it comes out hotter than you wish: fewer pods, or more of everything else.');
  if (shu > 0 && shu < goal.lowShu) notes.push('As it is written it comes out milder than you wish.');
  if (shu === 0) notes.push('Nothing in this list is hot.');
  return notes;
}

export function notesFor(shu: number, bottles: number, bought: PodLot | null, goal: Goal): string[] {
  const notes: string[] = [];
  if (bought) notes.push(`Your pods alone are too hot or too few for this, so ${bought.name.toLowerCase()} peppers carry them.`);
  if (shu < goal.lowShu) notes.push('These pods are too few or too mild for the heat you wish. Add hotter ones, or make fewer bottles.');
  if (shu > goal.highShu) notes.push('Even a little of these pods is hotter than you wish. Wish it hotter, or make more bottles of it.');
  if (bottles < goal.bottles) notes.push(`This fills ${bottles} of ${goal.bottles}. Make fewer bottles, or add pods.`);
  return notes;
}
