<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { StationLogSchema, stationIn, type StationReport } from '@roskel/core';
import { grams } from '../format';
import { useOpenBatch } from '../stores/openBatch';
import NumberField from '../ui/NumberField.vue';
import { commitTyping } from '../ui/typing';
import { withWeighing } from './potWeighing';

/** The pot on the scale while it boils: as often as one likes, each with its minutes. The empty pot is taken off here. */
const props = defineProps<{ station: StationReport<'simmer'>; tareG: number | null }>();
const batch = useOpenBatch();
const log = computed(() => stationIn(batch.file!, props.station.id)?.log ?? {});
const pot = computed(() => log.value.pot ?? []);
const P = StationLogSchema.properties.pot.items.properties;
const min = ref<number | null>(null);
const weight = ref<number | null>(null);
const whole = (g: number) => g - (props.tareG ?? 0);
const put = (next: typeof pot.value) => batch.setLog(props.station.id, { pot: next });
const trouble = computed(() => {
  if (weight.value !== null && props.tareG !== null && weight.value <= props.tareG)
    return `The empty pot alone weighs ${grams(props.tareG)}. Put it on the scale with what is in it.`;
  return pot.value.map((_, i) => batch.troubleAt(props.station.id, `log/pot/${i}/massG`)).find((t) => t) ?? null;
});
function add() {
  commitTyping();
  if (min.value === null || weight.value === null || whole(weight.value) < 1) return;
  put(withWeighing(pot.value, min.value, whole(weight.value)));
  [min.value, weight.value] = [null, null];
}
</script>

<template>
  <section class="weigh" aria-label="The pot on the scale">
    <h3>On the scale while it boils</h3>
    <ul v-if="pot.length">
      <li v-for="w in pot" :key="w.id" data-weighing>
        <span
          >after {{ w.min }} min: <b>{{ grams(w.massG) }}</b></span
        >
        <NButton text class="link" :aria-label="`Take out the weighing after ${w.min} min`" @click="put(pot.filter((x) => x.id !== w.id))"
          >take out</NButton
        >
      </li>
    </ul>
    <div class="two">
      <NumberField label="Minutes so far" unit="min" optional :model-value="min" :schema="P.min" @update:model-value="min = $event" />
      <NumberField
        :label="tareG === null ? 'Weight, less the pot' : 'Pot and all'"
        unit="g"
        optional
        :model-value="weight"
        :schema="P.massG"
        live="mass"
        @update:model-value="weight = $event"
      />
      <NButton @click="add">Add</NButton>
    </div>
    <p v-if="trouble" class="field-error" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.weigh {
  display: grid;
  gap: 4px;
  justify-items: start;
  padding-bottom: 6px;
  border-bottom: 1px dashed var(--line);
}
h3,
ul,
p {
  margin: 0;
}
h3 {
  font-size: 15px;
}
ul {
  list-style: none;
  padding: 0;
  width: 100%;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr auto;
  gap: 8px;
  align-items: end;
  width: 100%;
}
</style>
