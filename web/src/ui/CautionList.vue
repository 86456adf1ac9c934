<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import { inManner } from '../format';
import { byDanger, type Caution } from '@roskel/core';
import { SEVERITY } from './severity';

const props = defineProps<{ cautions: readonly Caution[] }>();
const sorted = computed(() => byDanger(props.cautions));
</script>

<template>
  <ul v-if="cautions.length" class="cautions">
    <li v-for="c in sorted" :key="`${c.id} ${c.text}`" class="told" :class="`told-${c.severity}`">
      <component :is="SEVERITY[c.severity].icon" :size="20" stroke="1.8" aria-hidden="true" />
      <span>
        <b>{{ SEVERITY[c.severity].word }}.</b> {{ inManner(c.text) }} <span class="why">{{ inManner(c.why) }} ({{ c.authority }})</span>
        <RouterLink class="more" :to="`/guide/${c.guide}`" :aria-label="`More on ${c.text}`">More</RouterLink>
      </span>
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
li {
  display: grid;
  grid-template-columns: 20px 1fr;
  gap: 8px;
  padding: 7px 10px;
  font-size: 13.5px;
}
.more {
  margin-left: 4px;
}
.why {
  color: var(--soft);
}
</style>
