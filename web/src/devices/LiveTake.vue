<script setup lang="ts">
import { computed, onMounted } from 'vue';
import { NButton } from 'naive-ui';
import type { Quantity } from '@roskel/core';
import { useDevices } from '../stores/devices';
import { liveWords } from './figures';

/** What a device of the house reads now, beside a field that it may fill. Nothing where there is none. */
const props = defineProps<{ quantity: Quantity; field: string }>();
const emit = defineEmits<{ take: [value: number, device: string] }>();
const devices = useDevices();
onMounted(() => void devices.load().catch(() => undefined));
const readings = computed(() => devices.reading(props.quantity));
const words = (value: number | null) => liveWords(props.quantity, value);
const SAYS = { steady: '', moving: 'still moving', jumping: 'jumps', wrong: 'not to be used', silent: 'not heard' } as const;
</script>

<template>
  <div>
    <div v-for="{ device, held } in readings" :key="device.id" class="live" :data-live="device.kind" :data-state="held.state">
      <span class="mark" aria-hidden="true" />
      <span class="what"
        ><b>{{ words(held.value) }}</b
        >{{ ' '
        }}<span class="soft"
          >{{ device.name }}{{ device.simulated ? ', made up' : '' }}{{ SAYS[held.state] ? `, ${SAYS[held.state]}` : '' }}</span
        ></span
      >
      <NButton
        size="small"
        :disabled="held.state !== 'steady' || device.fault !== null"
        :title="held.says || undefined"
        :aria-label="`Use ${words(held.value)} from ${device.name} as ${field}`"
        @click="held.value !== null && emit('take', held.value, device.id)"
        >Use it</NButton
      >
      <p v-if="held.state === 'wrong' || held.state === 'jumping' || device.fault" class="field-error">{{ device.fault ?? held.says }}</p>
    </div>
  </div>
</template>

<style scoped>
.live {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  align-items: center;
  gap: 2px 8px;
  margin-top: 4px;
  font-size: 14px;
  line-height: 1.25;
}
.mark {
  width: 9px;
  height: 9px;
  border-radius: 50%;
  background: var(--acid);
}
[data-state='moving'] .mark {
  background: none;
  border: 2px dashed var(--acid);
}
[data-state='wrong'] .mark,
[data-state='jumping'] .mark,
[data-state='silent'] .mark {
  border-radius: 0;
  background: var(--warn);
}
p {
  grid-column: 1 / -1;
  margin: 0;
}
</style>
