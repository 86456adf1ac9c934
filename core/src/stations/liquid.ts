import { poolOf, sidForPh, type AcidWorld } from '../acid';
import type { Component } from '../matter/component';
import { massOf, part, type Stream } from '../matter/stream';
import { phOf } from '../parcel';

/** How a liquid leaves the solids it stood with: the share of each component, of the heat load, and of the liquid itself. */
export interface LiquidParting {
  share: (component: Component) => number;
  heat: number;
  wet: number;
  /** Which of the two is brought to the pH of the mix by itself: the one with the smaller buffer; the other has the rest. */
  anchor: 'stays' | 'leaves';
}

/**
 * Parts a liquid from the solids it stood with. Both keep the pH of the mix: the strong ions of one are anchored to it
 * and the other has the rest (chapter 3, section 6.3; chapter 5, section 0.2). By mass the books stay with the solids.
 */
export function partLiquid(mix: Stream, parting: LiquidParting, acids: AcidWorld): { stays: Stream; leaves: Stream } {
  const { share, heat, wet, anchor } = parting;
  const { left, taken } = part(mix, { share, heat, sidEq: mix.sidEq * wet, ledger: 0 });
  // Where nothing leaves or nothing stays, there is nothing to share.
  if (!(massOf(taken) > 0)) return { stays: { ...left, sidEq: mix.sidEq }, leaves: { ...taken, sidEq: 0 } };
  if (!(massOf(left) > 0)) return { stays: { ...left, sidEq: 0 }, leaves: { ...taken, sidEq: mix.sidEq } };
  const pH = phOf(mix, acids)?.pH;
  if (pH === undefined) return { stays: left, leaves: taken };
  const own = sidForPh(poolOf(anchor === 'stays' ? left : taken, acids), pH);
  const [stays, leaves] = anchor === 'stays' ? [own, mix.sidEq - own] : [mix.sidEq - own, own];
  return { stays: { ...left, sidEq: stays }, leaves: { ...taken, sidEq: leaves } };
}
