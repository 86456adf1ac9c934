<script setup lang="ts">
import { NButton } from 'naive-ui';
import type { OwnTool } from '@roskel/contract';
import { TOOL_KINDS, toolProblems, ToolSchema, type Tool } from '@roskel/core';
import { day } from '../format';
import { useTools } from '../stores/own';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import TextField from '../ui/TextField.vue';
import { TOOL_NAMES } from './tools';
import OwnSheet from './OwnSheet.vue';
import { useOwnRow } from './useOwnRow';

/** A pot, a sieve, a blender: what it is, what it weighs empty, and what its weighings showed. */
const show = defineModel<boolean>('show', { required: true });
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
/** A figure that is taken out is no figure. */
function figure(name: 'tareG' | 'acrossCm' | 'volumeMl', x: number | null) {
  const { [name]: _, ...rest } = row.value!;
  row.value = x === null ? (rest as Tool) : { ...rest, [name]: x };
}
const times = (log: number) => `${Math.exp(log).toFixed(2)} times the usual`;
const drop = (of: string) => set({ seen: row.value!.seen.filter((s) => s.of !== of) });
</script>

<template>
  <OwnSheet
    v-model:show="show"
    :title="editing ? 'Your pot, sieve or jug' : 'One more pot, sieve or jug'"
    :width="560"
    :ready="row !== null"
    :taken-up="draft.takenUp.value"
    :problems="problems"
    :refused="refused"
    well="What it learns from weighings is used the next time it is chosen."
    :verb="editing ? 'Keep the changes' : 'Add it'"
    @save="save"
    @anew="draft.anew"
  >
    <template v-if="row">
      <TextField class="wide" label="Name" :maxlength="60" :model-value="row.name" @update:model-value="set({ name: $event })" />
      <PickField class="wide" label="What it is" :model-value="row.kind" :options="kinds" @update:model-value="set({ kind: $event })" />
      <NumberField
        v-if="row.kind !== 'sieve'"
        label="Across, inside"
        unit="cm"
        optional
        :model-value="row.acrossCm"
        :schema="P.acrossCm"
        @update:model-value="figure('acrossCm', $event)"
      />
      <NumberField
        v-if="row.kind !== 'sieve'"
        label="Holds"
        unit="ml"
        optional
        :model-value="row.volumeMl"
        :schema="P.volumeMl"
        @update:model-value="figure('volumeMl', $event)"
      />
      <NumberField
        label="Empty weight"
        unit="g"
        optional
        :model-value="row.tareG"
        :schema="P.tareG"
        @update:model-value="figure('tareG', $event)"
      />
      <section v-if="row.seen.length" class="wide" aria-label="What it taught">
        <h3>What it taught</h3>
        <ul>
          <li v-for="s in row.seen" :key="s.of" data-seen>
            <span
              >{{ day(s.on) }}, {{ s.where }}: <b>{{ times(s.log) }}</b></span
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
