import { ACETATE_PER_HETERO, BLOCK_H, CARDINAL_T, DECAY, HALF_SATURATION, PH_MAX, PH_OPT, PK, YEAST } from './constants';
import { jarPh } from './jarPh';
import type { JarParameters } from './priors';
import { ctmi } from './rates';

/** A run of one member: values at the end of every block, the start first. */
export interface JarRun {
  /** What a meter shows. */
  pH: Float64Array;
  /** Lactic acid in all its forms, CO2 made so far, and sugar that is left, mmol/l. */
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

/** Steps to a block of 6 h, coarse to fine: a jar in which little happens is stepped over in half days and days. */
const STEPS = [1 / 4, 1 / 2, 1, 2, 3, 6, 12, 24] as const;
const FINEST = STEPS.length - 1;
/** A jar at pH 4.3, mmol/l: what grows has grown. */
const SOURED = 10 ** (3 - 4.3);
/** One step a block, and where a run begins. */
const ONE = 2;
const FIRST = 4;
/** Temperature that moves by more than this between two blocks asks for finer steps at once, °C. */
const JUMP_C = 3;
/** Cells that are fewer count for nothing in the error, 1e9 per ml. */
const FEW = 1e-6;
/** Above this ln q the lag is over: q / (1 + q) is 1 to seven figures. */
const LAG_OVER = 16;
const KA = 10 ** (3 - PK.lactic);
const KC = 10 ** (3 - PK.acetic);
const { LN10 } = Math;
/** A pH that a Newton step moves by less than this is found; the next step begins from it. */
const PH_FOUND = 1e-3;
const PH_EXACT = 1e-5;

/** exp, by its series where that is exact to nine figures: most steps of a jar are small ones. */
const expOf = (u: number): number =>
  u < 0.1 && u > -0.1 ? 1 + u * (1 + u * (1 / 2 + u * (1 / 6 + u * (1 / 24 + u * (1 / 120 + u / 720))))) : Math.exp(u);

/**
 * Runs one jar over blocks of 6 h (handbook chapter 4, section 2.2); `tempC[b]` is the mean temperature of block b, °C.
 * Block Heun on log cells, steps chosen by the difference between the two stages (section 3; at `tol` 0.003 within
 * 0.01 pH). The state stands in local variables and pH is carried from step to step: this loop is most of what
 * a forecast costs. `enough` is asked after every step and may end the run there: the rest stays 0. Deterministic.
 */
export function simulateJar(
  P: JarParameters,
  tempC: ArrayLike<number>,
  tol = 0.003,
  enough: ((block: number, pH: Float64Array) => boolean) | null = null,
): JarRun {
  const blocks = tempC.length;
  const run: JarRun = {
    pH: new Float64Array(blocks + 1),
    lactate: new Float64Array(blocks + 1),
    gas: new Float64Array(blocks + 1),
    sugar: new Float64Array(blocks + 1),
  };
  const { beta, pH0, vigour, pMin1, pMin2, hMax1, hMax2, xMax, yMax, tauH, saltMax1, saltMax2 } = P;
  const H0 = 10 ** (3 - pH0);
  const [a1, a2, b1, b2] = [P.a1, P.a2, P.b1 * vigour, P.b2 * vigour];
  // Divisions that are the same in every step are done once.
  const perHMax1 = 1 / hMax1;
  const perHMax2 = 1 / hMax2;
  const perLateMax = perHMax2 / 1.4;
  const perXMax = 1 / xMax;
  const perYMax = 1 / yMax;
  const perSaltMax1 = 1 / saltMax1;
  const perSaltMax2 = 1 / saltMax2;
  const bound = P.sugar * (1 - P.freeSugar);
  // The state: cells (grown by the exponential of their logs' rates), log lag variables, sugar, lactate, acetate, gas.
  let X1 = P.x1;
  let X2 = P.x2;
  let Y = P.y;
  let q1 = Math.log(P.q0);
  let q2 = q1;
  let S = P.sugar * P.freeSugar;
  let L = P.lactate0;
  let A = P.acetate0;
  let C = 0;
  let p = jarPh(P, L, A, pH0);
  let H = 10 ** (3 - p);
  run.pH[0] = shownPh(P, p);
  run.lactate[0] = L;
  run.sugar[0] = S;
  let t1 = 0;
  let t2 = 0;
  let ty = 0;
  let warm = Number.NaN;
  let level: number = FIRST;
  // What is still uneven in the jar, from block to block and from step to step.
  let evenStart = 1;
  const evenSteps = STEPS.map((n) => Math.exp(-BLOCK_H / n / tauH));
  for (let b = 0; b < blocks;) {
    const T = tempC[b]!;
    if (T !== warm) {
      if (Math.abs(T - warm) > JUMP_C) level = Math.min(Math.max(level, ONE) + 1, FINEST);
      t1 = ctmi(T, P.tMin1, CARDINAL_T.hetero.opt, CARDINAL_T.hetero.max);
      t2 = ctmi(T, P.tMin2, CARDINAL_T.homo.opt, CARDINAL_T.homo.max);
      ty = ctmi(T, CARDINAL_T.yeast.min, CARDINAL_T.yeast.opt, CARDINAL_T.yeast.max);
      warm = T;
    }
    const sX1 = X1;
    const sX2 = X2;
    const sY = Y;
    const sq1 = q1;
    const sq2 = q2;
    const sS = S;
    const sL = L;
    const sA = A;
    const sC = C;
    const sp = p;
    let span: number;
    for (;;) {
      // Several blocks at once only in a soured jar, and where they are equally warm: few cells grow unseen.
      while (level < ONE && !(H > SOURED && equallyWarm(tempC, b, 1 / STEPS[level]!))) level++;
      const n = STEPS[level]!;
      const h = BLOCK_H / n;
      span = level < ONE ? 1 / n : 1;
      const evenStep = evenSteps[level]!;
      let even = evenStart;
      let err = 0;
      for (let i = 0; i < n; i++) {
        // Sugar that leaks out of the pods within the step, exactly: it may be over in an hour.
        const leaks = (bound * even * (1 - evenStep)) / h;
        // Two stages of Heun: rates at the start, then where these would lead.
        let cq1 = q1;
        let cq2 = q2;
        let cS = S;
        let cL = L;
        let cA = A;
        let n1 = X1;
        let n2 = X2;
        let ny = Y;
        let k1 = 0;
        let k2 = 0;
        let k3 = 0;
        let k4 = 0;
        let k5 = 0;
        let k6 = 0;
        let k7 = 0;
        let k8 = 0;
        let k9 = 0;
        for (let stage = 0; ; stage++) {
          // pH by charge balance, Newton from where it was.
          // pH was just worked out where a block begins.
          for (let tries = i + stage === 0 ? 12 : 0; tries < 12; tries++) {
            let dp = newtonStep(beta, pH0, H0, p, H, cL, cA);
            if (dp > 0.7) dp = 0.7;
            else if (dp < -0.7) dp = -0.7;
            p += dp;
            H *= expOf(-LN10 * dp);
            if (dp < PH_FOUND && dp > -PH_FOUND) break;
          }
          const HL = (cL * H) / (H + KA);
          const salt = P.salt + (P.brine - P.salt) * even;
          const gS1 = salt < saltMax1 ? 1 - salt * perSaltMax1 : 0;
          const gS2 = salt < saltMax2 ? 1 - salt * perSaltMax2 : 0;
          const gSy = salt < YEAST.saltMax ? 1 - salt / YEAST.saltMax : 0;
          const c1 = (p - pMin1) * (p - PH_MAX);
          const c2 = (p - pMin2) * (p - PH_MAX);
          const d1 = p - PH_OPT.hetero;
          const d2 = p - PH_OPT.homo;
          const gP1 = p > pMin1 && p < PH_MAX ? c1 / (c1 - d1 * d1) : 0;
          const gP2 = p > pMin2 && p < PH_MAX ? c2 / (c2 - d2 * d2) : 0;
          const gH1 = HL < hMax1 ? 1 - HL * perHMax1 : 0;
          const gH2 = HL < hMax2 ? 1 - HL * perHMax2 : 0;
          const mono = cS / (cS + HALF_SATURATION);
          const room = n1 + n2 < xMax ? 1 - (n1 + n2) * perXMax : 0;
          const u1 = t1 * gS1 * gP1 * gH1;
          const f4 = vigour * P.mu1 * u1;
          const f5 = vigour * P.mu2 * t2 * gS2 * gP2 * gH2;
          const m1 = (f4 * room * mono) / (cq1 > LAG_OVER ? 1 : 1 + Math.exp(-cq1));
          const m2 = (f5 * room * mono) / (cq2 > LAG_OVER ? 1 : 1 + Math.exp(-cq2));
          let late = 1 - HL * perLateMax;
          if (late < 0) late = 0;
          const near = (p - pMin2 + 0.2) * 1.25;
          late *= near > 1 ? 1 : near > 0 ? near : 0;
          let r1 = n1 * (a1 * m1 + b1 * u1 * mono);
          let r2 = n2 * (a2 * m2 + b2 * t2 * Math.sqrt(gS2) * late * mono);
          let ry = P.qYeast * ty * gSy * ny * mono;
          // No more sugar is used within a step than there is: what is short is short for all.
          const used = r1 + r2 / 2 + ry;
          const there = S / h + leaks;
          if (used > there) {
            const share = there / used;
            r1 *= share;
            r2 *= share;
            ry *= share;
          }
          const f1 = m1 - DECAY.hetero * t1 * (1 - gP1 * gH1);
          const f2 = m2 - DECAY.homo * t2 * (1 - gH2);
          const f3 = YEAST.growth * ty * gSy * mono * (1 - ny * perYMax);
          const f6 = leaks - r1 - r2 / 2 - ry;
          const f7 = r1 + r2;
          const f8 = ACETATE_PER_HETERO * r1;
          const f9 = r1 + 2 * ry;
          if (stage === 0) {
            k1 = f1;
            k2 = f2;
            k3 = f3;
            k4 = f4;
            k5 = f5;
            k6 = f6;
            k7 = f7;
            k8 = f8;
            k9 = f9;
            n1 = X1 * expOf(h * f1);
            n2 = X2 * expOf(h * f2);
            ny = Y * expOf(h * f3);
            cq1 += h * f4;
            cq2 += h * f5;
            cS += h * f6;
            if (cS < 0) cS = 0;
            cL += h * f7;
            cA += h * f8;
            even *= evenStep;
            continue;
          }
          const half = h / 2;
          let e = (2 * Math.abs(f7 - k7)) / beta;
          if (X2 > FEW) e = Math.max(e, 0.3 * Math.abs(f2 - k2));
          if (X1 > FEW) e = Math.max(e, 0.3 * Math.abs(f1 - k1));
          if (e * half > err) err = e * half;
          X1 *= expOf(half * (k1 + f1));
          X2 *= expOf(half * (k2 + f2));
          Y *= expOf(half * (k3 + f3));
          q1 += half * (k4 + f4);
          q2 += half * (k5 + f5);
          S += half * (k6 + f6);
          if (S < 0) S = 0;
          L += half * (k7 + f7);
          A += half * (k8 + f8);
          C += half * (k9 + f9);
          break;
        }
      }
      if (err > 6 * tol && level < FINEST) {
        level = Math.min(level + (err > 24 * tol ? 2 : 1), FINEST);
        X1 = sX1;
        X2 = sX2;
        Y = sY;
        q1 = sq1;
        q2 = sq2;
        S = sS;
        L = sL;
        A = sA;
        C = sC;
        p = sp;
        H = 10 ** (3 - p);
        continue;
      }
      if (err > 2 * tol && level < FINEST) level++;
      else if (level > 0 && err * (n / STEPS[level - 1]!) ** 2 < tol) level--;
      break;
    }
    // Exact at the end of each block, so that no error of the steps adds up.
    for (let tries = 0; tries < 12; tries++) {
      const dp = newtonStep(beta, pH0, H0, p, H, L, A);
      p += dp;
      H = Math.exp(LN10 * (3 - p));
      if (dp < PH_EXACT && dp > -PH_EXACT) break;
    }
    evenStart *= evenSteps[span === 1 ? ONE : span === 2 ? 1 : 0]!;
    const shown = shownPh(P, p);
    for (let i = 1; i <= span; i++) {
      // Where days are stepped over, what lies between is a straight line.
      const at = i / span;
      run.pH[b + i] = run.pH[b]! + at * (shown - run.pH[b]!);
      run.lactate[b + i] = run.lactate[b]! + at * (L - run.lactate[b]!);
      run.gas[b + i] = run.gas[b]! + at * (C - run.gas[b]!);
      run.sugar[b + i] = run.sugar[b]! + at * (S - run.sugar[b]!);
    }
    b += span;
    if (enough !== null && enough(b, run.pH)) break;
  }
  return run;
}

/** What pH is out by, from a pH `p` (with its hydrogen ions `H`) towards where the charges of the jar balance. */
function newtonStep(beta: number, pH0: number, H0: number, p: number, H: number, L: number, A: number): number {
  const aL = KA / (KA + H);
  const aA = KC / (KC + H);
  const f = beta * (pH0 - p) + H - H0 - L * aL - A * aA;
  return f / (beta + LN10 * (H + L * aL * (1 - aL) + A * aA * (1 - aA)));
}

/** The next `span` blocks are there, and as warm as this one. */
function equallyWarm(tempC: ArrayLike<number>, b: number, span: number): boolean {
  if (b + span > tempC.length) return false;
  for (let i = 1; i < span; i++) if (tempC[b + i] !== tempC[b]) return false;
  return true;
}
