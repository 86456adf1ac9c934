import { computed, type ComputedRef } from 'vue';
import { stationIn, type FactsOf, type KindName, type ParamsOf, type StationReport } from '@roskel/core';
import { useOpenBatch } from '../stores/openBatch';

/** Parameters and facts of the panel's station, the way to change them, and what is wrong with a field. */
export function usePanel<K extends KindName>(props: { station: StationReport<K> }) {
  const batch = useOpenBatch();
  const id = computed(() => (props.station as StationReport).id);
  const params = computed(() => (stationIn(batch.file!, id.value)?.params ?? {}) as ParamsOf<K>);
  const set = (change: Partial<ParamsOf<K>>) => batch.setParams(id.value, Object.assign({}, params.value, change));
  const trouble = (field: string) => batch.troubleAt(id.value, field);
  /** Null while there is nothing to work on. */
  const facts = computed(() => props.station.facts) as ComputedRef<FactsOf<K> | null>;
  return { batch, params, set, trouble, facts };
}
