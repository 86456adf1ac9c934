import type { Ingredient } from '../matter/ingredient';
import { bulkDensity } from './weigh';
import { VOLUMES_ML, type Kitchen } from './units';

const QUARTERS = ['', '1/4', '1/2', '3/4'] as const;
/** Where one changes to the next larger spoon, and to cups. */
const [TEASPOONS, TABLESPOONS] = [3, 16] as const;

/** Grams of a row in the spoons or cups of a kitchen, to a quarter: "1 1/2 tbsp". Empty for less than a quarter teaspoon. */
export function inSpoons(row: Pick<Ingredient, 'measure' | 'density'>, g: number, kitchen: Kitchen): string {
  const ml = g / bulkDensity(row);
  const { tsp, tbsp, cup } = VOLUMES_ML[kitchen];
  const [unit, size] = ml < TEASPOONS * tsp ? ['tsp', tsp] : ml < TABLESPOONS * tbsp ? ['tbsp', tbsp] : ['cup', cup];
  const quarters = Math.round((4 * ml) / (size as number));
  if (quarters < 1) return '';
  const [whole, part] = [Math.floor(quarters / 4), QUARTERS[quarters % 4]!];
  return `${[whole > 0 ? String(whole) : '', part].filter(Boolean).join(' ')} ${unit}${unit === 'cup' && quarters > 4 ? 's' : ''}`;
}
