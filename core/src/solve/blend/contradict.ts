import { mostPct } from './model';
import type { BlendProblem } from './material';

const figure = (x: number) => (Number.isInteger(x) ? x.toLocaleString('en') : x.toFixed(1));

/**
 * What contradicts itself in a question before anything is solved, as sentences that say what to do. Empty when the
 * question can be asked.
 */
export function contradictions(problem: BlendProblem): string[] {
  const { materials, wish } = problem;
  const out: string[] = [];
  const numbers = [
    wish.massG,
    ...[wish.heat?.lowShu, wish.heat?.highShu, wish.saltPct?.low, wish.saltPct?.high, wish.sugarPct?.low, wish.sugarPct?.high].filter(
      (x) => x !== undefined,
    ),
    ...[wish.body?.low, wish.pH?.max, wish.perKg?.max].filter((x) => x !== undefined),
    ...materials.flatMap((m) => [m.stockG, m.minPct, m.maxPct]),
  ];
  if (numbers.some(Number.isNaN)) return ['One of the amounts is not a number. Look for an empty field.'];
  if (materials.length === 0) return ['There is nothing to mix from. Put pods or something from the larder there first.'];
  if (!(wish.massG > 0)) return ['Say how much is wanted.'];
  if (materials.every((m) => !(m.stockG > 0))) return ['Nothing of this is in stock. Tick a lot that has some, or enter what came in.'];
  const window = (name: string, w: { low: number; high: number } | null, unit: string) => {
    if (!w) return;
    if (w.low > w.high) out.push(`The ${name} asked for goes from ${figure(w.low)} down to ${figure(w.high)} ${unit}. Swap its ends.`);
    else if (w.high < 0) out.push(`The ${name} cannot be below 0 ${unit}. Raise its upper end.`);
  };
  const h = wish.heat;
  window('heat', h && { low: h.lowShu, high: h.highShu }, 'SHU');
  if (h && h.lowShu <= h.highShu && h.highShu < 1)
    out.push('A heat of 0 SHU is no heat. Give the heat an upper end of 1 or more, or leave the heat free.');
  window('salt', wish.saltPct, '%');
  window('sugar', wish.sugarPct, '%');
  if (wish.varieties !== null && wish.varieties < 1) out.push('At most no kinds at all leaves nothing to mix. Allow one or more.');
  for (const f of wish.flavours) if (f.share > 1) out.push(`More than all of it cannot be ${f.flavour}. Ask for less.`);
  for (const m of materials) {
    if (m.minPct > m.maxPct)
      out.push(`${m.name}: at least ${figure(m.minPct)} % is more than at most ${figure(m.maxPct)} %. Change one of them.`);
    else if (m.minPct > mostPct(m, wish.massG) + 1e-9)
      out.push(
        `${m.name}: at least ${figure(m.minPct)} % is more than there is (${Math.floor(m.stockG)} g). Ask for less of it, or of the whole.`,
      );
  }
  const least = materials.reduce((s, m) => s + Math.max(0, m.minPct), 0);
  const most = materials.reduce((s, m) => s + Math.max(0, Math.min(100, m.maxPct)), 0);
  if (least > 100 + 1e-9) out.push(`The least shares add up to ${figure(least)} %. Lower some of them.`);
  if (most < 100 - 1e-9) out.push(`The most shares add up to only ${figure(most)} %. Raise some of them.`);
  return out;
}
