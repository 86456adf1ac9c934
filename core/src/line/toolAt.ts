import type { BatchFile, StationEntry, Tool } from '../file';
import { stationKind } from '../stations';

/** The thing of the kitchen that a station is done with; null when none is named, or what is named is none it is done with. */
export function toolAt(file: BatchFile, entry: StationEntry): Tool | null {
  const { tool: kind } = stationKind(entry.kind);
  return (entry.toolId !== undefined && file.tools?.find((t) => t.id === entry.toolId && t.kind === kind)) || null;
}
