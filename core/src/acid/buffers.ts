/** pH of the two common buffers by temperature (handbook chapter 3, section 10.3, from memory; the bottle's own table wins). */
const BUFFERS: Record<4 | 7, readonly (readonly [number, number])[]> = {
  4: [
    [0, 4.0],
    [20, 4.0],
    [25, 4.01],
    [30, 4.015],
    [40, 4.035],
  ],
  7: [
    [10, 7.06],
    [20, 7.02],
    [25, 7.0],
    [30, 6.99],
    [40, 6.97],
  ],
};

/** pH of a buffer sold as 4.01 or 7.00 at a temperature, °C; at the ends of the table as there. */
export function phAtBuffer(nominal: 4 | 7, tempC: number): number {
  const rows = BUFFERS[nominal];
  if (tempC <= rows[0]![0]) return rows[0]![1];
  const at = rows.findIndex(([t]) => t >= tempC);
  if (at < 0) return rows.at(-1)![1];
  const [[a, low], [b, high]] = [rows[at - 1]!, rows[at]!];
  return low + ((high - low) * (tempC - a)) / (b - a);
}
