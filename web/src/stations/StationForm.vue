<script setup lang="ts">
import { computed, ref } from 'vue';
import { fieldsOf, stationIn, stationKind, toolAt, type StationReport } from '@roskel/core';
import { useOpenBatch } from '../stores/openBatch';
import { inManner } from '../format';
import SchemaForm from '../ui/SchemaForm.vue';

/** What is set at a station: the few things that matter, or the rest. What its tool brings along is the tool's. */
const props = defineProps<{ station: StationReport; rest?: boolean }>();
const batch = useOpenBatch();
const kind = computed(() => stationKind(props.station.kind));
const entry = computed(() => (batch.file ? stationIn(batch.file, props.station.id) : undefined));
const params = computed(() => (entry.value?.params ?? {}) as Record<string, unknown>);
const ofTool = computed(() => {
  const tool = batch.file && entry.value ? toolAt(batch.file, entry.value) : null;
  return tool ? Object.keys((kind.value.byTool?.(tool) ?? {}) as object) : [];
});
const fields = computed(() =>
  fieldsOf(kind.value.schema, params.value).filter((f) => (f.main !== true) === (props.rest ?? false) && !ofTool.value.includes(f.name)),
);
const refusal = ref<{ name: string; message: string } | null>(null);
function set(name: string, value: unknown) {
  const { [name]: _, ...others } = params.value;
  const next = value === undefined ? others : { ...params.value, [name]: value };
  const after: unknown = kind.value.turned?.(params.value, next, props.station.facts) ?? next;
  refusal.value = typeof after === 'string' ? { name, message: inManner(after) } : null;
  if (typeof after !== 'string') batch.setParams(props.station.id, after);
}
const trouble = (name: string) => (refusal.value?.name === name ? refusal.value.message : batch.troubleAt(props.station.id, name));
defineExpose({ empty: computed(() => fields.value.length === 0) });
</script>

<template>
  <SchemaForm v-if="fields.length" :fields="fields" :value="params" :trouble="trouble" @set="set" />
</template>
