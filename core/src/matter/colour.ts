import { massOf, type Stream } from './stream';

function channels(hex: string): [number, number, number] {
  const n = parseInt(hex.slice(1), 16);
  return [(n >> 16) & 255, (n >> 8) & 255, n & 255];
}

/**
 * The colour of a mix as a hex string: mean of what went in, weighted by mass and tint, in squared
 * sRGB (near linear light). A picture, not a measurement (our judgement).
 */
export function colourOf(stream: Stream): string {
  let weight = 0;
  const sum = [0, 0, 0];
  for (const e of stream.ledger) {
    const w = e.massG * e.tint;
    weight += w;
    channels(e.hex).forEach((c, k) => (sum[k]! += w * c * c));
  }
  if (!(weight > 0) || massOf(stream) <= 0) return '#D9CFB4';
  const hex = sum.map((s) =>
    Math.round(Math.sqrt(s / weight))
      .toString(16)
      .padStart(2, '0'),
  );
  return '#' + hex.join('');
}
