import { stationIn, stationOf, type BatchFile, type LineReport, type RecipeCard, type StationReport, oddsText } from '@roskel/core';
import { day, grams, inManner, plural, shu } from '../format';
import { intakeWords } from '../batch/intakes';

/** What stands on a paper, from top to bottom: drawn as a PDF or printed by the browser. */
export type Block =
  | { kind: 'title'; text: string }
  | { kind: 'head'; text: string }
  | { kind: 'text'; text: string; bold?: string }
  /** A box to tick, its words, and places to write on. */
  | { kind: 'tick'; text: string; bold?: string; done: boolean; under?: true; write?: readonly string[] }
  | { kind: 'lines'; count: number };

/** What goes in at a station, to be weighed beside the board. */
function putIn(file: BatchFile, s: StationReport): string[] {
  // The report lags behind a line that was just changed.
  const intakes = stationIn(file, s.id)?.intakes ?? [];
  return [
    ...intakes.map((i) => {
      const { name, how } = intakeWords(file, i);
      const words = typeof i.amount === 'object' && 'g' in i.amount && i.amount.words ? ` (${i.amount.words})` : '';
      return `${name} ${grams(s.enters.grams[i.id] ?? 0)}${words}${how ? `, ${how}` : ''}`;
    }),
    ...s.made.map((f) => `${f.name} ${grams(f.massG)}`),
  ];
}

/** What lies beside the board while one works: every gram, every step with its day, and lines to write on. */
export function benchBlocks(file: BatchFile, report: LineReport): Block[] {
  const cautions = [...new Set(report.cautions.filter((c) => c.severity !== 'note').map((c) => inManner(c.text)))];
  return [
    { kind: 'title', text: file.name },
    ...report.ends.map((e): Block => ({
      kind: 'text',
      ...(report.ends.length > 1 ? { bold: `${e.name}: ` } : {}),
      text: `${plural(e.goal.bottles, e.vessel)} of ${e.goal.bottleMl} ml; wished heat ${shu(e.goal.lowShu)} to ${shu(e.goal.highShu)} SHU; likely ${shu(e.heat.p10)} to ${shu(e.heat.p90)}, ${oddsText(e.odds)} of such batches in the wished heat.`,
    })),
    ...report.strands.flatMap((strand): Block[] => [
      { kind: 'head', text: report.strands.length > 1 ? strand.name : 'Steps' },
      ...strand.stationIds.flatMap((id): Block[] => {
        const s = stationOf(report, id);
        const when = s.done ? `done ${day(s.to)}` : `by ${day(s.plannedTo)}`;
        return [
          {
            kind: 'tick',
            bold: s.name,
            text: ` ${when}; planned ${grams(s.planned.massG)}`,
            done: s.done,
            write: ['weighed', 'pH', 'day'],
          },
          ...putIn(file, s).map((text): Block => ({ kind: 'tick', text, done: false, under: true })),
        ];
      }),
    ]),
    { kind: 'head', text: 'To watch' },
    ...cautions.map((text): Block => ({ kind: 'text', text })),
    { kind: 'head', text: 'Notes' },
    { kind: 'lines', count: 5 },
  ];
}

/** A recipe that others can cook from, on a card. */
export function cardBlocks(card: RecipeCard): Block[] {
  const stands = card.days > 0 ? `, stands ${plural(card.days, 'day')}` : '';
  return [
    { kind: 'title', text: card.name },
    { kind: 'text', text: `${card.yield}, ${card.heat}; ${card.hands} minutes of work${stands}.` },
    { kind: 'head', text: 'What goes in' },
    ...card.ingredients.map((text): Block => ({ kind: 'tick', text: inManner(text), done: false, under: true })),
    { kind: 'head', text: 'How' },
    ...card.steps.map((s, n): Block => ({ kind: 'text', bold: `${n + 1}. ${s.name}. `, text: inManner(s.text) })),
    { kind: 'head', text: 'Keeping' },
    ...(card.keeps ? [{ kind: 'text', text: inManner(card.keeps) } as Block] : []),
    { kind: 'text', text: 'Guidance for a home kitchen. Measure the pH of the finished sauce before it is kept.' },
  ];
}
