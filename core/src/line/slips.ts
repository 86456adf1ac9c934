import { gramsOf, sameThing, type StationEntry } from '../file';
import { massOf, percent } from '../matter/stream';
import type { Parcel } from '../parcel';
import { StationProblem } from '../stations';
import type { Taken } from './intake';

/** More than this many times everything else, of one thing, is a slip of the finger; less strict where nothing came along yet (our judgement). */
const MOST_TIMES = { along: 10, first: 100 } as const;
/** So is a bowl this salty (our judgement). */
const MOST_SALT_PCT = 15;

/** Amounts that are a slip of the finger, in the typical world. Throws StationProblem at the intake. */
export function refuseSlips(entry: StationEntry, along: Parcel, taken: readonly Taken[], bowl: Parcel): void {
  const at = (t: Taken) => `intakes/${entry.intakes.indexOf(t.intake)}/amount`;
  const alongG = massOf(along.stream);
  const again = entry.intakes.findIndex((x, i) => gramsOf(x.amount) !== 0 && entry.intakes.findIndex((y) => sameThing(x, y)) !== i);
  if (again >= 0) throw new StationProblem(`intakes/${again}`, 'This is listed twice. Give each thing one line.');
  const stuff = taken.reduce((s, t) => s + (t.intake.origin.from === 'larder' ? 0 : massOf(t.stays.stream)), alongG);
  if (!(stuff > 0)) return;
  const most = alongG > 0 ? MOST_TIMES.along : MOST_TIMES.first;
  for (const t of taken) {
    const times = t.intake.origin.from === 'larder' ? massOf(t.flow.stream) / stuff : 0;
    if (times > most)
      throw new StationProblem(
        at(t),
        `So much ${t.flow.name.split(',')[0]!.toLowerCase()} is ${Math.round(times)} times the rest of it. Check the amount.`,
      );
  }
  const salty = percent(bowl.stream, 'salt');
  if (taken.length === 0 || salty <= Math.max(MOST_SALT_PCT, percent(along.stream, 'salt'))) return;
  const saltiest = taken.reduce((x, y) => (x.flow.stream.grams.salt > y.flow.stream.grams.salt ? x : y));
  throw new StationProblem(at(saltiest), `This makes it ${salty.toFixed(0)} % salt. Nobody can eat that. Check the amount.`);
}
