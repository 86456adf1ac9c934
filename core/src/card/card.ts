import { couldKeepText } from '../keep';
import { gramsOf, mapStations, stationIn, type BatchFile, type Intake } from '../file';
import { heatWord, KNIFE } from '../heat';
import { graphOf, reportTypical, workTime, type TypicalEnd, type TypicalReport, type TypicalStation } from '../line';
import type { Ingredient } from '../matter/ingredient';
import { kindOf } from '../matter/kind';
import type { Day } from '../plan';
import { readLine } from '../reading';

/** A batch as a recipe that anyone can follow: what goes in, what is done, how long it takes. */
export interface RecipeCard {
  name: string;
  yield: string;
  /** One thing to a line, grams first: "250 g garlic". */
  ingredients: string[];
  steps: { name: string; text: string }[];
  /** Minutes by hand, minutes by the clock of everything that is not standing, and days it stands. */
  hands: number;
  clock: number;
  days: number;
  keeps: string;
  heat: string;
}

/** A weight as it is written in a recipe: tenths of a gram below ten. */
const grams = (g: number): string => `${g < 10 ? Math.round(g * 10) / 10 : Math.round(g)} g`;

/** A name by which a list is read back: the short one where that says which row it is, the first that cooks say else. */
function listName(row: Ingredient): string {
  const short = row.name.split(/[,/]/)[0]!.trim().toLowerCase();
  if (row.like !== undefined || readLine(`10 g ${short}`, 'metric')[0]?.id === row.key) return short;
  return kindOf(row).said[0] ?? short;
}

/** A thing that goes in, by the name that a reader of lists understands. */
function thing(file: BatchFile, { origin, amount }: Intake, g: number): string | null {
  if (!(g > 0)) return null;
  const words = typeof amount === 'object' && 'g' in amount && amount.words ? ` (${amount.words.replace(/[()]/g, '')})` : '';
  if (origin.from === 'pods') {
    const lot = file.lots.find((l) => l.id === origin.lotId);
    const cut = origin.prep === 'whole' ? '' : `, ${KNIFE[origin.prep].name}`;
    return `${grams(g)} ${lot?.name ?? 'pods'}${cut}`;
  }
  if (origin.from === 'larder') {
    const row = file.ingredients.find((i) => i.key === origin.key);
    return `${grams(g)} ${row ? listName(row) : origin.key}${words}`;
  }
  return origin.from === 'stored' ? `${grams(g)} ${file.stored.find((s) => s.id === origin.id)?.name ?? 'kept sauce'}` : null;
}

/** Everything that a station puts in itself: salt and water over the pods. */
const own = (s: TypicalStation): string[] => s.made.filter((m) => m.massG > 0.05).map((m) => `${grams(m.massG)} ${m.name}`);

/** The batch as somebody else would begin it: nothing done, nothing measured. */
const bare = (file: BatchFile): BatchFile => ({ ...mapStations(file, (s) => ({ ...s, log: {} })), readings: [], dutiesDone: [] });

/** What one of several ends is called; the only one has no name. */
const ofEnd = (report: TypicalReport, end: TypicalEnd): string => (report.ends.length > 1 ? `${end.name}: ` : '');

/** What a sauce that nobody has measured yet keeps for, and what measuring it would make of that. */
function keepsOf(end: TypicalEnd): string {
  const { keeping, couldKeep } = end;
  if (!keeping) return '';
  const could = couldKeep ? ` ${couldKeepText(couldKeep)}` : '';
  return `${keeping.text.split('. ').slice(0, 2).join('. ').replace(/\.?$/, '.')}${could}`;
}

/**
 * The recipe of a batch, as it is planned and as far as it was weighed: what goes in, what is done with its times,
 * temperatures and limits, and how what comes of it keeps while nobody has measured it. Throws LineProblem when the line
 * cannot run.
 */
