import { Type, type Static } from '@sinclair/typebox';
import { bottling, serving } from '../caution';
import { volumeMl } from '../matter/density';
import { sauceOf, type Limit, type Sauce } from '../keep';
import { massOf } from '../matter/stream';
import { splitParcel } from '../parcel';
import { station, StationProblem, type Outcome, type StationView } from './station';

const schema = Type.Object({}, { additionalProperties: false });
export type BowlParams = Static<typeof schema>;

export interface BowlFacts {
  bowls: number;
  wanted: number;
  possible: number;
  bowlMl: number;
  filledMl: number;
  overMl: number;
  perBowlG: number;
}

const NO_GOAL = { bottles: 0, bottleMl: 150 } as const;
/** An open bowl waits this long in the fridge at most, days (common practice, no source). */
const OPEN_BOWL: Limit = { place: 'fridge', days: 3 };

function sauceIn(v: StationView<BowlParams, BowlFacts>): Sauce | null {
  return v.facts && v.after.massG > 0 ? sauceOf(v.out.stream, v.out.past, v.after) : null;
}

/** Into a bowl, to be eaten fresh: no bottle, no cap, days at most. */
export const bowl = station<'bowl', BowlParams, BowlFacts>({
  kind: 'bowl',
  name: 'Serve',
  verb: 'Into a bowl, eaten fresh',
  schema,
  weighed: null,
  vessel: 'bowl',
  defaults: () => ({}),
  days: () => 0,
  minutes: () => ({ hands: 3, clock: 3 }),
  needsStuff: true,
  tasted: true,
  gives: { over: 'rest that filled no bowl' },
  apply(input, _, { log, goal: wish, draw }): Outcome<BowlFacts> {
    if (!(massOf(input.stream) > 0)) return { out: input, made: [], sides: [], facts: null };
    const goal = wish ?? NO_GOAL;
    const volume = volumeMl(input.stream);
    const possible = Math.floor(volume / goal.bottleMl + 1e-9);
    if (log.bottles !== undefined && draw.typical && log.bottles > possible + 1 && log.bottles > possible * 1.15)
      throw new StationProblem(
        'log/bottles',
        `The sauce fills about ${possible} bowls of ${goal.bottleMl} ml. Check the count or the weights before it.`,
      );
    const bowls = log.bottles ?? Math.min(goal.bottles, possible);
    const filledMl = Math.min(volume, bowls * goal.bottleMl);
    const { taken, left } = splitParcel(input, volume > 0 ? 1 - filledMl / volume : 0);
    return {
      out: left,
      made: [],
      sides: massOf(taken.stream) > 0 ? [{ id: 'over', name: 'left over', ...taken, kept: true }] : [],
      facts: {
        bowls,
        wanted: goal.bottles,
        possible,
        bowlMl: goal.bottleMl,
        filledMl,
        overMl: volume - filledMl,
        perBowlG: (massOf(input.stream) / volume) * goal.bottleMl,
      },
    };
  },
  step: () => 'Into a bowl, and on the table. What is left goes into the fridge within two hours.',
  duties: (v) => [{ key: 'serve', text: 'Taste, put right, and put it on the table', why: 'It is at its best today.', due: v.to }],
  wantsMl: (_, goal) => goal.bottles * goal.bottleMl,
  bottled: (f) => ({ filled: f.bowls, possible: f.possible, filledMl: f.filledMl, overMl: f.overMl }),
  fills: sauceIn,
  keepsAtMost: OPEN_BOWL,
  cautions: (v) => {
    const sauce = sauceIn(v);
    if (!sauce || !v.keeping) return [];
    return [...serving(v.keeping), ...bottling(sauce, v.keeping).filter((c) => c.id !== 'scald')];
  },
});
