<script setup lang="ts">
import { NButton } from 'naive-ui';
import { inManner } from '../format';
import SheetCard from '../ui/SheetCard.vue';

/** Asks before something is ended that speaks against it: `why` in a sentence; null while nothing is asked. */
const why = defineModel<string | null>('why', { required: true });
const emit = defineEmits<{ end: [] }>();
function end() {
  why.value = null;
  emit('end');
}
</script>

<template>
  <SheetCard :show="why !== null" title="End it now?" :width="440" @update:show="why = null">
    <p data-fact="doubts-end">{{ inManner(why ?? '') }}</p>
    <div class="acts">
      <NButton type="primary" @click="why = null">Leave it standing</NButton>
      <NButton @click="end">End it all the same</NButton>
    </div>
  </SheetCard>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-top: 12px;
}
</style>