export function recipeCard(file: BatchFile, today: Day): RecipeCard {
  const report = reportTypical(file, today);
  const fresh = reportTypical(bare(file), today);
  const byId = new Map(report.stations.map((s) => [s.id, s]));
  const ingredients: string[] = [];
  const steps: RecipeCard['steps'] = [];
  const { hands, clock } = workTime(file, report.stations);
  let days = 0;
  for (const { id, strand } of graphOf(file).order) {
    const s = byId.get(id)!;
    const entry = stationIn(file, id)!;
    const puts = entry.intakes.flatMap((i) => thing(file, i, gramsOf(i.amount) ?? 0) ?? []);
    ingredients.push(...puts, ...own(s));
    const stands = Math.round((Date.parse(s.to) - Date.parse(s.from)) / 86_400_000);
    // What stands for days is told in days.
    if (stands > 0) days += stands;
    const joins = entry.intakes.flatMap(({ origin }) =>
      origin.from === 'strand'
        ? [file.strands.find((x) => x.id === origin.strandId)?.name.toLowerCase() ?? '']
        : origin.from === 'side'
          ? [`own ${origin.side}`]
          : [],
    );
    const goes = [...puts, ...own(s), ...joins].filter(Boolean);
    const text = [...(goes.length ? [`With ${goes.join(', ')}.`] : []), s.step];
    steps.push({ name: file.strands.length > 1 ? `${s.name} (${strand.name.toLowerCase()})` : s.name, text: text.join(' ') });
  }
  const makes = (end: TypicalEnd) => {
    const n = end.bottles.possible;
    return `${ofEnd(report, end)}${n} ${end.vessel}${n === 1 ? '' : 's'} of ${end.goal.bottleMl} ml`;
  };
  return {
    name: file.name,
    yield: report.ends.map(makes).join('; '),
    ingredients,
    steps,
    hands: Math.round(hands),
    clock: Math.round(clock),
    days,
    keeps: fresh.ends.map((e) => `${ofEnd(fresh, e)}${keepsOf(e)}`).join(' '),
    heat: report.ends.map((e) => `${ofEnd(report, e)}${heatWord(e.finished.heatShu, e.eaten)}`).join('; '),
  };
}

/** The recipe as plain text. */
export function cardText(card: RecipeCard): string {
  const time = `${card.hands} min of work, ${card.clock} by the clock${card.days > 0 ? `, and stands ${card.days} days` : ''}`;
  return [
    card.name,
    `${card.yield}, ${card.heat}; ${time}`,
    '',
    ...card.ingredients,
    '',
    ...card.steps.map((s, n) => `${n + 1}. ${s.name}. ${s.text}`),
    '',
    ...(card.keeps ? [`Keeps: ${card.keeps}`] : []),
    'Guidance for a home kitchen. Measure the pH of the finished sauce before it is kept.',
    '',
  ].join('\n');
}

/** ISO 8601: days, hours and minutes. */
const duration = (days: number, minutes: number): string => {
  const [h, m] = [Math.floor(minutes / 60), minutes % 60];
  const time = `${h > 0 ? `${h}H` : ''}${m > 0 ? `${m}M` : ''}`;
  return `P${days > 0 ? `${days}D` : ''}${time ? `T${time}` : days > 0 ? '' : 'T0M'}`;
};

/** The recipe as a schema.org Recipe (JSON-LD). */
export function cardJsonLd(card: RecipeCard): Record<string, unknown> {
  return {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    name: card.name,
    recipeYield: card.yield,
    recipeCategory: 'hot sauce',
    prepTime: duration(0, card.hands),
    totalTime: duration(card.days, Math.max(card.hands, card.clock)),
    recipeIngredient: card.ingredients,
    recipeInstructions: card.steps.map((s, n) => ({ '@type': 'HowToStep', position: n + 1, name: s.name, text: s.text })),
    ...(card.keeps ? { description: `${card.heat}. Keeps: ${card.keeps}` } : {}),
  };
}
