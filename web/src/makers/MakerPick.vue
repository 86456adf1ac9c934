<script setup lang="ts">
import { computed } from 'vue';
import { setMakerHere } from '../api/maker';
import { useMakers } from '../stores/makers';
import PickField from '../ui/PickField.vue';

/** Who is at this device, where the kitchen knows makers by name: what is done here is theirs in the log. */
defineProps<{ label: string; hideLabel?: boolean; small?: boolean }>();
const makers = useMakers();
void makers.load();
const options = computed(() => [
  { value: '', label: 'nobody by name' },
  ...makers.items.map((m) => ({ value: m.id, label: m.value.name })),
]);
</script>

<template>
  <PickField
    v-if="makers.items.length"
    :label="label"
    :hide-label="hideLabel ?? false"
    :small="small ?? false"
    :model-value="makers.here?.id ?? ''"
    :options="options"
    @update:model-value="setMakerHere($event || null)"
  />
</template>
