import { computed } from 'vue';
import type { StationReport } from '@roskel/core';
import { useOpenBatch } from '../stores/openBatch';

/** What every station panel is handed. */
export interface PanelProps {
  station: StationReport;
}

/** Parameters of the panel's station, the way to change them, and what is wrong with a field. */
export function usePanel<P extends object>(props: PanelProps) {
  const batch = useOpenBatch();
  const params = computed(() => batch.file!.stations.find((s) => s.id === props.station.id)!.params as P);
  const set = (change: Partial<P>) => batch.setParams(props.station.id, { ...params.value, ...change });
  const trouble = (field: string) => batch.troubleAt(props.station.id, field);
  const fact = (name: string) => props.station.facts[name];
  const figure = (name: string) => {
    const v = props.station.facts[name];
    return typeof v === 'number' ? v : null;
  };
  return { batch, params, set, trouble, fact, figure };
}
