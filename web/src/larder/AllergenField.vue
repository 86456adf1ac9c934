<script setup lang="ts">
import { computed, ref } from 'vue';
import { NCheckbox, NCheckboxGroup } from 'naive-ui';
import { ALLERGENS, NO_ALLERGENS, ON_THE_PACKET, taggedOf, type Allergen } from '@roskel/core';
import PickField from '../ui/PickField.vue';

/** What an own ingredient holds of allergens, as its maker says it: some, none, or what the packet tells. */
const props = defineProps<{ modelValue: readonly string[] }>();
const emit = defineEmits<{ 'update:modelValue': [tags: string[]] }>();
const SAYS = [
  { value: 'these', label: 'these' },
  { value: NO_ALLERGENS, label: 'none' },
  { value: ON_THE_PACKET, label: 'look at the packet: nobody checked' },
];
const known = computed(() => taggedOf(props.modelValue).known.map((t) => t.allergen));
/** Tags that stand beside the fourteen are kept as they are. */
const other = computed(() => taggedOf(props.modelValue).other.filter((t) => t !== NO_ALLERGENS && t !== ON_THE_PACKET));
const opened = ref(false);
const says = computed(() => {
  if (props.modelValue.includes(ON_THE_PACKET)) return ON_THE_PACKET;
  if (props.modelValue.includes(NO_ALLERGENS)) return NO_ALLERGENS;
  return opened.value || props.modelValue.length > 0 ? 'these' : null;
});
function say(what: string) {
  opened.value = what === 'these';
  emit('update:modelValue', what === 'these' ? [] : [what]);
}
</script>

<template>
  <div class="allergens">
    <PickField label="Allergens in it" :model-value="says" :options="SAYS" placeholder="say it" @update:model-value="say" />
    <NCheckboxGroup
      v-if="says === 'these'"
      class="boxes"
      :value="known"
      @update:value="emit('update:modelValue', [...($event as string[]), ...other])"
    >
      <NCheckbox v-for="(names, tag) in ALLERGENS" :key="tag" :value="tag as Allergen" :label="names.eu" />
    </NCheckboxGroup>
  </div>
</template>

<style scoped>
.allergens {
  display: grid;
  gap: 6px;
}
.boxes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 4px 12px;
}
</style>
