/**
 * What a look and a smell say of a jar, and what to do (handbook chapter 4, section 5.1: common practice). The strongest
 * wins. A new sign is a row here, and a drawing in the interface.
 */
export const SIGNS = {
  fuzz: {
    says: 'fuzz, or spots of green, black, pink or orange',
    verdict: 'discard',
    act: 'Throw the whole jar away. Do not scoop it off, do not taste.',
    why: 'Mould roots go deeper than they look, and it may have eaten the acid.',
  },
  rotten: {
    says: 'a rotten or putrid smell',
    verdict: 'discard',
    act: 'Throw the whole jar away. Do not taste.',
    why: 'Souring smells sharp and clean. Rot is something else at work.',
  },
  film: {
    says: 'a flat white film, dry or wrinkled, no fuzz',
    verdict: 'act',
    act: 'Skim it off, wipe the neck, press everything under the brine, and read the pH.',
    why: 'Film yeast does no harm by itself, but it eats the acid. Where it comes back or the pH rises, stop the jar.',
  },
  slimy: {
    says: 'slimy or ropy brine',
    verdict: 'act',
    act: 'Leave it closed two more days and look again. With a bad smell, or still slimy then: throw it away.',
    why: 'Early slime may clear by itself; slime that stays with an off smell is spoilage.',
  },
  floating: {
    says: 'pieces above the brine',
    verdict: 'act',
    act: 'Press them under and weigh them down. What stood out of the brine for a day or more comes out.',
    why: 'Mould and yeast need air; under the brine there is none.',
  },
  low: {
    says: 'brine that no longer covers everything',
    verdict: 'act',
    act: 'Press down first. If that is not enough, top up with brine of the same strength, never with plain water.',
    why: 'Water would thin the salt and the acid.',
  },
  bulging: {
    says: 'a bulging lid, or brine that spurts',
    verdict: 'act',
    act: 'Open it slowly in a bag or over the sink, never shake it, and open it daily or fit an airlock.',
    why: 'Gas under a closed lid can burst glass.',
  },
  soft: {
    says: 'soft or mushy pods',
    verdict: 'act',
    act: 'Read the pH. If it has not risen and nothing smells off it is only soft: use it for a smooth sauce.',
    why: 'Warmth, little salt or a long time soften pods; with a rise in pH it is spoilage.',
  },
  quiet: {
    says: 'no bubbles and no cloud after day 3',
    verdict: 'act',
    act: 'Read the pH: below 4.6 it works without a show. Above: 20 to 23 °C for two or three days, or some lively brine.',
    why: 'Cold, much salt, iodine or chlorinated water slow a jar down.',
  },
  cloudy: {
    says: 'cloudy brine, white sediment, bubbles',
    verdict: 'keep',
    act: 'Nothing to do. Keep everything under the brine.',
    why: 'That is what souring looks like: cells and starch.',
  },
  clean: {
    says: 'nothing odd, a clean sharp smell',
    verdict: 'keep',
    act: 'Nothing to do.',
    why: 'As it should be.',
  },
} as const satisfies Record<string, { says: string; verdict: 'keep' | 'act' | 'discard'; act: string; why: string }>;
export type Sign = keyof typeof SIGNS;
export const SIGN_IDS = Object.keys(SIGNS) as Sign[];

/** Signs that together with a pH above 4.6 mean that something else than souring is at work (section 5.1). */
export const BAD_SIGNS: ReadonlySet<Sign> = new Set<Sign>(['film', 'slimy', 'soft']);
/** Before this day no jar is sour yet, and a pH above 4.6 says nothing of a sign (our judgement). */
export const SIGN_DAY = 3;

/** Something seen or smelt in a jar, days since it was packed. */
export interface JarSign {
  day: number;
  sign: Sign;
}

/** What all signs together ask for; null where none was noted. The worst one decides. */
export function signVerdict(signs: readonly Sign[]): { sign: Sign; verdict: 'keep' | 'act' | 'discard'; act: string; why: string } | null {
  const worst = [...signs].sort((a, b) => SIGN_IDS.indexOf(a) - SIGN_IDS.indexOf(b))[0];
  return worst ? { sign: worst, ...SIGNS[worst] } : null;
}
