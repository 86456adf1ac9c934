import { isIngredient, type Ingredient } from './ingredient';
import type { Variety } from './variety';

/** A value that cannot be, by the field that holds it. */
export interface RowProblem {
  field: string;
  message: string;
}

const sum = (o: Record<string, number | undefined>) => Object.values(o).reduce<number>((s, x) => s + (x ?? 0), 0);

/**
 * Sanity of a maker's own ingredient: shares add up, pH is in order and in range, density is that of a food. Empty when
 * all is well.
 */
export function ingredientProblems(row: Ingredient): RowProblem[] {
  const out: RowProblem[] = [];
  const say = (field: string, message: string) => out.push({ field, message });
  if (row.name.trim() === '') say('name', 'Give it a name.');
  if (row.like !== undefined && !isIngredient(row.like)) say('like', 'Say which ingredient of the table it is like.');
  const shares: [keyof Ingredient, string][] = [
    ['water', 'Water'],
    ['sugars', 'Sugar'],
    ['salt', 'Salt'],
    ['fat', 'Fat'],
    ['protein', 'Protein'],
    ['ethanol', 'Alcohol'],
    ['tss', 'Soluble solids'],
  ];
  for (const [field, name] of shares) {
    const v = row[field] as number;
    if (!(v >= 0 && v <= 100)) say(field, `${name} must be between 0 and 100 %.`);
  }
  const acids = sum(row.acids);
  const parts = row.water + row.sugars + row.salt + row.fat + row.protein + row.ethanol + acids;
  // Rounded tables overshoot by up to 3.
  if (parts > 103) say('water', `Water and solids add up to ${parts.toFixed(0)} %. They cannot be more than 100.`);
  if (row.tss > 0 && row.sugars + row.salt > row.tss + 1)
    say('tss', 'Sugar and salt are soluble: they cannot be more than the soluble solids.');
  if (row.water + row.tss > 103) say('tss', 'Water and soluble solids add up to more than 100 %.');
  if (row.pH) {
    const { lo, typ, hi } = row.pH;
    if (!(lo >= 1.5 && hi <= 9)) say('pH', 'pH of a food lies between 1.5 and 9.');
    else if (!(lo <= typ && typ <= hi)) say('pH', 'The usual pH must lie between the lowest and the highest.');
    else if (typ < 4 && acids < 0.05) say('pH', 'That sour without any acid? Give its acid, or copy from something sour.');
  } else if (acids > 0.05 && row.water > 25) say('pH', 'It holds acid, so it has a pH. Give it, or measure it.');
  if (!(row.density >= 0.3 && row.density <= 2.5)) say('density', 'Density must be between 0.3 and 2.5 g per ml.');
  return out;
}

/**
 * What a maker must say of an own ingredient before it is kept (handbook chapter 6, section 5): what it is like, and what the
 * packet says of allergens. Rows of before that do not say it are read, and count as unknown. Empty when all is said.
 */
export function ingredientUnsaid(row: Ingredient): RowProblem[] {
  const out: RowProblem[] = [];
  if (row.like === undefined) out.push({ field: 'like', message: 'Say which ingredient of the table it is like.' });
  if (row.allergens.length === 0)
    out.push({ field: 'allergens', message: 'Say which allergens are in it, that there are none, or that the packet tells.' });
  return out;
}

/** Sanity of a maker's own variety. Empty when all is well. */
export function varietyProblems(v: Variety): RowProblem[] {
  const out: RowProblem[] = [];
  const say = (field: string, message: string) => out.push({ field, message });
  if (v.name.trim() === '') say('name', 'Give it a name.');
  const { low, typical, high } = v.shuDry;
  if (!(low >= 0 && high <= 16_100_000)) say('shuDry', 'Heat lies between 0 and 16,100,000 SHU, which is pure capsaicin.');
  else if (!(low <= typical && typical <= high)) say('shuDry', 'The usual heat must lie between the mild end and the hot end.');
  else if (low === 0 && high > 0) say('shuDry', 'A variety with any heat needs a mild end above 0.');
  else if (low > 0 && high > 400 * low) say('shuDry', 'From the mild to the hot end is more than a factor of 400. Narrow it.');
  if (!(v.waterPct >= 1 && v.waterPct <= 97)) say('waterPct', 'Water must be between 1 and 97 %.');
  if (v.waterPct + v.solubleSugarGPer100g > 100) say('solubleSugarGPer100g', 'Water and sugar add up to more than 100 %.');
  if (v.form === 'fresh' && v.waterPct < 60) say('waterPct', 'A fresh pod holds 60 to 95 % water. For a dried one choose another form.');
  if (v.form !== 'fresh' && v.waterPct > 30) say('waterPct', 'Dried pods hold 5 to 20 % water.');
  if (v.pod) {
    const parts = sum(v.pod.massFraction);
    if (Math.abs(parts - 1) > 0.02) say('pod', `Flesh, ribs, seeds and stem add up to ${(100 * parts).toFixed(0)} %, not 100.`);
    const m = v.pod.massG;
    if (!(m.low > 0 && m.low <= m.typical && m.typical <= m.high && m.high <= 1000))
      say('pod', 'A pod weighs between 0.05 and 1000 g: light end, usual, heavy end.');
  }
  return out;
}

/** An ingredient with a pH the maker measured: the table's range gives way to it (half width of a kitchen meter, 0.1). */
export function withOwnPh(row: Ingredient, pH: number | null): Ingredient {
  return pH === null ? row : { ...row, pH: { lo: pH - 0.1, typ: pH, hi: pH + 0.1 } };
}
