<script setup lang="ts" generic="V extends string | number">
import { computed, onMounted, onUpdated, ref, useId } from 'vue';
import { NSelect, type SelectGroupOption, type SelectOption } from 'naive-ui';
import LabelledField from './LabelledField.vue';

/** One of some, by name. Long lists are searched by typing. */
export interface Choice<V> {
  value: V;
  label: string;
  /** What stands in the closed field, where the whole label would not fit. */
  short?: string;
  disabled?: boolean;
}
export interface ChoiceGroup<V> {
  title: string;
  list: readonly Choice<V>[];
}
const props = defineProps<{
  label: string;
  modelValue: V | null;
  options: readonly (Choice<V> | ChoiceGroup<V>)[];
  hideLabel?: boolean;
  small?: boolean;
  placeholder?: string;
  disabled?: boolean;
  problem?: string | null;
}>();
const emit = defineEmits<{ 'update:modelValue': [value: V] }>();
/** More rows than this are searched, not looked through. */
const MANY = 9;
const id = useId();
const root = ref<HTMLElement>();
const open = ref(false);
const rows = computed(() =>
  props.options.map((o): SelectOption | SelectGroupOption =>
    'list' in o ? { type: 'group', key: o.title, label: o.title, children: o.list.map((c) => ({ ...c })) } : { ...o },
  ),
);
const count = computed(() => props.options.reduce((n, o) => n + ('list' in o ? o.list.length : 1), 0));
const searched = computed(() => count.value > MANY);

/** The library draws a select without saying so; assistive tools and labels need to be told. */
function tell() {
  const face = root.value?.querySelector<HTMLElement>(searched.value ? 'input.n-base-selection-input' : '.n-base-selection-label');
  if (!face) return;
  face.id = id;
  face.setAttribute('role', 'combobox');
  face.setAttribute('aria-label', props.label);
  face.setAttribute('aria-haspopup', 'listbox');
  face.setAttribute('aria-expanded', String(open.value));
  face.toggleAttribute('aria-disabled', props.disabled ?? false);
  // The field that one types into is the stop of the Tab key, and not what stands around it as well.
  if (searched.value) {
    face.tabIndex = 0;
    root.value?.querySelector<HTMLElement>('.n-base-selection-label')?.setAttribute('tabindex', '-1');
  }
}
onMounted(tell);
onUpdated(tell);
</script>

<template>
  <LabelledField :label="label" :for-id="id" :hide-label="hideLabel ?? false" :problem="problem ?? null">
    <div ref="root" class="pick" :class="{ small }">
      <NSelect
        :value="modelValue"
        :options="rows"
        :filterable="searched"
        :disabled="disabled ?? false"
        :size="small ? 'small' : 'medium'"
        :placeholder="placeholder ?? 'Choose'"
        :consistent-menu-width="false"
        :menu-props="{ role: 'listbox', 'aria-label': label } as never"
        :render-tag="({ option }) => String(option.short ?? option.label)"
        :node-props="() => ({ role: 'option' })"
        @update:value="emit('update:modelValue', $event as V)"
        @update:show="open = $event"
      />
    </div>
    <template #below><slot name="below" /></template>
  </LabelledField>
</template>

<style scoped>
.pick {
  min-width: 0;
}
</style>
