/** What is tasted of a sauce, and what is wished of it, on five rails (handbook chapter 2, section 8). */
export const RAILS = ['heat', 'sour', 'salt', 'sweet', 'body'] as const;
export type Rail = (typeof RAILS)[number];
/** What they are called, for people. */
export const RAIL_NAMES: Readonly<Record<Rail, string>> = {
  heat: 'heat',
  sour: 'sourness',
  salt: 'salt',
  sweet: 'sweetness',
  body: 'body',
};

/** Heat in SHU, sourness as pH, salt and sugars in %, body in steps; null where there is none to speak of. */
export type RailValues = Record<Rail, number | null>;

/** What a taster says of a rail. */
export const TASTE_WORDS = ['little', 'right', 'much'] as const;
export type TasteWord = (typeof TASTE_WORDS)[number];
export type Says = Partial<Record<Rail, TasteWord>>;

export interface Window {
  low: number;
  high: number;
}
/** A window, and whether the maker asked for it; others are held where they are. */
export interface RailWish extends Window {
  named: boolean;
}
/** `acid` is the share of all acids, %: what "too sour" is about, for water hardly moves a pH. */
export type TrimWish = Record<Rail, RailWish | null> & { acid: Window | null };

/** What a maker's tastings say of where a rail is right: its level, and how many said so. */
export type Palate = Partial<Record<Rail, { level: number; said: number }>>;

/**
 * What a word asks for: the nearest level that is worth a correction, and the farthest that is still one (our judgement:
 * two to three just noticeable differences). "times" and "plus" whichever is more.
 */
const ASKS = {
  heat: { little: { near: 1.5, far: 2.1 }, much: { near: 1 / 1.5, far: 0.45 } },
  salt: { little: { near: 1.25, far: 1.6 }, much: { near: 0.78, far: 0.55 } },
  sweet: { little: { near: 1.35, far: 1.9 }, much: { near: 0.75, far: 0.5 } },
} as const;
/** Least steps up, % of the mass: nothing is a quarter more of nothing. */
const LEAST_UP: Partial<Record<Rail, number>> = { salt: 0.3, sweet: 1.5 };
/** Sour by pH, body by steps. */
const PH_STEP = { near: 0.2, far: 0.45 } as const;
/** Too sour: of all acids so much is to stay, while the pH may rise a little. */
const LESS_ACID = { low: 0.55, high: 0.8, phUp: 0.25 } as const;
const BODY_ASK = { near: 0.8, far: 1.7 } as const;
/** A sauce is not made less sour than this (chapter 4, section 6: the line above which nothing keeps long). */
export const LEAST_SOUR_PH = 4;
/** Nobody wants it more sour (our judgement). */
const MOST_SOUR_PH = 2.9;

/** How far a rail that nobody named may move: a share of it, or as much, whichever is more (our judgement: hardly tasted). */
const HELD = {
  heat: { share: 0.12, least: 30 },
  salt: { share: 0.1, least: 0.15 },
  sweet: { share: 0.15, least: 0.8 },
} as const;
const HELD_BODY = 0.5;
/** pH may fall a little, and rise only where the sauce stays clearly sour. */
const HELD_PH = { down: 0.15, up: 0.03, free: 3.8, most: 0.2 } as const;

/** Levels said to be right count like this many of our own guesses (our judgement). */
const OWN_WEIGHT = 2;

/** The near edge of a wish, drawn towards what this maker called right where that lies on the same side. */
function learnt(rail: Rail, now: number, near: number, palate: Palate): number {
  const own = palate[rail];
  if (!own || !(own.said > 0) || (near < now ? own.level >= now : own.level <= now)) return near;
  const w = own.said / (own.said + OWN_WEIGHT);
  const plain = rail === 'sour' || rail === 'body';
  return plain || !(own.level > 0 && near > 0)
    ? (1 - w) * near + w * own.level
    : Math.exp((1 - w) * Math.log(near) + w * Math.log(own.level));
}

