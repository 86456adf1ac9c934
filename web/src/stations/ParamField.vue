<script setup lang="ts">
import { computed } from 'vue';
import { stationIn, stationKind, type StationReport } from '@roskel/core';
import { useOpenBatch } from '../stores/openBatch';
import NumberField from '../ui/NumberField.vue';

/** A number among a station's parameters: bounds, unit and wording come from the schema of its kind. */
const props = defineProps<{ station: StationReport; name: string; label: string; optional?: boolean; placeholder?: string }>();
const batch = useOpenBatch();
const schema = computed(() => stationKind(props.station.kind).schema.properties[props.name]!);
const unit = computed(() => {
  const options = (schema.value.anyOf ?? [schema.value]) as { unit?: string }[];
  const found = options.find((o) => o.unit)?.unit ?? '';
  return found === props.label.toLowerCase() ? '' : found;
});
/** A figure that may be nothing is null; one that may be left out is not there. */
function set(x: number | null) {
  const { [props.name]: _, ...rest } = params.value;
  const nullable = (schema.value.anyOf as { type?: string }[] | undefined)?.some((o) => o.type === 'null');
  batch.setParams(props.station.id, x === null && !nullable ? rest : { ...rest, [props.name]: x });
}
const params = computed(() => (stationIn(batch.file!, props.station.id)?.params ?? {}) as Record<string, number | null>);
</script>

<template>
  <NumberField
    :label="label"
    :unit="unit"
    :optional="optional ?? false"
    :placeholder="placeholder ?? ''"
    :model-value="params[name]"
    :schema="schema"
    :trouble="batch.troubleAt(station.id, name)"
    @update:model-value="set"
  />
</template>
