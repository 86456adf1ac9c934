import { gramsOf, sameThing, type StationEntry } from '../file';
import { kindOf } from '../matter/kind';
import { massOf, percent } from '../matter/stream';
import type { Parcel } from '../parcel';
import { StationProblem } from '../stations';
import type { Taken } from './intake';

/**
 * More than this many times everything else in the bowl, of one thing, is a slip of the finger (our judgement). What carries
 * a little hot stuff (water, vinegar, oil, honey) may be much of it; where nothing came along yet, anything may.
 */
const MOST_TIMES = { thing: 8, carrier: 150, first: 150 } as const;
/** A carrier: this wet, this sweet, or fat, %; and what is a sauce itself: a few pods in soy sauce or mirin are a table sauce. */
const CARRIES = { water: 80, sugars: 45, fat: 80 } as const;
const carries = (t: Taken): boolean =>
  (Object.keys(CARRIES) as (keyof typeof CARRIES)[]).some((c) => percent(t.flow.stream, c) >= CARRIES[c]) ||
  (t.intake.origin.from === 'larder' && kindOf({ key: t.intake.origin.key }).family === 'sauce');
/** So is a bowl this salty by salt itself (our judgement); what a salty sauce brings is meant. */
const MOST_SALT_PCT = 15;
const SALT_ITSELF_PCT = 50;

/** Amounts that are a slip of the finger, in the typical world. Throws StationProblem at the intake. */
export function refuseSlips(entry: StationEntry, along: Parcel, taken: readonly Taken[], bowl: Parcel): void {
  const at = (t: Taken) => `intakes/${entry.intakes.indexOf(t.intake)}/amount`;
  const alongG = massOf(along.stream);
  const again = entry.intakes.findIndex((x, i) => gramsOf(x.amount) !== 0 && entry.intakes.findIndex((y) => sameThing(x, y)) !== i);
  if (again >= 0) throw new StationProblem(`intakes/${again}`, 'This is listed twice. Give each thing one line.');
  const stuff = taken.reduce((s, t) => s + (t.intake.origin.from === 'larder' ? 0 : massOf(t.stays.stream)), alongG);
  if (!(stuff > 0)) return;
  const all = massOf(bowl.stream);
  for (const t of taken) {
    const g = massOf(t.flow.stream);
    const times = t.intake.origin.from === 'larder' ? g / Math.max(all - g, stuff) : 0;
    const most = alongG > 0 ? (carries(t) ? MOST_TIMES.carrier : MOST_TIMES.thing) : MOST_TIMES.first;
    if (times > most)
      throw new StationProblem(
        at(t),
        `So much ${t.flow.name.split(',')[0]!.toLowerCase()} is ${Math.round(times)} times the rest of it. Check the amount.`,
      );
  }
  const salty = percent(bowl.stream, 'salt');
  if (taken.length === 0 || salty <= Math.max(MOST_SALT_PCT, percent(along.stream, 'salt'))) return;
  const saltiest = taken.reduce((x, y) => (x.flow.stream.grams.salt > y.flow.stream.grams.salt ? x : y));
  if (percent(saltiest.flow.stream, 'salt') < SALT_ITSELF_PCT) return;
  throw new StationProblem(at(saltiest), `This makes it ${salty.toFixed(0)} % salt. Nobody can eat that. Check the amount.`);
}
