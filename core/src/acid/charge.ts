import { DEBYE, WATER } from './constants';
import type { AcidPool, PoolAcid } from './pool';

/** Debye-Hückel term D(I) of the SIT form, equation 2; I in mol/kg water. */
export function debye(ionicStrength: number): number {
  const root = Math.sqrt(ionicStrength);
  return (DEBYE.A * root) / (1 + DEBYE.Ba * root);
}

/** Activity coefficient of an ion of charge z by the specific-ion-interaction form (chapter 3, equation 2). */
export function activity(z: number, eps: number, ionicStrength: number): number {
  return 10 ** (-z * z * debye(ionicStrength) + eps * ionicStrength);
}

/** Mean charge and mean squared charge of an acid at a pH (chapter 3, equation 4), written into `mean`. */
function meanCharge(acid: PoolAcid, pH: number, D: number, I: number): void {
  const { z0, pKa, eps } = acid;
  let logW = 0;
  let logG = -z0 * z0 * D + eps[0]! * I;
  let top = 0;
  const n = pKa.length;
  const logs = scratch;
  logs[0] = 0;
  for (let k = 1; k <= n; k++) {
    const z = z0 - k;
    const logGk = -z * z * D + eps[k]! * I;
    logW += pH - pKa[k - 1]! + logG - logGk;
    logG = logGk;
    logs[k] = logW;
    if (logW > top) top = logW;
  }
  let sum = 0;
  let s1 = 0;
  let s2 = 0;
  for (let k = 0; k <= n; k++) {
    const below = logs[k]! - top;
    // A form this rare adds nothing to a double.
    if (below < RAREST) continue;
    const w = below === 0 ? 1 : Math.exp(below * Math.LN10);
    const z = z0 - k;
    sum += w;
    s1 += w * z;
    s2 += w * z * z;
  }
  mean[0] = s1 / sum;
  mean[1] = s2 / sum;
}
/** The same for an acid of one step, which most groups are: a share `p` has lost its proton. */
function oneStep({ z0, pKa, eps }: PoolAcid, pH: number, D: number, I: number): void {
  const z1 = z0 - 1;
  const p = 1 / (1 + Math.exp((pKa[0]! - pH - D * (z1 * z1 - z0 * z0) - I * (eps[0]! - eps[1]!)) * Math.LN10));
  mean[0] = z0 - p;
  mean[1] = z0 * z0 * (1 - p) + z1 * z1 * p;
}

/** Decades under the commonest form. */
const RAREST = -18;
const scratch = new Float64Array(8);
/** Mean charge, and mean squared charge, of the acid looked at last: an array, for numbers in an object are made anew each time. */
const mean = new Float64Array(2);

/** Net charge of the pool at a trial pH, its slope and the ionic strength it implies. */
export interface ChargeState {
  /** eq; falls strictly with pH; zero at the true pH */
  charge: number;
  /** eq per pH unit, positive: the buffer capacity */
  beta: number;
  /** mol/kg water, not clamped */
  ionicStrength: number;
}

/**
 * Evaluates equation 1 and 5 of chapter 3 at a pH and an ionic strength (mol/kg water).
 * `extraWaterKg` is the water of a measuring slurry.
 */
export function chargeAt(pool: AcidPool, pH: number, ionicStrength: number, extraWaterKg = 0): ChargeState {
  const D = debye(ionicStrength);
  const W = pool.waterKg + extraWaterKg;
  let q = pool.sidEq;
  let beta = 0;
  let ions = 2 * pool.naclMol + Math.abs(pool.sidEq);
  // Constants that are off by so much act as a pH that is off by as much the other way.
  const acidPh = pH - pool.pKaShift;
  for (const acid of pool.acids) {
    if (acid.pKa.length === 1) oneStep(acid, acidPh, D, ionicStrength);
    else meanCharge(acid, acidPh, D, ionicStrength);
    const z = mean[0]!;
    const z2 = mean[1]!;
    q += acid.mol * z;
    beta += acid.mol * (z2 - z * z) * Math.LN10;
    ions += acid.mol * z2;
  }
  const mH = Math.exp((-pH + D - WATER.epsH * ionicStrength) * Math.LN10);
  const mOH = Math.exp((pH - WATER.pKw + D - WATER.epsOH * ionicStrength) * Math.LN10);
  q += W * (mH - mOH);
  beta += W * (mH + mOH) * Math.LN10;
  ions += W * mH;
  return { charge: q, beta, ionicStrength: W > 0 ? ions / (2 * W) : 0 };
}
