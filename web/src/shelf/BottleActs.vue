<script setup lang="ts">
import { ref } from 'vue';
import { NButton } from 'naive-ui';
import { RouterLink } from 'vue-router';
import type { BottlingRecord } from '@roskel/contract';
import { useNotices } from '../stores/notices';
import { useShelf } from '../stores/shelf';
import OpenBottles from '../batch/OpenBottles.vue';
import GiveSheet from './GiveSheet.vue';
import { lazySheet } from '../ui/lazySheet';

const TasteSheet = lazySheet(() => import('../heat/TasteSheet.vue'));
/** What is done with bottles: opened, given, thrown away, tasted, labelled, put into another sauce. */
const props = defineProps<{ bottling: BottlingRecord }>();
const emit = defineEmits<{ taken: [] }>();
const shelf = useShelf();
const notices = useNotices();
async function take(reason: 'opened' | 'thrown') {
  try {
    await shelf.take(props.bottling, reason);
    emit('taken');
  } catch (e) {
    notices.fail(e);
  }
}
const tasting = ref(false);
const giving = ref(false);
const opening = ref(false);
const openSheet = ref(false);
function open() {
  openSheet.value = true;
  opening.value = true;
}
</script>

<template>
  <div class="acts">
    <NButton :disabled="bottling.left === 0" @click="take('opened')">Open one</NButton>
    <NButton :disabled="bottling.left === 0" @click="giving = true">Give away</NButton>
    <RouterLink v-if="bottling.place !== 'bin' && bottling.left > 0" class="act" :to="{ name: 'label', params: { id: bottling.id } }"
      >Labels</RouterLink
    >
    <NButton @click="tasting = true">How hot was it?</NButton>
    <NButton v-if="bottling.place !== 'bin'" :disabled="bottling.left === 0" @click="open">Into another sauce</NButton>
    <NButton text class="link no-print" :disabled="bottling.left === 0" @click="take('thrown')">throw one away</NButton>
    <GiveSheet v-if="giving" v-model:show="giving" :bottling="bottling" @given="emit('taken')" />
    <OpenBottles v-if="openSheet" v-model:show="opening" :bottling="bottling" />
    <TasteSheet
      v-model:show="tasting"
      :subject="{ batchId: bottling.batchId, strandId: bottling.strandId }"
      :name="bottling.name"
      :forecast-shu="bottling.heat.dry.p50"
    />
  </div>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 8px;
  margin-top: 6px;
  align-items: center;
  flex-wrap: wrap;
}
</style>
