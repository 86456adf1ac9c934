import type { BatchFile } from '../file';
import { EATEN, heatWord, levelOf } from '../heat';
import { lastGoodDay, type Keeping } from '../keep';
import { endOf, reportTypical, stationOf, strandIn } from '../line';
import type { Day } from '../plan';
import { hash } from '../stat/draw';
import { ALLERGENS, type Allergen } from '../matter/allergen';
import { ingredientList, type IngredientList, type Listed } from './ingredients';

/** What stands on a label. */
export interface Label extends IngredientList {
  name: string;
  /** Word and level (0 to 10) of the heat, by how it is eaten. */
  heat: { word: string; level: number };
  madeOn: Day;
  /** Safety ("use by") or quality ("best before"), never later than the table of keeping. */
  date: { kind: 'use by' | 'best before'; on: Day };
  keep: string;
  opened: string;
  /** Something lives in it: it must be let out of the bottle. */
  live: boolean;
  netMl: number;
  code: string;
  /** Whether the pH was measured on the finished sauce. */
  measured: boolean;
  /** Why it keeps no longer. */
  reason: string;
}

/** Why there is no label, in a sentence. */
export class NoLabel extends Error {}

/** Rows of the table that are about quality; all others are about safety (handbook chapter 5, section 18.1). */
const QUALITY_ROWS: ReadonlySet<number | string> = new Set([8, 9, 10, 11, 12]);

/** Short, the same for the same bottling, and no two of a kitchen alike in practice. */
export function batchCode(file: BatchFile, strandId: string, filledOn: Day): string {
  const initials = file.name
    .split(/[^A-Za-z0-9]+/)
    .filter(Boolean)
    .map((w) => w[0]!.toUpperCase())
    .join('')
    .slice(0, 3);
  const tail = hash(`${file.name}/${file.startDate}/${strandId}/${file.seed}`, 7).toString(36).toUpperCase().slice(-3).padStart(3, '0');
  return `${initials || 'R'}${filledOn.slice(2, 4)}${filledOn.slice(5, 7)}${filledOn.slice(8, 10)}-${tail}`;
}

const keepWords = ({ place }: Keeping): string => (place === 'cupboard' ? 'Keep cool and dark' : 'Keep in the fridge');

/**
 * The label of what a strand of a batch filled. Place and date are those of the table of keeping, read here and nowhere
 * else; `noLaterThan` may only bring the date forward. Throws NoLabel where nothing is filled, or what is filled must be
 * thrown away; LineProblem when the line cannot run.
 */
export function labelOf(file: BatchFile, strandId: string, today: Day, noLaterThan?: Day): Label {
  const end = endOf(strandIn(file, strandId));
  const filledOn = end.log.doneOn;
  if (filledOn === undefined) throw new NoLabel('A label is for what is filled. Mark the bottles as done first.');
  const report = reportTypical(file, today);
  const made = report.ends.find((e) => e.strandId === strandId);
  const keeping = made?.keeping;
  if (!made || !keeping) throw new NoLabel('Nothing is in these bottles yet.');
  if (made.bottles.filled < 1 || !(made.bottles.filledMl > 0)) throw new NoLabel('No bottle was filled: count them first.');
  if (keeping.place === 'bin') throw new NoLabel(`This gets no label: ${keeping.text}`);
  if (made.vessel === 'bowl') throw new NoLabel('What is eaten from a bowl needs no label.');
  const station = stationOf(report, end.id);
  const wished = [noLaterThan, end.log.ownUntil].flatMap((d) => d ?? []).sort()[0];
  const on = lastGoodDay(keeping, filledOn, wished);
  const quality = keeping.rows.length > 0 && keeping.rows.every((r) => QUALITY_ROWS.has(r));
  return {
    ...ingredientList(file, strandId),
    name: file.strands.filter((s) => s.goal !== null).length > 1 && made.name ? `${file.name}: ${made.name}` : file.name,
    heat: { word: heatWord(made.finished.heatShu, made.eaten), level: levelOf(made.finished.heatShu / EATEN[made.eaten].bounds) },
    madeOn: filledOn,
    date: { kind: quality ? 'best before' : 'use by', on },
    keep: keepWords(keeping),
    opened: `once open: fridge, ${keeping.openedDays === 1 ? '1 day' : `${keeping.openedDays} days`}`,
    live: made.state === 'live',
    // What is in it, not what the glass holds to the brim; never more than was filled.
    netMl: Math.floor(made.bottles.filledMl / Math.max(1, made.bottles.filled) + 1e-6),
    code: batchCode(file, strandId, filledOn),
    measured: station.phMeasured,
    reason: keeping.text,
  };
}

/** A run of words of a list, and whether it stands out. */
export interface Run {
  text: string;
  strong: boolean;
}

/** The list of ingredients as runs: "vinegar, mustard (water, **mustard seed**, vinegar, salt)". */
export function ingredientRuns(listed: readonly Listed[]): Run[] {
  const out: Run[] = [];
  const say = (text: string, strong = false) => {
    const last = out.at(-1);
    if (last && last.strong === strong) last.text += text;
    else out.push({ text, strong });
  };
  listed.forEach((l, i) => {
    if (i > 0) say(', ');
    say(l.name, l.strong);
    if (l.parts.length === 0) return;
    say(' (');
    l.parts.forEach((p, n) => {
      if (n > 0) say(', ');
      say(p.name, p.strong);
    });
    say(')');
  });
  return out;
}

/** The sentence of allergens by both lists; empty when there are none and nothing is to be looked up. */
export function allergenWords(l: Pick<IngredientList, 'allergens' | 'perhaps' | 'lookUp'>, list: 'eu' | 'us'): string[] {
  const names = (all: readonly Allergen[]) => all.flatMap((a) => ALLERGENS[a][list] ?? []);
  const out: string[] = [];
  if (names(l.allergens).length > 0) out.push(`Contains: ${names(l.allergens).join(', ')}.`);
  if (names(l.perhaps).length > 0) out.push(`May contain ${names(l.perhaps).join(', ')}: check the packet of what went in.`);
  if (l.lookUp.length > 0) out.push(`Check for allergens: ${l.lookUp.join(', ')}.`);
  return out;
}
