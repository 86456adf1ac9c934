import type { Caution } from './caution';

/** Smoke of hot pods over fire. */
export function charring(hot: boolean): Caution[] {
  if (!hot) return [];
  return [
    {
      id: 'capsaicin-smoke',
      guide: 'hot-air',
      severity: 'danger',
      text: 'Open a window and run the hood before the pods go in. Keep children and pets out of the kitchen.',
      why: 'The smoke of hot pods is capsaicin in the air: it bites eyes and lungs, and whoever has asthma most.',
      authority: 'common practice',
    },
  ];
}

/** A fridge is colder than this, °C; longer than this nothing stands warm, min (common practice, no source). */
const COLD_C = 8;
const WARM_MIN = 120;

/** Water that stood warm over dried pods. */
export function soaking(tempC: number, minutes: number): Caution[] {
  if (tempC < COLD_C || minutes <= WARM_MIN) return [];
  return [
    {
      id: 'soak-warm',
      guide: 'soak',
      severity: 'caution',
      text: 'Soak for two hours at most, or in the fridge. Throw away what stood warm for longer.',
      why: 'Water that is no longer hot is a good place for germs to grow.',
      authority: 'common practice',
    },
  ];
}

/** Syrup sticks where it lands, Bx; thick stuff throws drops, step of body (handbook chapter 5, sections 6 and 8). */
const SYRUP_BX = 55;
const SPITS_FROM = 5;
/** Vinegar that is boiled is smelt in the next room, % acetic acid (common practice, no source). */
const SHARP_PCT = 1;

/** A pot on the boil. */
export function boiling(pot: { hot: boolean; brix: number; body: number | null; acetic: number }): Caution[] {
  const found: Caution[] = [];
  if (pot.hot || pot.acetic > SHARP_PCT)
    found.push({
      id: 'boil-steam',
      guide: 'hot-air',
      severity: 'caution',
      text: 'Open a window and run the hood. Keep your face away from the steam, and children out of the kitchen.',
      why: 'The steam of hot pods and of vinegar bites eyes and lungs.',
      authority: 'common practice',
    });
  if (pot.brix >= SYRUP_BX)
    found.push({
      id: 'syrup-burns',
      guide: 'burns',
      severity: 'danger',
      text: 'Never taste or touch it hot. Long sleeves, a dry spoon, no children near.',
      why: 'Syrup is hotter than boiling water and sticks to the skin.',
      authority: 'common practice',
    });
  if (pot.body !== null && pot.body >= SPITS_FROM)
    found.push({
      id: 'pot-spits',
      guide: 'burns',
      severity: 'caution',
      text: 'Turn it down, use a deep pot and a splash guard, and stir to the bottom.',
      why: 'Thick sauce throws boiling drops, and burns at the bottom first.',
      authority: 'common practice',
    });
  return found;
}

/** A steep is cold, or sour enough that nothing grows in it: °C, % acetic acid (chapter 5, section 5). */
const STEEP = { coldC: 8, sourPct: 1, warmHours: 2 } as const;

/** Pods that stand in vinegar and salt; `aceticPct` of all of it. */
export function steeping(tempC: number, hours: number, aceticPct: number): Caution[] {
  if (hours <= STEEP.warmHours || tempC <= STEEP.coldC) return [];
  return [
    {
      id: 'steep-warm',
      guide: 'steep',
      severity: aceticPct >= STEEP.sourPct ? 'caution' : 'danger',
      text:
        aceticPct >= STEEP.sourPct
          ? 'Steep it in the fridge.'
          : 'Steep it in the fridge, or with more vinegar. This is too little acid to stand warm.',
      why: 'Cold and acid keep germs down while the acid has not reached the middle of the pods.',
      authority: 'common practice',
    },
  ];
}

/** Hot oil. */
export function frying(pan: { hot: boolean; body: number | null; oilG: number }): Caution[] {
  if (!(pan.oilG > 0)) return [];
  return [
    {
      id: 'hot-oil',
      guide: 'burns',
      severity: 'danger',
      text: 'Dry spoon, deep pan, splash guard. If it smokes, turn it off. If it burns, turn it off, cover it with a metal lid and leave it covered until it is cold. Never water.',
      why: 'Wet food throws hot oil, and oil that smokes is about to burn.',
      authority: 'common practice',
    },
    ...(pan.hot
      ? [
          {
            id: 'fry-fumes',
            guide: 'hot-air' as const,
            severity: 'caution' as const,
            text: 'Open a window and run the hood. Children and pets out of the kitchen.',
            why: 'Hot pods in hot oil bite eyes and lungs.',
            authority: 'common practice' as const,
          },
        ]
      : []),
  ];
}
