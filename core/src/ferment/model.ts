import { ACETATE_PER_HETERO, BLOCK_H, CARDINAL_T, DECAY, HALF_SATURATION, PH_OPT, YEAST } from './constants';
import { jarPh, undissociated } from './jarPh';
import type { JarParameters } from './priors';
import { cpm, ctmi } from './rates';

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

/** A run of one member: values at the end of every block, the start first. */
export interface JarRun {
  pH: Float64Array;
  lactate: Float64Array;
  gas: Float64Array;
  sugar: Float64Array;
}

/** The pH at which the model's own scale and a meter in the salted jar meet. */
const MEETS = 4.6;

/**
 * What a meter shows in a jar that the model has at `pH`: lower at the start by `shift`, for salt lowers the reading before
 * any acid is there, and the same from 4.6 down, where the model was set against practice (docs/decisions).
 */
function shownPh(P: Pick<JarParameters, 'pH0' | 'shift'>, pH: number): number {
  if (P.shift === 0 || P.pH0 <= MEETS) return pH;
  return pH - P.shift * Math.max(0, Math.min(1, (pH - MEETS) / (P.pH0 - MEETS)));
}

const SUBSTEPS = [1, 2, 3, 6, 12, 24] as const;

/**
 * Runs one jar over blocks of 6 h; `tempC[b]` is the mean temperature of block b.
 * Block Heun: second order on log cells, substeps chosen per block by the difference between the two
 * stages (chapter 4, section 3; error at `tol` 0.01 about 0.006 pH). Deterministic.
 */
export function simulateJar(P: JarParameters, tempC: ArrayLike<number>, tol = 0.01): JarRun {
  const blocks = tempC.length;
  const system = jarSystem(P);
  let s = system.start();
  const saved = new Float64Array(N);
  const k1 = new Float64Array(N);
  const k2 = new Float64Array(N);
  const mid = new Float64Array(N);
  const buffer = { beta: P.beta, pH0: P.pH0 };
  let pH = jarPh(buffer, s[6]!, s[7]!, P.pH0);
  const run: JarRun = {
    pH: new Float64Array(blocks + 1),
    lactate: new Float64Array(blocks + 1),
    gas: new Float64Array(blocks + 1),
    sugar: new Float64Array(blocks + 1),
  };
  const note = (b: number) => {
    run.pH[b] = shownPh(P, pH);
    run.lactate[b] = s[6]!;
    run.gas[b] = s[8]!;
    run.sugar[b] = Math.max(0, s[5]!);
  };
  note(0);
  let level = 2;
  for (let b = 0; b < blocks; b++) {
    const T = tempC[b]!;
    if (b > 0 && Math.abs(T - tempC[b - 1]!) > 3) level = Math.min(level + 1, SUBSTEPS.length - 1);
    saved.set(s);
    const startPh = pH;
    for (;;) {
      const n = SUBSTEPS[level]!;
      const h = BLOCK_H / n;
      let err = 0;
      for (let i = 0; i < n; i++) {
        const t = b * BLOCK_H + i * h;
        pH = system.rates(s, t, T, k1, pH);
        for (let j = 0; j < N; j++) mid[j] = s[j]! + h * k1[j]!;
        if (mid[5]! < 0) mid[5] = 0;
        const pMid = system.rates(mid, t + h, T, k2, pH);
        for (let j = 0; j < N; j++) s[j] = s[j]! + (h / 2) * (k1[j]! + k2[j]!);
        if (s[5]! < 0) s[5] = 0;
        pH = pMid;
        let e = (2 * Math.abs(k2[6]! - k1[6]!)) / P.beta;
        if (s[1]! > LN_1E6) e = Math.max(e, 0.3 * Math.abs(k2[1]! - k1[1]!));
        if (s[0]! > LN_1E6) e = Math.max(e, 0.3 * Math.abs(k2[0]! - k1[0]!));
        err = Math.max(err, (e * h) / 2);
      }
      if (err > 6 * tol && level < SUBSTEPS.length - 1) {
        level = Math.min(level + (err > 24 * tol ? 2 : 1), SUBSTEPS.length - 1);
        s = saved.slice();
        pH = startPh;
        continue;
      }
      if (err > 2 * tol && level < SUBSTEPS.length - 1) level++;
      else if (level > 0 && err * (n / SUBSTEPS[level - 1]!) ** 2 < tol) level--;
      break;
    }
    pH = jarPh(buffer, s[6]!, s[7]!, pH);
    note(b + 1);
  }
  return run;
}
const LN_1E6 = Math.log(1e-6);
