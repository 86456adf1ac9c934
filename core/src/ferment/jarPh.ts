import { PK } from './constants';

const KA = 10 ** (3 - PK.lactic);
const KC = 10 ** (3 - PK.acetic);

/** A jar's buffer: `beta` in mmol/l per pH (linear), natural pH `pH0`. */
export interface JarBuffer {
  beta: number;
  pH0: number;
}

/**
 * pH of a jar with `lactate` and `acetate` mmol/l (all forms) by charge balance with a linear buffer
 * (chapter 4, section 2.3), Newton from `start`. Monotone, so it converges; stops at 1e-9.
 */
export function jarPh(buffer: JarBuffer, lactate: number, acetate: number, start: number): number {
  const H0 = 10 ** (3 - buffer.pH0);
  let p = start;
  for (let i = 0; i < 30; i++) {
    const H = 10 ** (3 - p);
    const aL = KA / (KA + H);
    const aA = KC / (KC + H);
    const f = buffer.beta * (buffer.pH0 - p) + H - H0 - lactate * aL - acetate * aA;
    const slope = -buffer.beta - Math.LN10 * (H + lactate * aL * (1 - aL) + acetate * aA * (1 - aA));
    const step = f / slope;
    p -= Math.max(-0.7, Math.min(0.7, step));
    if (Math.abs(step) < 1e-9) break;
  }
  return p;
}

/** Undissociated lactic acid at a pH, mmol/l. */
export function undissociated(lactate: number, pH: number): number {
  const H = 10 ** (3 - pH);
  return (lactate * H) / (H + KA);
}
