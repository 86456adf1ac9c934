/** Capsaicinoids in µg per g (ppm by mass). */
export interface Capsaicinoids {
  capsaicin: number;
  dihydrocapsaicin: number;
  nordihydrocapsaicin: number;
}

/** SHU per µg/g. Source: ASTA 21.3 / AOAC 995.03; Todd, Bensinger & Biftu 1977 (from memory). */
export const SHU_PER_PPM = { capsaicin: 16.1, dihydrocapsaicin: 16.1, nordihydrocapsaicin: 9.3 } as const;

/** Pungency in SHU from a laboratory's capsaicinoids (chapter 2, section 1.1). */
export function shuOf(c: Capsaicinoids): number {
  return (
    SHU_PER_PPM.capsaicin * c.capsaicin +
    SHU_PER_PPM.dihydrocapsaicin * c.dihydrocapsaicin +
    SHU_PER_PPM.nordihydrocapsaicin * c.nordihydrocapsaicin
  );
}

/** Capsaicin equivalent in µg/g that shows a pungency of `shu`. */
export function ppmOf(shu: number): number {
  return shu / SHU_PER_PPM.capsaicin;
}

/**
 * Pungency of a material as it is from that of its dry matter: S = S_dry (1 - w).
 * `waterShare` is g water per g, 0 to 1. The fresh pod is mostly water, so this is a factor 5 to 15 (section 1.2).
 */
export function asIsShu(dryShu: number, waterShare: number): number {
  return dryShu * (1 - waterShare);
}
