<script setup lang="ts">
import { NForm } from 'naive-ui';
import DraftBar from '../ui/DraftBar.vue';
import OwnRowEnd from '../ui/OwnRowEnd.vue';
import SheetCard from '../ui/SheetCard.vue';

/** The sheet of a row of the maker's own: a name to begin with, its fields in three columns, the check and the button. */
const show = defineModel<boolean>('show', { required: true });
defineProps<{
  title: string;
  width?: number;
  ready: boolean;
  takenUp: boolean;
  problems: readonly { field: string; message: string }[];
  refused: string;
  well: string;
  verb: string;
}>();
const emit = defineEmits<{ save: []; anew: [] }>();
</script>

<template>
  <SheetCard v-model:show="show" :title="title" :width="width ?? 640">
    <NForm v-if="ready" class="form" @submit.prevent="emit('save')">
      <DraftBar :show="takenUp" @anew="emit('anew')" />
      <slot />
      <OwnRowEnd :problems="problems" :refused="refused" :well="well" :verb="verb" />
    </NForm>
  </SheetCard>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  align-items: start;
  gap: 9px 12px;
}
.form :slotted(.wide) {
  grid-column: 1 / -1;
}
@media (max-width: 500px) {
  .form {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
