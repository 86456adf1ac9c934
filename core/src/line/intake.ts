import { BURNS_SHU } from '../caution';
import type { Intake } from '../file';
import { podVariance } from '../heat';
import type { Ingredient } from '../matter/ingredient';
import { EMPTY, massOf, type Stream } from '../matter/stream';
import { foodsOf, freeOilPerGram } from '../matter/rowFoods';
import { kindOf } from '../matter/kind';
import { freshPast, join, lotFoods, lotOil, NO_PARCEL, parcel, storedParcel, type Parcel, type StoredStuff } from '../parcel';
import {
  cutPods,
  heatOfRow,
  ingredientStream,
  lotShu,
  lotStirsEven,
  lotStream,
  podsIn,
  prepSd,
  stirsEven,
  thirstPerGram,
  type PodLot,
} from '../pantry';
import type { Draw } from '../stat/draw';
import type { Flow } from '../stations';
import { seedShare } from '../heat';

/** One intake as it went in, in one world. */
export interface Taken {
  intake: Intake;
  /** All of it, as weighed. */
  flow: Flow;
  /** What gets into the bowl. */
  stays: Parcel;
  /** What the knife takes off; null where there is no knife. */
  goes: Stream | null;
  /** Heat of what is handled raw here, SHU as it is; pods it is counted in. */
  shu: number;
  pods: number;
}

/** Where the things of a file are found. */
export interface Stores {
  lot(id: string): PodLot;
  row(key: string): Ingredient;
  stored(id: string): StoredStuff;
  /** What an outlet hands to this intake, with its name. */
  outlet(intake: Intake): { parcel: Parcel; id: string; name: string };
}

/** Forms of pods that may have stood in a jar. */
const OUT_OF_A_JAR: ReadonlySet<PodLot['form']> = new Set(['ferment', 'pulp']);

/** Grams of pods of a lot, cut: what stays, and what the knife takes off. `own` are the unknowns of the station. */
function pods(intake: Intake, lotId: string, massG: number, stores: Stores, draw: Draw, own: Draw): Taken {
  const lot = stores.lot(lotId);
  const { prep } = intake.origin as Extract<Intake['origin'], { from: 'pods' }>;
  const n = podsIn(lot, massG);
  const whole = lotStream(lot, stores.row(lot.like), massG, draw, Math.sqrt(podVariance(n)));
  const foods = lotFoods(lot);
  // An own ferment, and what a sieve kept of one, came out of a jar: where nothing more is known of it, one that nobody read.
  const ferment = lot.jar ?? (OUT_OF_A_JAR.has(lot.form) ? ('unread' as const) : null);
  const past = { ...freshPast(foods, massG), freeOilG: massG * lotOil(lot), ferment };
  const luck = Math.exp(prepSd(lot, prep) * own.z(`knife.${lot.id}`));
  const { stays, goes } = cutPods(lot, prep, whole, luck);
  const left = massOf(stays);
  const seedG = left * seedShare(prep, lot.capsaicinoidClass, lot.anatomy);
  // SHU per g refers to the destemmed pod; the stem's grams carry none of it (see `cutPods`).
  const heatShuG = stays.heatShuG + goes.heatShuG;
  const ledger = whole.ledger.map((e) => ({ ...e, heatShuG }));
  return {
    intake,
    flow: { id: lot.id, name: lot.name, ...parcel({ ...whole, heatShuG, ledger }, past) },
    stays: parcel(stays, { ...past, ...freshPast(foods, left), seedG, thirstG: thirstPerGram(lot) * left }),
    goes,
    shu: lotShu(lot),
    pods: n,
  };
}

/** What an intake of `massG` grams brings, in one world; for an outlet the grams are those it hands out. */
export function take(intake: Intake, massG: number, stores: Stores, draw: Draw, own: Draw): Taken {
  const { origin } = intake;
  const plain = (id: string, name: string, p: Parcel, shu = 0): Taken => ({
    intake,
    flow: { id, name, ...p },
    stays: p,
    goes: null,
    shu,
    pods: 0,
  });
  switch (origin.from) {
    case 'pods':
      return pods(intake, origin.lotId, massG, stores, draw, own);
    case 'larder': {
      const row = stores.row(origin.key);
      const foods = foodsOf(row);
      const past = { ...freshPast(foods, massG, kindOf(row).family === 'water' ? massG : 0), freeOilG: massG * freeOilPerGram(row) };
      return plain(row.key, row.name.toLowerCase(), parcel(ingredientStream(row, massG, draw), past), heatOfRow(row)?.shu ?? 0);
    }
    case 'stored': {
      const stuff = stores.stored(origin.id);
      const shu = stuff.heat?.shu ?? 0;
      // A mild sauce that is poured needs no gloves.
      return plain(stuff.id, stuff.name, storedParcel(stuff, massG, draw), shu > BURNS_SHU ? shu : 0);
    }
    default: {
      const { parcel: p, id, name } = stores.outlet(intake);
      return plain(id, name, p);
    }
  }
}

/** An intake of nothing. */
export const nothing = (intake: Intake): Taken => ({
  intake,
  flow: { id: intake.id, name: '', ...NO_PARCEL },
  stays: { ...NO_PARCEL, stream: EMPTY },
  goes: null,
  shu: 0,
  pods: 0,
});

/**
 * What came along with what goes in: one body as it was where all of that dissolves, pours or is smooth (handbook chapter 6,
 * section 4); only pieces un-blend it. What is all of such things is one body from the start.
 */
export function stirred(along: Parcel, taken: readonly Taken[], stores: Stores): Parcel {
  const bowl = join(along, ...taken.map((t) => t.stays));
  const { blended, texture, look } = along.past;
  if (bowl === along || (!blended && massOf(along.stream) > 0)) return bowl;
  const even = taken.every(({ intake: { origin }, stays }) => {
    if (!(massOf(stays.stream) > 0)) return true;
    if (origin.from === 'larder') return stirsEven(stores.row(origin.key));
    return origin.from === 'pods' ? lotStirsEven(stores.lot(origin.lotId)) : stays.past.blended;
  });
  if (!even) return bowl;
  return { ...bowl, past: { ...bowl.past, blended: true, ...(blended ? { texture, look } : {}) } };
}
