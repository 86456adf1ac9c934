<script setup lang="ts">
import { NButton, NPopover } from 'naive-ui';
import { IconAdjustments } from '@tabler/icons-vue';
import { Type } from '@sinclair/typebox';
import NumberField from './NumberField.vue';

/** At least and at most so much of a thing: a small button with two fields behind it. */
defineProps<{ name: string; unit: string }>();
const least = defineModel<number | null>('least', { required: true });
const most = defineModel<number | null>('most', { required: true });
const Bound = Type.Number({ title: 'The bound', minimum: 0, maximum: 200_000 });
</script>

<template>
  <NPopover trigger="click" placement="bottom">
    <template #trigger>
      <NButton
        quaternary
        size="small"
        class="more"
        :class="{ on: least !== null || most !== null }"
        :aria-label="`${name}, at least and at most`"
      >
        <IconAdjustments :size="18" stroke="1.7" />
      </NButton>
    </template>
    <div class="bounds">
      <NumberField v-model="least" label="At least" :unit="unit" :schema="Bound" optional :digits="1" />
      <NumberField v-model="most" label="At most" :unit="unit" :schema="Bound" optional :digits="1" />
    </div>
  </NPopover>
</template>

<style scoped>
.more {
  flex: none;
  padding: 0 8px;
  color: var(--soft);
}
.more.on {
  color: var(--heat);
}
.bounds {
  display: grid;
  grid-template-columns: 120px 120px;
  gap: 8px;
}
</style>
