<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { NButton } from 'naive-ui';
import { FAULTS, StandInSchema, type StandIn, type StandInState } from '@roskel/contract';
import { useNotices } from '../stores/notices';
import { useDevices } from '../stores/devices';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';

/** What a stand-in is held to, and what is wrong with it. */
const props = defineProps<{ standIn: StandInState }>();
const devices = useDevices();
const notices = useNotices();
const P = StandInSchema.properties;
const FIELDS = {
  scale: [['mass', 'Lies on it', 'g', 1]],
  pen: [
    ['pH', 'In a pH of', '', 2],
    ['temp', 'which is at', '°C', 1],
  ],
  thermometer: [['temp', 'Stuck into', '°C', 1]],
} as const;
const WORDS: Record<(typeof FAULTS)[number], string> = {
  none: 'nothing',
  wrong: 'reads what cannot be',
  jumps: 'a loose plug: it jumps',
  mute: 'flat battery: says nothing',
};
const faults = FAULTS.map((value) => ({ value, label: WORDS[value] }));
const fields = computed(() => FIELDS[props.standIn.kind]);
const busy = ref(false);
/** One change at a time, each from what the last left. */
let last: Promise<void> = Promise.resolve();
const now = ref<StandIn>(bare(props.standIn));
function bare({ id: _i, kind: _k, name: _n, ...rest }: StandInState): StandIn {
  return rest;
}
watch(
  () => props.standIn,
  (s) => (now.value = bare(s)),
);
function set(change: Partial<StandIn>) {
  now.value = { ...now.value, ...change };
  busy.value = true;
  last = last
    .then(() => devices.change(props.standIn.id, now.value))
    .catch((e: unknown) => notices.fail(e))
    .finally(() => (busy.value = false));
}
</script>

<template>
  <div class="fields">
    <NumberField
      v-for="[name, label, unit, digits] in fields"
      :key="name"
      :label="label"
      v-bind="unit ? { unit } : {}"
      :digits="digits"
      :schema="P[name]"
      :model-value="now[name]"
      @update:model-value="$event !== null && set({ [name]: $event })"
    />
    <PickField class="wide" label="Wrong with it" :model-value="now.fault" :options="faults" @update:model-value="set({ fault: $event })" />
    <NButton class="wide" :type="now.plugged ? 'default' : 'primary'" :disabled="busy" @click="set({ plugged: !now.plugged })">{{
      now.plugged ? 'Unplug it' : 'Plug it in'
    }}</NButton>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 12px;
  align-items: end;
}
.wide {
  grid-column: 1 / -1;
}
</style>