function named(rail: Rail, now: number, word: 'little' | 'much', palate: Palate): RailWish | null {
  const between = (near: number, far: number): RailWish => {
    const edge = learnt(rail, now, near, palate);
    // What was called right may lie beyond the far edge: the window then goes on as wide as before.
    const end = (far - near) * (edge - near) > 0 && Math.abs(edge - now) > Math.abs(far - now) ? edge + (far - near) : far;
    return { low: Math.min(edge, end), high: Math.max(edge, end), named: true };
  };
  if (rail === 'sour') {
    // "Little" is flat: the pH is to fall.
    if (word === 'little') {
      const near = Math.max(MOST_SOUR_PH, now - PH_STEP.near);
      return near >= now ? null : between(near, Math.max(MOST_SOUR_PH - 0.2, now - PH_STEP.far));
    }
    // Water hardly moves a pH: what tastes sour is the acid, and that is what is thinned (see `acid`).
    return now >= LEAST_SOUR_PH ? null : { low: now - HELD_PH.up, high: Math.min(LEAST_SOUR_PH, now + LESS_ACID.phUp), named: true };
  }
  if (rail === 'body') {
    const to = word === 'little' ? 1 : -1;
    const [near, far] = [now + to * BODY_ASK.near, now + to * BODY_ASK.far];
    return near < 1 || near > 7 ? null : between(near, Math.min(7, Math.max(1, far)));
  }
  const { near, far } = ASKS[rail][word];
  if (word === 'much') return now > 0 ? between(now * near, now * far) : null;
  const least = LEAST_UP[rail] ?? 0;
  const up = Math.max(now * near, now + least);
  return up > now ? between(up, Math.max(now * far, now + 2.5 * least)) : null;
}

function held(rail: Rail, now: number): RailWish {
  if (rail === 'body') return { low: Math.max(1, now - HELD_BODY), high: Math.min(7, now + HELD_BODY), named: false };
  if (rail === 'sour') {
    const up = now < HELD_PH.free ? Math.min(HELD_PH.free, now + HELD_PH.most) : now;
    return { low: now - HELD_PH.down, high: Math.max(up, now + HELD_PH.up), named: false };
  }
  const by = Math.max(HELD[rail].share * now, HELD[rail].least);
  return { low: Math.max(0, now - by), high: now + by, named: false };
}

/** Why a word asks for nothing, in a sentence. */
const NOTHING_TO_DO: Record<Rail, Record<'little' | 'much', string>> = {
  heat: { little: 'There is no heat to build on: say how hot it is first.', much: 'There is no heat in it to take away.' },
  sour: {
    little: 'It is as sour by pH as a sauce gets. What seems flat may want salt.',
    much: 'Its pH is to stay at 4.0 or below. Something sweet rounds it off instead.',
  },
  salt: { little: 'There is no salt to build on.', much: 'There is no salt in it to take away.' },
  sweet: { little: 'There is nothing sweet to build on.', much: 'There is nothing sweet in it to take away.' },
  body: { little: 'It stands up already.', much: 'It is as thin as water.' },
};

/**
 * What is wished of each rail, from what was said of it or set on it by hand; rails that nobody named are held where they
 * are. `notes` tells which words ask for nothing. Rails without a value are left free.
 */
export function trimWish(
  now: RailValues & { acid: number },
  says: Says,
  set: Partial<Record<Rail, Window>> = {},
  palate: Palate = {},
): { wish: TrimWish; notes: string[] } {
  const notes: string[] = [];
  const of = (rail: Rail): RailWish | null => {
    const value = now[rail];
    if (value === null) return null;
    const own = set[rail];
    if (own) {
      const high = rail === 'sour' ? Math.min(own.high, Math.max(LEAST_SOUR_PH, value)) : own.high;
      return { low: Math.min(own.low, high), high, named: true };
    }
    const word = says[rail];
    if (word !== 'little' && word !== 'much') return held(rail, value);
    const wish = named(rail, value, word, palate);
    if (!wish) notes.push(NOTHING_TO_DO[rail][word]);
    return wish ?? held(rail, value);
  };
  const rails = Object.fromEntries(RAILS.map((r) => [r, of(r)])) as Record<Rail, RailWish | null>;
  const thin = says.sour === 'much' && !set.sour && rails.sour?.named && now.acid > 0;
  return { wish: { ...rails, acid: thin ? { low: LESS_ACID.low * now.acid, high: LESS_ACID.high * now.acid } : null }, notes };
}

/** Held rails twice as free: what is asked for may move the rest. */
export const loosened = (wish: TrimWish, now: RailValues): TrimWish => ({
  ...wish,
  ...(Object.fromEntries(
    RAILS.map((r) => {
      const w = wish[r];
      const value = now[r];
      if (!w || w.named || value === null) return [r, w];
      // Sourness is never let go upwards.
      const high = r === 'sour' ? w.high : value + 2 * (w.high - value);
      return [r, { ...w, low: value - 2 * (value - w.low), high }];
    }),
  ) as Record<Rail, RailWish | null>),
});
