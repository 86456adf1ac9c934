/** How hot sauce cools (handbook chapter 5, section 13). */

/** Where it stands: time constant of one litre, min; °C around it (judgement, within a factor of 1.4). */
export const COOLING = {
  air: { tauMin: 90, aroundC: 20 },
  water: { tauMin: 15, aroundC: 12 },
  fridge: { tauMin: 75, aroundC: 4 },
} as const;
export type CoolingPlace = keyof typeof COOLING;
export const COOLING_SPREAD = 1.4;

/** Minutes from one temperature to another in a vessel of `litres`; Infinity when it never gets there. */
export function coolingMin(place: CoolingPlace, litres: number, fromC: number, toC: number): number {
  const { tauMin, aroundC } = COOLING[place];
  if (toC >= fromC) return 0;
  if (toC <= aroundC) return Infinity;
  return tauMin * Math.cbrt(Math.max(0, litres)) * Math.log((fromC - aroundC) / (toC - aroundC));
}

/** °C after some minutes. */
export function cooledC(place: CoolingPlace, litres: number, fromC: number, minutes: number): number {
  const { tauMin, aroundC } = COOLING[place];
  const tau = tauMin * Math.cbrt(Math.max(1e-9, litres));
  return Math.min(fromC, aroundC + (fromC - aroundC) * Math.exp(-minutes / tau));
}

/** What is not acid passes the warm range in this time: US Food Code 3-501.14 (from memory). */
export const COOL_RULE = { fromC: 57, midC: 21, toC: 5, firstMin: 120, secondMin: 240 } as const;

/** Minutes from 57 to 21 °C: the first half of the rule. */
export const warmMinutes = (place: CoolingPlace, litres: number): number => coolingMin(place, litres, COOL_RULE.fromC, COOL_RULE.midC);

/** Share of the heat that is felt after some hours (section 13, judgement): `first` at once, the rest as it spreads. */
export const FELT = { blended: 0.8, powder: 0.5, tauHours: 8 } as const;
export const heatFelt = (hours: number, first: number): number => 1 - (1 - first) * Math.exp(-Math.max(0, hours) / FELT.tauHours);
