import type { Caution } from './caution';

/** Smoke of hot pods over fire. */
export function charring(hot: boolean): Caution[] {
  if (!hot) return [];
  return [
    {
      id: 'capsaicin-smoke',
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
      severity: 'caution',
      text: 'Soak for two hours at most, or in the fridge. Throw away what stood warm for longer.',
      why: 'Water that is no longer hot is a good place for germs to grow.',
      authority: 'common practice',
    },
  ];
}
