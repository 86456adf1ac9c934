<script setup lang="ts">
import { RouterLink } from 'vue-router';
import { inManner } from '../format';
import type { Caution } from '@roskel/core';
import { IconAlertOctagon, IconAlertTriangle, IconInfoCircle } from '@tabler/icons-vue';

defineProps<{ cautions: readonly Caution[] }>();
const ICONS = { danger: IconAlertOctagon, caution: IconAlertTriangle, note: IconInfoCircle };
const WORDS = { danger: 'Danger', caution: 'Caution', note: 'Note' };
</script>

<template>
  <ul v-if="cautions.length" class="cautions">
    <li v-for="c in cautions" :key="`${c.id} ${c.text}`" :class="c.severity">
      <component :is="ICONS[c.severity]" :size="20" stroke="1.8" aria-hidden="true" />
      <span>
        <b>{{ WORDS[c.severity] }}.</b> {{ inManner(c.text) }} <span class="why">{{ inManner(c.why) }} ({{ c.authority }})</span>
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
  border-radius: 10px;
  border: 1.5px solid var(--line);
  font-size: 13.5px;
  line-height: 1.3;
}
.caution,
.danger {
  background: var(--warn-plate);
  border-color: var(--warn);
}
.danger {
  border-width: 2.5px;
}
.caution svg,
.danger svg {
  color: var(--warn);
}
.more {
  margin-left: 4px;
}
.why {
  color: var(--soft);
}
</style>
