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
    const w = e.massG * e.of.tint;
    weight += w;
    channels(e.of.hex).forEach((c, k) => (sum[k]! += w * c * c));
  }
  if (!(weight > 0) || massOf(stream) <= 0) return '#D9CFB4';
  const hex = sum.map((s) =>
    Math.round(Math.sqrt(s / weight))
      .toString(16)
      .padStart(2, '0'),
  );
  return '#' + hex.join('');
}

export const COLOUR_FAMILIES = ['red', 'orange', 'yellow', 'green', 'brown'] as const;
export type ColourFamily = (typeof COLOUR_FAMILIES)[number];

/** The family of a colour for people; null for what is near white or grey (our judgement of hue and lightness). */
export function colourFamily(hex: string): ColourFamily | null {
  const [r, g, b] = channels(hex).map((c) => c / 255) as [number, number, number];
  const max = Math.max(r, g, b);
  const min = Math.min(r, g, b);
  const light = (max + min) / 2;
  const span = max - min;
  if (span < 0.04 || (light > 0.24 && span < 0.12) || (light > 0.85 && span < 0.25)) return null;
  const hue = (60 * (max === r ? ((g - b) / span + 6) % 6 : max === g ? (b - r) / span + 2 : (r - g) / span + 4)) % 360;
  if (light < 0.24 && (hue < 50 || hue > 330)) return 'brown';
  if (hue < 16 || hue > 330) return 'red';
  if (hue < 40) return light < 0.36 ? 'brown' : 'orange';
  if (hue < 64) return 'yellow';
  return hue < 175 ? 'green' : null;
}
