<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import type { Short } from '@roskel/contract';
import { useNeeds } from '../stores/needs';
import { useOpenBatch } from '../stores/openBatch';
import { day, grams, plural, today } from '../format';
import SheetCard from '../ui/SheetCard.vue';

/** What the open batch is to take and what is not there for it: things it lost to another plan, things to buy. */
const batch = useOpenBatch();
const needs = useNeeds();
void needs.load();
const own = computed(() => needs.shorts.filter((s) => s.batchId === batch.id));
const lost = computed(() => own.value.filter((s) => s.before.length > 0 && s.store !== 'larder'));
const buy = computed(() => own.value.filter((s) => !lost.value.includes(s)));
const by = (s: Short) => (s.by > today() ? ` by ${day(s.by)}` : '');
const open = ref(false);
</script>

<template>
  <template v-if="own.length">
    <NButton text class="link short no-print" @click="open = true"
      >{{ lost.length ? 'not enough' : 'to buy' }}: {{ plural(own.length, 'thing') }}</NButton
    >
    <SheetCard v-model:show="open" title="What is missing" :width="480">
      <template v-if="lost.length">
        <h3>Not enough</h3>
        <ul>
          <li v-for="s in lost" :key="s.id">
            {{ s.name }} <span data-fact="short" :data-of="`${s.batchId} ${s.store} ${s.id}`">{{ grams(s.shortG) }}</span> short (promised
            to {{ s.before.join(', ') }} first)
          </li>
        </ul>
      </template>
      <template v-if="buy.length">
        <h3>To buy</h3>
        <ul>
          <li v-for="s in buy" :key="`${s.store} ${s.id}`">
            <span data-fact="short" :data-of="`${s.batchId} ${s.store} ${s.id}`">{{ grams(s.shortG) }}</span> {{ s.name }}{{ by(s) }}
          </li>
        </ul>
      </template>
    </SheetCard>
  </template>
</template>

<style scoped>
.short {
  min-height: 24px;
  font-size: 13px;
  font-weight: 600;
}
h3 {
  margin: 6px 0 4px;
  font-size: 15px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
