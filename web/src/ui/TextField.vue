<script setup lang="ts">
import { useId } from 'vue';
import { NInput } from 'naive-ui';
import LabelledField from './LabelledField.vue';

/** A line of text, or some lines. */
const text = defineModel<string>({ required: true });
withDefaults(
  defineProps<{
    label: string;
    hideLabel?: boolean;
    maxlength?: number;
    placeholder?: string;
    problem?: string | null;
    rows?: number;
    /** Not shown while it is typed, unless one looks. */
    secret?: boolean;
    /** Suggestions while typing, as the browser shows them. */
    list?: string;
  }>(),
  { maxlength: 2000, placeholder: '' },
);
const id = useId();
</script>

<template>
  <LabelledField :label="label" :for-id="id" :hide-label="hideLabel ?? false" :problem="problem ?? null">
    <NInput
      v-model:value="text"
      size="medium"
      :type="secret ? 'password' : rows ? 'textarea' : 'text'"
      :show-password-on="secret ? 'click' : undefined"
      :rows="rows ?? 1"
      :maxlength="maxlength"
      :placeholder="placeholder"
      :status="problem ? 'error' : undefined"
      :input-props="{
        id,
        autocomplete: secret ? 'current-password' : 'off',
        ...(list ? { list } : {}),
        ...(rows ? { spellcheck: false } : {}),
        'aria-invalid': problem ? 'true' : undefined,
        'aria-describedby': problem ? `${id}-e` : undefined,
      }"
    />
    <template #below><slot name="below" /></template>
  </LabelledField>
</template>
