<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { NButton, NForm } from 'naive-ui';
import { StationLogSchema, type LogChange, type StationLog } from '@roskel/core';
import { grams } from '../format';
import { useInstruments } from '../batch/useInstruments';
import { withWeighing } from '../stations/potWeighing';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import SheetCard from '../ui/SheetCard.vue';

/** A weight or a pH, asked for in one figure; a pot on the fire is weighed with its minutes, and stays on the fire. */
const asked = defineModel<'mass' | 'ph' | null>('asked', { required: true });
const props = defineProps<{ log: StationLog; pot: { tareG: number | null; ranMin: number | null } | null }>();
const emit = defineEmits<{ take: [log: LogChange] }>();
const typed = ref<number | null>(null);
const min = ref<number | null>(null);
const boils = ref<'yes' | 'no'>('yes');
const instruments = useInstruments(() => props.log);
const instrument = ref('strip');
const STILL = [
  { value: 'yes' as const, label: 'still on the fire' },
  { value: 'no' as const, label: 'off the fire, done' },
];
const refusal = ref('');
const sheet = computed({ get: () => asked.value !== null, set: (open) => !open && (asked.value = null) });
watch(asked, (what) => {
  typed.value = what === 'ph' ? (props.log.pH ?? null) : props.pot ? null : (props.log.massG ?? null);
  min.value = props.pot?.ranMin ?? null;
  boils.value = 'yes';
  instrument.value = instruments.valueOf(props.log);
  refusal.value = '';
});
const P = StationLogSchema.properties;
const tareG = computed(() => props.pot?.tareG ?? 0);
const title = computed(() => {
  if (asked.value === 'ph') return 'pH, of a cooled sample';
  if (!props.pot) return 'Weigh it, without the vessel';
  return tareG.value > 0 ? `The pot and all in it; ${grams(tareG.value)} empty` : 'What is in the pot, less the empty pot';
});
function take() {
  if (typed.value === null) return;
  if (asked.value === 'ph')
    emit('take', { pH: typed.value, by: null, ...instruments.readWith(instrument.value, new Date().toISOString()) });
  else if (!props.pot) emit('take', { massG: typed.value });
  else {
    const g = typed.value - tareG.value;
    if (!(g >= 1)) refusal.value = `The empty pot alone weighs ${grams(tareG.value)}. Put it on the scale with what is in it.`;
    else if (boils.value === 'yes' && min.value === null) refusal.value = 'Say how many minutes it has boiled.';
    else {
      emit('take', boils.value === 'yes' ? { pot: withWeighing(props.log.pot ?? [], min.value!, g) } : { massG: Math.round(g * 10) / 10 });
      asked.value = null;
    }
    return;
  }
  asked.value = null;
}
</script>

<template>
  <SheetCard v-model:show="sheet" :title="title" :width="440">
    <NForm class="ask" @submit.prevent="take">
      <template v-if="asked === 'mass'">
        <NumberField
          label="On the scale"
          unit="g"
          :model-value="typed"
          :schema="P.massG"
          optional
          :digits="1"
          live="mass"
          @update:model-value="typed = $event"
        />
        <template v-if="pot">
          <PickField v-model="boils" label="It is" :options="STILL" />
          <NumberField
            v-if="boils === 'yes'"
            label="Minutes from the boil"
            unit="min"
            :model-value="min"
            :schema="P.pot.items.properties.min"
            optional
            @update:model-value="min = $event"
          />
        </template>
      </template>
      <template v-else>
        <NumberField
          label="pH"
          :model-value="typed"
          :schema="P.pH"
          optional
          live="pH"
          @update:model-value="typed = $event"
          @taken="instrument = instruments.ofDevice($event)"
        />
        <PickField v-model="instrument" label="With a" :options="instruments.options.value" />
        <p v-if="instruments.says(instrument, new Date().toISOString())" class="soft">
          {{ instruments.says(instrument, new Date().toISOString()) }}
        </p>
      </template>
      <p v-if="refusal" class="field-error" role="alert">{{ refusal }}</p>
      <NButton type="primary" size="large" attr-type="submit" block>Take it</NButton>
    </NForm>
  </SheetCard>
</template>

<style scoped>
.ask {
  display: grid;
  gap: 12px;
}
p {
  margin: 0;
}
</style>
