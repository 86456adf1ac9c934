import type { Stream } from './stream';

/** Soluble solids of the liquid in °Bx: sugar, salt and acids, half the protein (chapter 5, section 0.1). */
export function brixOf(stream: Stream): number {
  const g = stream.grams;
  const acids = g.lactic + g.citric + g.malic + g.tartaric + g.ascorbic + g.phosphoric + g.oxalic + g.succinic + g.gluconic + g.glutamic;
  const solids = g.sugars + g.salt + acids + g.acetic / 2 + g.protein / 2 + g.hydrolysate + g.other;
  return solids + g.water > 0 ? (100 * solids) / (solids + g.water) : 0;
}
