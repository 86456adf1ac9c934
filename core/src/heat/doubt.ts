import { finishedBlur, oddsWithin, podVariance, type Blur, type BlurPart } from './blur';

/** One hot thing in a sauce, with a name for people. */
export interface DoubtPart extends BlurPart {
  id: string;
  name: string;
  /** Out of the larder: it must be entered as a lot before anything can be learnt of it. */
  larder?: true;
}

/** One reason why the heat is not certain, and its share of the variance. */
export interface Doubt {
  what: 'lot' | 'pods' | 'knife' | 'way';
  id: string | null;
  share: number;
  says: string;
}

/** Something the maker can do about it, and the odds afterwards. */
export interface Remedy {
  what: 'taste' | 'dilution' | 'pods' | 'lots';
  id: string;
  says: string;
  odds: number;
  sigma: number;
}

/** Log-sd of a taste by one calibrated person, and of a dilution test by four (chapter 2, sections 4.3 and 6). */
const TASTE_SD = 0.8;
const DILUTION_SD = 0.6;

function narrowed(sigma: number, sd: number): number {
  return Math.sqrt(1 / (1 / sigma ** 2 + 1 / sd ** 2));
}

/**
 * Where the blur of a sauce comes from, largest first, and what would shrink it: each remedy with the odds of landing
 * in the bracket once it is done (at the same middle). Empty for a sauce without heat.
 */
export function doubtsOf(
  parts: readonly DoubtPart[],
  processSd: number,
  lowShu: number,
  highShu: number,
): { doubts: Doubt[]; remedies: Remedy[]; blur: Blur | null } {
  const blur = finishedBlur(parts, processSd);
  const total = parts.reduce((s, p) => s + p.medianShu, 0);
  if (!blur) return { doubts: [], remedies: [], blur };
  const raw: Doubt[] = [{ what: 'way', id: null, share: processSd ** 2, says: 'What blending, straining and standing do to the heat' }];
  for (const p of parts) {
    const h2 = (p.medianShu / total) ** 2;
    if (!(h2 > 0)) continue;
    raw.push({ what: 'lot', id: p.id, share: h2 * p.sigma ** 2, says: `How hot ${p.name} really is` });
    const pods = podVariance(p.pods);
    if (pods > 0) raw.push({ what: 'pods', id: p.id, share: h2 * pods, says: `Few pods of ${p.name}: each differs` });
    if (p.prepSd) raw.push({ what: 'knife', id: p.id, share: h2 * p.prepSd ** 2, says: `What the knife leaves in ${p.name}` });
  }
  const sum = raw.reduce((s, d) => s + d.share, 0);
  const doubts = raw.map((d) => ({ ...d, share: d.share / sum })).sort((a, b) => b.share - a.share);
  const lead = [...parts].sort((a, b) => b.medianShu ** 2 * b.sigma ** 2 - a.medianShu ** 2 * a.sigma ** 2)[0]!;
  const after = (change: Partial<BlurPart>): Pick<Remedy, 'odds' | 'sigma'> => {
    const next = finishedBlur(
      parts.map((p) => (p.id === lead.id ? { ...p, ...change } : p)),
      processSd,
    )!;
    return { sigma: next.sigma, odds: oddsWithin({ mu: blur.mu, sigma: next.sigma }, lowShu, highShu) };
  };
  const first = lead.larder ? `Enter ${lead.name} as a lot under Pods; then ` : '';
  const said = (text: string) => (first ? first + text[0]!.toLowerCase() + text.slice(1) : text);
  const remedies: Remedy[] = [
    {
      what: 'taste',
      id: lead.id,
      says: said(`Taste a sauce of ${lead.name} and score it`),
      ...after({ sigma: narrowed(lead.sigma, TASTE_SD) }),
    },
    {
      what: 'dilution',
      id: lead.id,
      says: said(`A dilution test of ${lead.name} by four people`),
      ...after({ sigma: narrowed(lead.sigma, DILUTION_SD) }),
    },
  ];
  if (Number.isFinite(lead.pods) && lead.pods < 30) {
    remedies.push({
      what: 'pods',
      id: lead.id,
      says: `Twice as many pods of ${lead.name}, cored to keep the heat`,
      ...after({ pods: lead.pods * 2 }),
    });
  }
  // A second lot of the same heat and doubt for half of it.
  const halves = parts.flatMap((p) =>
    p.id === lead.id
      ? [
          { ...p, medianShu: p.medianShu / 2 },
          { ...p, id: `${p.id}.2`, medianShu: p.medianShu / 2 },
        ]
      : [p],
  );
  const split = finishedBlur(halves, processSd)!;
  remedies.push({
    what: 'lots',
    id: lead.id,
    says: `Half of the heat from another lot as hot as ${lead.name}`,
    sigma: split.sigma,
    odds: oddsWithin({ mu: blur.mu, sigma: split.sigma }, lowShu, highShu),
  });
  return { doubts, remedies: remedies.sort((a, b) => a.sigma - b.sigma), blur };
}
