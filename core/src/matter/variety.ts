import table from '../data/varieties.json' with { type: 'json' };

export type CapsaicinoidClass = 'sweet' | 'std' | 'chinense' | 'superhot';

/** A pepper variety; units and sources stand at the head of data/varieties.json. */
export interface Variety {
  id: string;
  name: string;
  species: string;
  form: 'fresh' | 'dried' | 'flakes' | 'powder';
  /** SHU per g of dry matter, 5 to 95 % range of lot means. */
  shuDry: { low: number; typical: number; high: number };
  shuQuotedPopular: { low: number; high: number };
  waterPct: number;
  pod: {
    massG: { low: number; typical: number; high: number };
    massFraction: { flesh: number; placenta: number; seed: number; stem: number };
  } | null;
  wall: 'thin' | 'medium' | 'thick';
  ripeColour: string;
  flavour: string[];
  solubleSugarGPer100g: number;
  capsaicinoidClass: CapsaicinoidClass;
  source: string;
}

/**
 * Pods of unknown kind: anything from a mild market pod to a habanero (our judgement: 5 to 95 % from 1 500 to 400 000
 * SHU of the dry matter, a middling pod otherwise).
 */
export const MIXED_UNKNOWN: Variety = {
  id: 'mixed-unknown',
  name: 'Mixed, unknown',
  species: 'Capsicum',
  form: 'fresh',
  shuDry: { low: 1500, typical: 24_500, high: 400_000 },
  shuQuotedPopular: { low: 1000, high: 350_000 },
  waterPct: 89,
  pod: { massG: { low: 1, typical: 8, high: 25 }, massFraction: { flesh: 0.78, placenta: 0.06, seed: 0.09, stem: 0.07 } },
  wall: 'medium',
  ripeColour: '#B5301E',
  flavour: [],
  solubleSugarGPer100g: 5,
  capsaicinoidClass: 'std',
  source: 'our judgement',
};

export const VARIETIES: readonly Variety[] = [...(table.varieties as unknown as readonly Variety[]), MIXED_UNKNOWN];

const byId = new Map(VARIETIES.map((v) => [v.id, v]));

/** The variety of an id. Throws when there is none. */
export function variety(id: string): Variety {
  const found = byId.get(id);
  if (!found) throw new RangeError(`No variety is called "${id}"`);
  return found;
}

/** Ids of the ingredient table that were surveyed for this very variety. */
const SURVEYED: Record<string, string> = {
  'jalapeno-green': 'jalapeno_green',
  'jalapeno-red': 'jalapeno_red',
  'fresno-red': 'fresno_red',
  'serrano-green': 'serrano_green',
  'thai-bird': 'thai_red',
  poblano: 'poblano',
  'anaheim-green': 'anaheim',
  'hungarian-wax': 'banana_pepper',
  'banana-sweet': 'banana_pepper',
  'aji-amarillo': 'aji_yellow',
  'lemon-drop': 'aji_yellow',
  'bell-green': 'bell_green',
  'bell-yellow': 'bell_yellow',
  chipotle: 'chipotle_dry',
  arbol: 'dried_chili_hot',
  'paprika-smoked': 'smoked_paprika',
};

/**
 * Key of the ingredient row whose acids, protein and natural pH stand for a variety: its own row where
 * one was surveyed, else the nearest by form, class and colour (our judgement).
 */
export function acidsLike(v: Variety): string {
  const own = SURVEYED[v.id];
  if (own) return own;
  if (v.form === 'powder' || v.form === 'flakes') return 'chili_powder_pure';
  if (v.form === 'dried') return v.pod && v.pod.massG.typical >= 4 ? 'dried_chili_mild' : 'dried_chili_hot';
  if (v.capsaicinoidClass === 'sweet') return 'bell_red';
  if (v.capsaicinoidClass === 'superhot') return 'superhot';
  if (v.capsaicinoidClass === 'chinense') return 'habanero';
  const green = /green/.test(v.id) || /shishito|padron|cubanelle/.test(v.id);
  if (green) return 'serrano_green';
  return v.waterPct < 85 ? 'thai_red' : 'cayenne_red';
}
