<script setup lang="ts">
import { computed, watch } from 'vue';
import { NButton } from 'naive-ui';
import type { OwnTool } from '@roskel/contract';
import { CAPS, seenLog, TOOL_FIELDS, TOOL_KINDS, toolProblems, ToolSchema, type Tool } from '@roskel/core';
import { day } from '../format';
import { useDevices } from '../stores/devices';
import { useTools } from '../stores/own';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import TextField from '../ui/TextField.vue';
import { CAP_NAMES, TOOL_NAMES } from './tools';
import MeterFields from './MeterFields.vue';
import OwnSheet from './OwnSheet.vue';
import { useOwnRow } from './useOwnRow';

/** A pot, a sieve, a bottle, a meter: what it is, what it weighs empty, and what its weighings showed. */
const show = defineModel<boolean>('show', { required: true });
const devices = useDevices();
const props = defineProps<{ start: Tool | null; editing: OwnTool | null }>();
const tools = useTools();
const P = ToolSchema.properties;
const { row, set, problems, refused, save, draft } = useOwnRow(show, props, {
  fresh: (copy) => ({ ...copy, id: `tool-${Date.now().toString(36)}`, seen: [] }),
  problems: toolProblems,
  add: tools.add,
  edit: tools.edit,
});
const kinds = TOOL_KINDS.map((value) => ({ value, label: TOOL_NAMES[value] }));
const caps = CAPS.map((value) => ({ value, label: CAP_NAMES[value] }));
const FIGURES = {
  count: { label: 'How many of it', unit: '' },
  acrossCm: { label: 'Across, inside', unit: 'cm' },
  volumeMl: { label: 'Holds', unit: 'ml' },
  tareG: { label: 'Empty weight', unit: 'g' },
  price: { label: 'Price of one, cap and all', unit: '' },
} as const;
const asks = (t: Tool, field: (typeof TOOL_FIELDS)[Tool['kind']]['asks'][number]) => TOOL_FIELDS[t.kind].asks.includes(field);
const figuresOf = (t: Tool) => (Object.keys(FIGURES) as (keyof typeof FIGURES)[]).filter((f) => asks(t, f));
/** A figure that is taken out is no figure. */
function figure(name: keyof typeof FIGURES, x: number | null) {
  const { [name]: _, ...rest } = row.value!;
  row.value = x === null ? (rest as Tool) : { ...rest, [name]: x };
}
const times = (log: number) => `${Math.exp(log).toFixed(2)} times the usual`;
/** Pens that are heard, and the one that it was. */
const pens = computed(() => {
  const heard = devices.list.filter((d) => d.readings.some((r) => r.quantity === 'pH')).map((d) => ({ value: d.id, label: d.name }));
  const was = row.value?.device;
  return [
    { value: '', label: 'none: typed by hand' },
    ...heard,
    ...(was && !heard.some((h) => h.value === was) ? [{ value: was, label: was }] : []),
  ];
});
function setDevice(id: string) {
  const { device: _, ...rest } = row.value!;
  row.value = id ? { ...rest, device: id } : rest;
}
watch(show, (open) => open && void devices.load().catch(() => undefined));
const drop = (of: string) => set({ seen: row.value!.seen.filter((s) => s.of !== of) });
</script>

<template>
  <OwnSheet
    v-model:show="show"
    :title="editing ? 'A thing of your kitchen' : 'One more thing of the kitchen'"
    :width="560"
    :ready="row !== null"
    :taken-up="draft.takenUp.value"
    :problems="problems"
    :refused="refused"
    well="What it learns is used the next time it is chosen."
    :verb="editing ? 'Keep the changes' : 'Add it'"
    @save="save"
    @anew="draft.anew"
  >
    <template v-if="row">
      <TextField class="wide" label="Name" :maxlength="60" :model-value="row.name" @update:model-value="set({ name: $event })" />
      <PickField class="wide" label="What it is" :model-value="row.kind" :options="kinds" @update:model-value="set({ kind: $event })" />
      <NumberField
        v-for="name in figuresOf(row)"
        :key="name"
        :label="FIGURES[name].label"
        v-bind="FIGURES[name].unit ? { unit: FIGURES[name].unit } : {}"
        optional
        :model-value="row[name]"
        :schema="P[name]"
        @update:model-value="figure(name, $event)"
      />
      <PickField
        v-if="asks(row, 'cap')"
        label="Closed with"
        :model-value="row.cap ?? 'screw'"
        :options="caps"
        @update:model-value="set({ cap: $event })"
      />
      <PickField
        v-if="asks(row, 'device') && pens.length > 1"
        label="It is the device"
        :model-value="row.device ?? ''"
        :options="pens"
        @update:model-value="setDevice"
      />
      <MeterFields v-if="asks(row, 'calibrations')" class="wide" :tool="row" @calibrations="set({ calibrations: $event })" />
      <section v-if="row.seen.length" class="wide" aria-label="What it taught">
        <h3>What it taught</h3>
        <ul>
          <li v-for="s in row.seen" :key="s.of" data-seen>
            <span
              >{{ day(s.on) }}, {{ s.where }}: <b>{{ times(seenLog(row.kind, s)) }}</b></span
            >
            <NButton text class="link" :aria-label="`Forget ${s.where}`" @click="drop(s.of)">forget</NButton>
          </li>
        </ul>
      </section>
    </template>
  </OwnSheet>
</template>

<style scoped>
h3 {
  margin: 6px 0 2px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 3px 0;
  border-bottom: 1px dashed var(--line);
}
</style>
