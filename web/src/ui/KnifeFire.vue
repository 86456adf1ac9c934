<script setup lang="ts">
import { computed } from 'vue';
import { FIRE, firesFor, KNIFE, PREPARATIONS, type Fire, type PodLot, type Preparation } from '@roskel/core';

/** What knife and fire do to a lot: two small choices side by side. */
const props = defineProps<{ lot: PodLot }>();
const prep = defineModel<Preparation>('prep', { required: true });
const fire = defineModel<Fire>('fire', { required: true });
const fires = computed(() => firesFor(props.lot.form));
</script>

<template>
  <span class="knife">
    <select v-model="prep" class="small-entry" :aria-label="`${lot.name}, knife work`" :disabled="!lot.anatomy">
      <option v-for="p in PREPARATIONS" :key="p" :value="p">{{ KNIFE[p].name }}</option>
    </select>
    <select v-if="fires.length > 1" v-model="fire" class="small-entry" :aria-label="`${lot.name}, fire or water`">
      <option v-for="f in fires" :key="f" :value="f">{{ FIRE[f].name }}</option>
    </select>
  </span>
</template>

<style scoped>
.knife {
  display: inline-flex;
  gap: 4px;
}
select {
  width: 76px;
  min-height: 32px;
  font-size: 13px;
}
</style>
