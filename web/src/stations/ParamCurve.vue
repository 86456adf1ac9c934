<script setup lang="ts">
import { computed } from 'vue';
import { stationIn, stationKind, type Curve, type StationReport } from '@roskel/core';
import { useOpenBatch } from '../stores/openBatch';
import CurvePicture from './CurvePicture.vue';

/** The curve of one parameter of a station: dragging the point sets it. What was weighed holds it still. */
const props = withDefaults(
  defineProps<{
    station: StationReport;
    name: string;
    points: Curve | undefined;
    across: string;
    up: string;
    sayY: (y: number) => string;
    step?: number;
    /** Where the parameter stands, when it has no figure of its own yet. */
    usual?: number;
    mark?: { value: number; says: string } | null;
    /** Other parameters that dragging sets as well. */
    also?: object;
  }>(),
  { step: 1, usual: 0, mark: null, also: () => ({}) },
);
const batch = useOpenBatch();
const unit = computed(() => {
  const s = stationKind(props.station.kind).schema.properties[props.name] as { unit?: string; anyOf?: { unit?: string }[] };
  return s.unit ?? s.anyOf?.find((o) => o.unit)?.unit ?? '';
});
const params = computed(() => (stationIn(batch.file!, props.station.id)?.params ?? {}) as Record<string, number | undefined>);
const sayX = (x: number) => `${Number(x.toFixed(2))} ${unit.value}`.trim();
const set = (x: number) => batch.setParams(props.station.id, { ...params.value, ...props.also, [props.name]: x });
</script>

<template>
  <CurvePicture
    v-if="points && points.length > 1"
    :points="points"
    :at="params[name] ?? usual"
    :across="across"
    :up="up"
    :say-x="sayX"
    :say-y="sayY"
    :hex="station.now.hex"
    :step="step"
    :mark="mark"
    :fixed="station.log.massG !== undefined"
    @at="set"
  />
</template>
