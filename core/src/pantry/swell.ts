import type { Draw } from '../stat/draw';
import type { PodForm, PodLot } from './lot';

/** Water that soaked pods hold at most, g per g dry matter, and the log-sd of it (handbook chapter 5, section 3). */
const X_MAX = 3;
const UPTAKE_SD = 0.15;
/** Hours to half of the final uptake at room temperature, whole pods (Peleg form; 32 min at 20 °C, chapter 5, section 3). */
const HALF_H = 32 / 60;

const DRY: ReadonlySet<PodForm> = new Set<PodForm>(['dried', 'flakes', 'powder', 'pulp']);

/** g of water that 1 g of a cut lot can still take up: dried pods drink to three times their dry matter, fresh ones nothing. */
export function thirstPerGram(lot: PodLot): number {
  if (!DRY.has(lot.form)) return 0;
  const water = lot.waterPct / 100;
  return Math.max(0, X_MAX * (1 - water) - water);
}

/** Share of its thirst that a dried pod has drunk after `hours` in brine at room temperature, in a world. */
export function swollenShare(hours: number, draw: Draw): number {
  return (hours / (hours + HALF_H)) * Math.exp(UPTAKE_SD * draw.z('swell'));
}
