import { sauceFigures } from '../begin/figures';
import type { Eaten } from '../heat';
import { endOf, fitVessels, mainEnd, newBatch, occupiesOf, reportLine, runUpTo } from '../line';
import { volumeMl } from '../matter/density';
import { massOf } from '../matter/stream';
import { variety } from '../matter/variety';
import { lotOfVariety } from '../pantry';
import { addDays, daysBetween, type Day } from '../plan';
import { lineGain, massesOf, withSomePods } from '../solve';
import { TYPICAL } from '../stat/draw';
import { STYLES, styleOf } from '../styles';
import type { Ahead, Shelved } from './season';

/** What a kind of sauce makes of pods and asks for them, by a run of its line: all of it grows with the pods. */
export interface StyleKit {
  style: string;
  eaten: Eaten;
  /** It takes dried pods only. */
  dried: boolean;
  /** g of sauce, and ml, of 1 g of pods on the board; the share of their heat that reaches the bottle. */
  massPerPod: number;
  mlPerPod: number;
  heatKept: number;
  /** ml of jars that 1 g of pods on the board stands in; 0 without a jar. */
  jarMlPerPod: number;
  /** Days from its beginning to the day on which it is bottled, and from there until it is ready. */
  stands: number;
  rests: number;
  /** Minutes by hand at the beginning and at the bottles, for a usual batch. */
  minutes: { begin: number; end: number };
  /** Days that it keeps once it is measured as planned. */
  keepsDays: number;
}

const ASKED = { lowShu: 500, highShu: 2000, bottles: 4, bottleMl: 100 };
/** Kinds that a season may plan: those that begin with pods and come to one sauce. */
export const SEASON_STYLES: readonly string[] = STYLES.filter(
  (s) => !s.takesSauce && s.strands(ASKED).filter((x) => x.goal).length === 1,
).map((s) => s.id);

/** Work of so many days after the beginning belongs to it: what stood overnight. */
const BEGINNING_DAYS = 1;
/** Pods by which a kind is measured. */
const SAMPLE = { any: 'cayenne-red', dried: 'guajillo' } as const;

/** Bottles on their way, good for as long as their kind keeps once it is measured as planned: never longer. */
export const shelvedOf = ({ style: _, ...ahead }: Ahead, kit: StyleKit): Shelved => ({
  ...ahead,
  eaten: kit.eaten,
  until: addDays(ahead.from, kit.keepsDays),
});

/** The kit of a style. Throws LineProblem when its line cannot run. */
export function kitOf(style: string, today: Day): StyleKit {
  const { eaten, pods, name } = styleOf(style);
  const lot = lotOfVariety(variety(SAMPLE[pods ?? 'any']), { id: 'sample' });
  const choice = { lot, stockG: 5000, prep: 'whole' as const, useFirst: false };
  const file = fitVessels(withSomePods(newBatch(name, today, ASKED, style), [choice]));
  const end = mainEnd(file);
  const { podsG } = massesOf(file, end.id);
  const gain = lineGain(file);
  const report = reportLine(file, { today, forecast: false });
  const { jars, work } = occupiesOf(file, report, today);
  const { stream } = runUpTo(file, endOf(end).id, TYPICAL, false).bowl;
  const stands = work.reduce((d, w) => Math.max(d, daysBetween(today, w.on)), 0);
  const { readyOn, keepsDays } = sauceFigures(file, report);
  const minutes = (late: boolean) =>
    work.filter((w) => daysBetween(today, w.on) > BEGINNING_DAYS === late).reduce((sum, w) => sum + w.minutes, 0);
  return {
    ...{ style, eaten, dried: pods === 'dried', keepsDays },
    massPerPod: gain.massPerPod,
    mlPerPod: (gain.massPerPod * volumeMl(stream)) / massOf(stream),
    heatKept: gain.heatKept,
    jarMlPerPod: jars.reduce((sum, j) => sum + j.ml * j.count, 0) / podsG,
    stands: stands > BEGINNING_DAYS ? stands : 0,
    rests: Math.max(0, daysBetween(addDays(today, stands), readyOn)),
    minutes: { begin: minutes(false), end: minutes(true) },
  };
}
