<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { NButton } from 'naive-ui';
import { instrumentOf, StationLogSchema, type StationLog } from '@roskel/core';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import SheetCard from '../ui/SheetCard.vue';

/** A weight or a pH, asked for in one figure. */
const asked = defineModel<'mass' | 'ph' | null>('asked', { required: true });
const props = defineProps<{ log: StationLog }>();
const emit = defineEmits<{ take: [log: Partial<StationLog>] }>();
const typed = ref<number | null>(null);
const instrument = ref(instrumentOf(undefined));
const INSTRUMENTS = [
  { value: 'meter' as const, label: 'meter' },
  { value: 'strip' as const, label: 'strip' },
];
const sheet = computed({ get: () => asked.value !== null, set: (open) => !open && (asked.value = null) });
watch(asked, (what) => {
  typed.value = what === 'mass' ? (props.log.massG ?? null) : (props.log.pH ?? null);
  instrument.value = instrumentOf(props.log.instrument);
});
const P = StationLogSchema.properties;
function take() {
  if (typed.value === null) return;
  emit('take', asked.value === 'mass' ? { massG: typed.value } : { pH: typed.value, instrument: instrument.value });
  asked.value = null;
}
</script>

<template>
  <SheetCard v-model:show="sheet" :title="asked === 'mass' ? 'Weigh it, without the vessel' : 'pH, of a cooled sample'" :width="420">
    <form class="ask" @submit.prevent="take">
      <NumberField
        v-if="asked === 'mass'"
        label="On the scale"
        unit="g"
        :model-value="typed"
        :schema="P.massG"
        optional
        :digits="1"
        @update:model-value="typed = $event"
      />
      <template v-else>
        <NumberField label="pH" :model-value="typed" :schema="P.pH" optional @update:model-value="typed = $event" />
        <PickField v-model="instrument" label="With a" :options="INSTRUMENTS" />
      </template>
      <NButton type="primary" size="large" attr-type="submit" block>Take it</NButton>
    </form>
  </SheetCard>
</template>

<style scoped>
.ask {
  display: grid;
  gap: 12px;
}
</style>
