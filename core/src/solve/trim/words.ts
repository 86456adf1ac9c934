/** Eighths and quarters as people write them. */
const PARTS: Record<string, string> = {
  '0.125': '1/8',
  '0.25': '1/4',
  '0.375': '3/8',
  '0.5': '1/2',
  '0.625': '5/8',
  '0.75': '3/4',
  '0.875': '7/8',
};

/** Of how many of a unit another one is made, and that one: 3 tsp are 1 tbsp, 4 tbsp a quarter of a cup. */
const LARGER: Record<string, { of: number; unit: string; each: number }> = {
  tsp: { of: 3, unit: 'tbsp', each: 1 },
  tbsp: { of: 4, unit: 'cup', each: 0.25 },
};

function inUnit(total: number, unit: string): string {
  const whole = Math.floor(total + 1e-9);
  const part = PARTS[String(Math.round((total - whole) * 1000) / 1000)];
  const figure = [...(whole > 0 || !part ? [String(whole)] : []), ...(part ? [part] : [])].join(' ');
  return `${figure} ${unit}${unit === 'cup' && total > 1 ? 's' : ''}`;
}

/**
 * So many steps of a spoon in words, in the unit one would take: six of "1/4 tsp" are "1 1/2 tsp", eighteen of "tsp" "6 tbsp",
 * thirteen of "1/4 cup" "3 1/4 cups". What does not come out even in the larger spoon stays in the smaller.
 */
export function stepsInWords(steps: number, step: string): string {
  const [, share, of] = /^(?:(\d+\/\d+) )?(\w+)$/.exec(step)!;
  const [a, b] = (share ?? '1/1').split('/').map(Number);
  let [total, unit] = [(steps * a!) / b!, of!];
  for (let up = LARGER[unit]; up && total >= up.of && total % up.of === 0; up = LARGER[unit]) {
    // Two tablespoons are taken with a spoon, eight with a cup.
    if (up.unit === 'cup' && total < 2 * up.of) break;
    [total, unit] = [(total / up.of) * up.each, up.unit];
  }
  return inUnit(total, unit);
}
