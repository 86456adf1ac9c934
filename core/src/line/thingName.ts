import type { BatchFile, Origin } from '../file';
import { INGREDIENTS } from '../matter/ingredient';
import { stationKind } from '../stations';

/** What goes in somewhere, as the maker calls it: never its key. `file` may have lost it since. */
export function thingName(file: BatchFile | null, origin: Origin): string {
  switch (origin.from) {
    case 'larder': {
      const row = file?.ingredients.find((i) => i.key === origin.key) ?? INGREDIENTS.find((i) => i.key === origin.key);
      return row?.name ?? 'a thing of the larder';
    }
    case 'pods':
      return file?.lots.find((l) => l.id === origin.lotId)?.name ?? 'pods';
    case 'stored':
      return file?.stored.find((s) => s.id === origin.id)?.name ?? 'what was kept';
    case 'strand':
      return file?.strands.find((s) => s.id === origin.strandId)?.name ?? 'another strand';
    case 'side': {
      const by = file?.strands.flatMap((s) => s.stations).find((s) => s.id === origin.stationId);
      return (by && stationKind(by.kind).gives?.[origin.side]) ?? 'what a station left';
    }
  }
}
