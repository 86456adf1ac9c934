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

/** So many steps of a spoon in words: six of "1/4 tsp" are "1 1/2 tsp", thirteen of "1/4 cup" "3 1/4 cups". */
export function stepsInWords(steps: number, step: string): string {
  const [, share, unit] = /^(?:(\d+\/\d+) )?(\w+)$/.exec(step)!;
  const [a, b] = (share ?? '1/1').split('/').map(Number);
  const total = (steps * a!) / b!;
  const whole = Math.floor(total + 1e-9);
  const part = PARTS[String(Math.round((total - whole) * 1000) / 1000)];
  const figure = [...(whole > 0 || !part ? [String(whole)] : []), ...(part ? [part] : [])].join(' ');
  return `${figure} ${unit}${unit === 'cup' && total > 1 ? 's' : ''}`;
}
