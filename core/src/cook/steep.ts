/** Diffusion of salt and acid in pepper flesh at 20 °C, m²/s, and its rise per K (handbook chapter 5, section 5). */
const DIFFUSION = { at20: 0.6e-9, perK: 1.023 } as const;
/** A jar that nobody stirs takes so many times as long (section 5, our judgement). */
const UNSTIRRED = 1.5;

/**
 * How even salt and acid are after some hours, 0 to 1, in pieces of a half thickness in mm (a wall from one face: its
 * thickness). The series for a slab (chapter 4, section 1.6; Crank, The Mathematics of Diffusion, from memory).
 */
export function evenness(halfMm: number, tempC: number, hours: number): number {
  if (!(hours > 0)) return 0;
  const d = DIFFUSION.at20 * DIFFUSION.perK ** (tempC - 20);
  const fo = (d * (hours * 3600)) / UNSTIRRED / (halfMm / 1000) ** 2;
  let rest = 0;
  for (let n = 1; n < 400; n += 2) {
    const term = Math.exp((-n * n * Math.PI ** 2 * fo) / 4) / (n * n);
    rest += term;
    if (term < 1e-12) break;
  }
  return Math.min(1, Math.max(0, 1 - (8 / Math.PI ** 2) * rest));
}
