import {
  ACETATE_PER_HETERO,
  CARDINAL_T,
  cpm,
  ctmi,
  DECAY,
  HALF_SATURATION,
  jarPh,
  PH_OPT,
  undissociated,
  YEAST,
  type JarParameters,
} from '../src';

/**
 * The equations of handbook chapter 4, section 2.2, written down plainly, once: what a general integrator solves in tests
 * and bench. The product's own loop (src/ferment/model.ts) says the same for speed; the two are held against each other.
 */

/** Order of the state: log cells (hetero, homo, yeast), log lag variables, sugar, lactate, acetate, CO2 (mmol/l). */
export const STATE = { lnX1: 0, lnX2: 1, lnY: 2, lnQ1: 3, lnQ2: 4, sugar: 5, lactate: 6, acetate: 7, gas: 8 } as const;
const N = 9;

/** Temperature factors of a block. */
interface Warmth {
  t1: number;
  t2: number;
  ty: number;
}

/** The jar as a system of ordinary differential equations: state at the start and its rates (per h). */
export interface JarSystem {
  start(): Float64Array;
  /** Fills `out` with d(state)/dt at time `tH`; returns the pH it used. */
  rates(state: Float64Array, tH: number, tempC: number, out: Float64Array, pHGuess: number): number;
}

/** The equations of chapter 4, section 2.2, for one member's parameters. */
export function jarSystem(P: JarParameters): JarSystem {
  const buffer = { beta: P.beta, pH0: P.pH0 };
  let warmAt = Number.NaN;
  let warm: Warmth = { t1: 0, t2: 0, ty: 0 };
  const warmth = (tempC: number) => {
    if (tempC !== warmAt) {
      const { hetero, homo, yeast } = CARDINAL_T;
      warm = {
        t1: ctmi(tempC, P.tMin1, hetero.opt, hetero.max),
        t2: ctmi(tempC, P.tMin2, homo.opt, homo.max),
        ty: ctmi(tempC, yeast.min, yeast.opt, yeast.max),
      };
      warmAt = tempC;
    }
    return warm;
  };
  return {
    start() {
      const s = new Float64Array(N);
      s[STATE.lnX1] = Math.log(P.x1);
      s[STATE.lnX2] = Math.log(P.x2);
      s[STATE.lnY] = Math.log(P.y);
      s[STATE.lnQ1] = s[STATE.lnQ2] = Math.log(P.q0);
      s[STATE.sugar] = P.sugar * P.freeSugar;
      s[STATE.lactate] = P.lactate0;
      s[STATE.acetate] = P.acetate0;
      return s;
    },
    rates(s, tH, tempC, out, pHGuess) {
      const { t1, t2, ty } = warmth(tempC);
      const x1 = Math.exp(s[0]!);
      const x2 = Math.exp(s[1]!);
      const y = Math.exp(s[2]!);
      const sugar = Math.max(0, s[5]!);
      const pH = jarPh(buffer, s[6]!, s[7]!, pHGuess);
      const HL = undissociated(s[6]!, pH);
      const even = Math.exp(-tH / P.tauH);
      const salt = P.salt + (P.brine - P.salt) * even;
      const gS1 = Math.max(0, 1 - salt / P.saltMax1);
      const gS2 = Math.max(0, 1 - salt / P.saltMax2);
      const gSy = Math.max(0, 1 - salt / YEAST.saltMax);
      const gP1 = cpm(pH, P.pMin1, PH_OPT.hetero);
      const gP2 = cpm(pH, P.pMin2, PH_OPT.homo);
      const gH1 = Math.max(0, 1 - HL / P.hMax1);
      const gH2 = Math.max(0, 1 - HL / P.hMax2);
      const mono = sugar / (sugar + HALF_SATURATION);
      const room = Math.max(0, 1 - (x1 + x2) / P.xMax);
      const n1 = P.vigour * P.mu1 * t1 * gS1 * gP1 * gH1;
      const n2 = P.vigour * P.mu2 * t2 * gS2 * gP2 * gH2;
      // q/(1+q) from ln q, which grows without bound in a long ferment.
      const m1 = (n1 * room * mono) / (1 + Math.exp(-s[3]!));
      const m2 = (n2 * room * mono) / (1 + Math.exp(-s[4]!));
      const late = Math.max(0, 1 - HL / (1.4 * P.hMax2)) * Math.max(0, Math.min(1, (pH - P.pMin2 + 0.2) / 0.8));
      const r1 = x1 * (P.a1 * m1 + P.b1 * P.vigour * t1 * gS1 * gP1 * gH1 * mono);
      const r2 = x2 * (P.a2 * m2 + P.b2 * P.vigour * t2 * Math.sqrt(gS2) * late * mono);
      const ry = P.qYeast * ty * gSy * y * mono;
      out[0] = m1 - DECAY.hetero * t1 * (1 - gP1 * gH1);
      out[1] = m2 - DECAY.homo * t2 * (1 - gH2);
      out[2] = YEAST.growth * ty * gSy * mono * (1 - y / P.yMax);
      out[3] = n1;
      out[4] = n2;
      out[5] = -r1 - r2 / 2 - ry + ((P.sugar * (1 - P.freeSugar)) / P.tauH) * even;
      out[6] = r1 + r2;
      out[7] = ACETATE_PER_HETERO * r1;
      out[8] = r1 + 2 * ry;
      return pH;
    },
  };
}
