import { chargeAt } from './charge';
import { settleIonicStrength } from './solve';
import { ACID_CONSTANTS } from './constants';
import { poolOf, TYPICAL_ACIDS, type AcidPool, type AcidWorld } from './pool';
import type { Stream } from '../matter/stream';

/**
 * Strong ion difference (eq) that makes a pool show `pH`, with `extraWaterKg` of slurry water
 * (chapter 3, equation 6). At a fixed pH the charge without strong ions is known for each ionic strength, and the
 * ionic strength contains |SID|: one fixed point.
 */
export function sidForPh(pool: AcidPool, pH: number, extraWaterKg = 0): number {
  return anchorAt(pool, pH, extraWaterKg).sid;
}

/** The same with the ionic strength (mol/kg) at which it is so; `start` is that of much the same stuff, where known. */
export function anchorAt(pool: AcidPool, pH: number, extraWaterKg: number, start?: number): { sid: number; ionicStrength: number } {
  const bare: AcidPool = { ...pool, sidEq: 0 };
  const waterKg = pool.waterKg + extraWaterKg;
  let sid = 0;
  const ionicStrength = settleIonicStrength((I) => {
    const state = chargeAt(bare, pH, I, extraWaterKg);
    sid = -state.charge;
    return state.ionicStrength + Math.abs(sid) / (2 * waterKg);
  }, start);
  return { sid, ionicStrength };
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
  // One mole of it by itself: its charge, and from the slope of that its mean squared charge.
  const alone: AcidPool = {
    ...pool,
    sidEq: 0,
    waterKg: 0,
    naclMol: 0,
    acids: [{ mol: 1, z0: lactic.z0, pKa: lactic.pKa, eps: lactic.eps }],
  };
  let mol = 0;
  settleIonicStrength((I) => {
    const without = chargeAt(pool, pH, I);
    const one = chargeAt(alone, pH, I);
    mol = Math.max(0, -without.charge / one.charge);
    // Dry stuff holds no dissolved ions.
    if (!(pool.waterKg > 0)) return 0;
    return without.ionicStrength + (mol * (one.beta / Math.LN10 + one.charge * one.charge)) / (2 * pool.waterKg);
  });
  return mol * lactic.molarMass;
}
