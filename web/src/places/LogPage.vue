<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import LogList from '../log/LogList.vue';
import { useLog } from '../log/useLog';
import { useMakers } from '../stores/makers';
import ListState from '../ui/ListState.vue';
import PickField from '../ui/PickField.vue';

/** The log of the kitchen: what was done to what, when, and by whom. */
const makers = useMakers();
void makers.load();
const maker = ref('');
const topic = ref('');
const TOPICS = {
  '': 'everything',
  ...{ batches: 'batches', pods: 'pods', larder: 'larder', stored: 'what was kept', shelf: 'bottles', heat: 'tasting and measuring' },
  ...{
    varieties: 'own varieties',
    ingredients: 'own ingredients',
    tools: 'things of the kitchen',
    makers: 'makers',
    learnt: 'what kitchens learnt',
    season: 'the season',
    settings: 'settings',
  },
};
const topics = Object.entries(TOPICS).map(([value, label]) => ({ value, label }));
const people = computed(() => [{ value: '', label: 'everybody' }, ...makers.items.map((m) => ({ value: m.id, label: m.value.name }))]);
const { lines, state, error, more, load, earlier } = useLog(() => ({ topic: topic.value, maker: maker.value }));
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Log</h1>
      <PickField v-if="makers.items.length" v-model="maker" class="by" label="Who" hide-label small :options="people" />
      <PickField v-model="topic" class="by" label="Of what" hide-label small :options="topics" />
    </header>
    <ListState :state="state" :error="error" :count="lines.length" :shown="lines.length" find="" what="log" @retry="load">
      <template #empty>
        <h2>Nothing here yet</h2>
        <p>Whatever is changed in this kitchen from now on stands here: what it was, when, and by whom where a device says who is at it.</p>
      </template>
      <div class="plate">
        <LogList :lines="lines" />
        <p v-if="more"><NButton @click="earlier">Earlier</NButton></p>
      </div>
    </ListState>
  </div>
</template>

<style scoped>
.by {
  width: 190px;
}
.plate {
  padding: 14px 18px;
}
</style>
