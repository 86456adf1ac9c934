<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref } from 'vue';
import { Type } from '@sinclair/typebox';
import { MOST } from '@roskel/core';
import NumberField from '../ui/NumberField.vue';
import SheetCard from '../ui/SheetCard.vue';
import SheetForm from '../ui/SheetForm.vue';
import { commitTyping } from '../ui/typing';

/** Into how many bowls a sauce is shared out. */
const show = defineModel<boolean>('show', { required: true });
defineProps<{ name: string }>();
const emit = defineEmits<{ share: [bowls: number] }>();
const BOWLS = Type.Integer({ title: 'The number of bowls', minimum: 2, maximum: MOST.strands - 1 });
const bowls = ref<number | null>(2);
function save() {
  commitTyping();
  if (bowls.value !== null && bowls.value >= 2) emit('share', bowls.value);
}
</script>

<template>
  <SheetCard v-model:show="show" :title="`Share out ${name}`" :width="420">
    <SheetForm @submit="save">
      <p>Each bowl gets an equal share and bottles of its own. Shares, and what else goes into a bowl, are set at its station.</p>
      <NumberField v-model="bowls" label="Bowls" :schema="BOWLS" />
      <NButton type="primary" attr-type="submit">Share out</NButton>
    </SheetForm>
  </SheetCard>
</template>
