import table from '../data/varieties.json' with { type: 'json' };
import { colourFamily } from './colour';
import { podRow, type PodType } from './kind';

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

/** What the table says of a variety besides what it is made of. */
interface Told {
  /** Key of the ingredient row whose acids, protein and natural pH stand for it. */
  row: string;
  /** What cooks call it beside its name. */
  said: readonly string[];
  usual: 'fill' | null;
}
const told = new Map<string, Told>();
const rows = (table.varieties as unknown as (Variety & Partial<Told>)[]).map(({ row, said = [], usual = null, ...v }): Variety => {
  told.set(v.id, { row: row!, said, usual });
  return v;
});

export const VARIETIES: readonly Variety[] = [...rows, MIXED_UNKNOWN];

/** What cooks call a variety of the table beside its name. */
export const varietySaid = (id: string): readonly string[] => told.get(id)?.said ?? [];

/** Sweet pods that fill a jar without heat. */
export const SWEET_FILLER: Variety = VARIETIES.find((v) => told.get(v.id)?.usual === 'fill')!;

const byId = new Map(VARIETIES.map((v) => [v.id, v]));

/** The variety of an id. Throws when there is none. */
export function variety(id: string): Variety {
  const found = byId.get(id);
  if (!found) throw new RangeError(`No variety is called "${id}"`);
  return found;
}

/** Dried pods of this weight and more are large ones, g; flesh with less water than this is a dry one, %. */
const LARGE_G = 4;
const DRY_PCT = 85;

/** The type of a maker's own variety: by its form, its class and its colour (our judgement). */
function typeOf(v: Variety): PodType {
  if (v.form === 'powder' || v.form === 'flakes') return 'ground';
  if (v.form === 'dried') return v.pod && v.pod.massG.typical >= LARGE_G ? 'dried, large' : 'dried, small';
  if (v.capsaicinoidClass !== 'std') return v.capsaicinoidClass;
  if (colourFamily(v.ripeColour) === 'green') return 'green';
  return v.waterPct < DRY_PCT ? 'dry' : 'fresh';
}

/** Key of the ingredient row whose acids, protein and natural pH stand for a variety. */
export const acidsLike = (v: Variety): string => told.get(v.id)?.row ?? podRow(typeOf(v));
