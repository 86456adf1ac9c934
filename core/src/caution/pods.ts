import type { Caution } from './caution';

/** From here on it burns skin at once, SHU as it is (our judgement). */
export const BURNS_SHU = 20_000;

/** Gloves and eyes: shown whenever hot pods are cut. */
export function handlingPods(hottestShu: number): Caution[] {
  if (!(hottestShu > 0)) return [];
  return [
    {
      id: 'capsaicin-skin',
      guide: 'skin-and-eyes',
      severity: hottestShu > BURNS_SHU ? 'danger' : 'caution',
      text: 'Wear gloves, keep your hands from your face, and keep children away from the board.',
      why: 'Capsaicin stays on skin for hours and burns eyes badly.',
      authority: 'common practice',
    },
  ];
}

/** Fumes and hot lids: shown whenever hot stuff is blended. */
export function blending(): Caution[] {
  return [
    {
      id: 'capsaicin-air',
      guide: 'hot-air',
      severity: 'caution',
      text: 'Open a window and lift the lid away from you. Never blend hot liquid in a closed jug.',
      why: 'Chili mist makes you cough, and steam throws the lid off.',
      authority: 'common practice',
    },
  ];
}
