import { chargeAt } from './charge';
import { ionicStrengthAt, settleIonicStrength } from './solve';
import { ACID_CONSTANTS } from './constants';
import { poolOf, TYPICAL_ACIDS, type AcidPool, type AcidWorld } from './pool';
import type { Stream } from '../matter/stream';

/**
 * Strong ion difference (eq) that makes a pool show `pH`, with `extraWaterKg` of slurry water
 * (chapter 3, equation 6). At a fixed pH the charge without strong ions is known for each ionic strength, and the
 * ionic strength contains |SID|: one fixed point.
 */
export function sidForPh(pool: AcidPool, pH: number, extraWaterKg = 0): number {
  const bare: AcidPool = { ...pool, sidEq: 0 };
  const waterKg = pool.waterKg + extraWaterKg;
  let sid = 0;
  settleIonicStrength((I) => {
    const state = chargeAt(bare, pH, I, extraWaterKg);
    sid = -state.charge;
    return state.ionicStrength + Math.abs(sid) / (2 * waterKg);
  });
  return sid;
}

/** The stream with its strong ions shifted so that its pH is `pH` (a measured value pins the prediction). */
export function pinPh(stream: Stream, pH: number, world: AcidWorld = TYPICAL_ACIDS): Stream {
  return { ...stream, sidEq: sidForPh(poolOf(stream, world), pH) };
}

/**
 * Grams of lactic acid that bring a stream to `pH`, given what lactic acid it holds already
 * (chapter 3, section 6.3: n = -Q/z at fixed strong ions). 0 when the stream is that sour without it.
 */
export function lacticForPh(stream: Stream, pH: number, world: AcidWorld = TYPICAL_ACIDS): number {
  const bare: Stream = { ...stream, grams: { ...stream.grams, lactic: 0 } };
  const pool = poolOf(bare, world);
  const lactic = ACID_CONSTANTS.lactic;
  const acid = { mol: 0, z0: lactic.z0, pKa: lactic.pKa, eps: lactic.eps };
  let mol = 0;
  let I = 0.3;
  const alone: AcidPool = { ...pool, sidEq: 0, waterKg: 0, naclMol: 0, acids: [{ ...acid, mol: 1 }] };
  for (let pass = 0; pass < 40; pass++) {
    const trial: AcidPool = { ...pool, acids: [...pool.acids, { ...acid, mol }] };
    I = ionicStrengthAt(trial, pH, 0, I);
    const without = chargeAt(pool, pH, I).charge;
    const one = chargeAt(alone, pH, I).charge;
    const next = Math.max(0, -without / one);
    if (Math.abs(next - mol) < 1e-10) {
      mol = next;
      break;
    }
    mol = next;
  }
  return mol * lactic.molarMass;
}
