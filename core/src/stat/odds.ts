/**
 * Odds in words, with the doubt they have: a share that a hundred possible batches came to is good to about a twentieth
 * (one standard error of a half is 0.05), so it is told in tenths, and the ends in words.
 */
export function oddsText(p: number): string {
  if (p >= 0.975) return 'nearly all';
  if (p >= 0.925) return 'about 19 in 20';
  if (p <= 0.025) return 'hardly any';
  if (p <= 0.075) return 'about 1 in 20';
  const tenths = Math.round(10 * p);
  return tenths === 5 ? 'about half' : `about ${tenths} in 10`;
}
