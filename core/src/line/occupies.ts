import { stationsOf, type BatchFile } from '../file';
import { addDays, daysBetween, type Day, type Occupies } from '../plan';
import { stationKind } from '../stations';
import { jarsOf, packedFor } from './jars';
import { endedStations, schedule } from './schedule';
import { toolAt } from './toolAt';
import type { TypicalReport } from './typical';

/**
 * What of the kitchen a batch still takes, by its plan and what was done; `report` is its typical one. What should have been
 * done before `today` is still to be done: work that is overdue, and a jar that is to be emptied, are today's; a batch that has not begun begins today at the earliest.
 */
export function occupiesOf(
  file: BatchFile,
  report: { stations: readonly Pick<TypicalReport['stations'][number], 'id' | 'inG' | 'minutes'>[] },
  today: Day,
): Occupies {
  const dates = schedule(file);
  const ended = endedStations(file);
  const at = new Map(report.stations.map((s) => [s.id, s]));
  const begun = [...dates.values()].some((d) => d.done);
  const late = begun ? 0 : Math.max(0, daysBetween(file.startDate, today));
  const onOrAfter = (day: Day) => (day < today ? today : day);
  const out: Occupies = { jars: [], pots: [], work: [] };
  for (const { strand, entry } of stationsOf(file)) {
    const { from, to, done } = dates.get(entry.id)!;
    const s = at.get(entry.id);
    if (done || ended.has(entry.id) || !s) continue;
    const kind = stationKind(entry.kind);
    if (kind.lives) {
      const packed = packedFor(strand, entry);
      if (packed && s.inG > 0)
        out.jars.push({
          from: addDays(from, late),
          to: onOrAfter(addDays(to, late)),
          ml: packed.ml,
          count: jarsOf(strand, entry).left.length,
        });
      continue;
    }
    const on = onOrAfter(addDays(from, late));
    const tool = toolAt(file, entry);
    if (tool?.kind === 'pot') out.pots.push({ toolId: tool.id, name: tool.name, on });
    if (s.inG > 0 && s.minutes.hands > 0) out.work.push({ on, minutes: Math.round(s.minutes.hands) });
  }
  return out;
}
