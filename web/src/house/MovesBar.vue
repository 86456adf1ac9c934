<script setup lang="ts">
import { computed } from 'vue';
import { NButton } from 'naive-ui';
import { useMoves } from '../stores/moves';

/** What was said of bottles and stock and waits for the server, and what the server did not take. */
const moves = useMoves();
/** Of many that wait the last are told by name. */
const MOST = 3;
const told = computed(() => moves.waiting.slice(-MOST));
</script>

<template>
  <section v-if="moves.waiting.length" class="moves no-print" role="status">
    Kept on this device until the server answers: {{ told.map((m) => m.label).join(', ')
    }}<template v-if="moves.waiting.length > told.length"> and {{ moves.waiting.length - told.length }} before that</template>.
  </section>
  <section v-if="moves.refused.length" class="moves no-print" role="alert">
    <p v-for="m in moves.refused" :key="m.key">
      <span
        ><b>Not done: {{ m.label }}.</b> {{ m.refused }}</span
      >
      <NButton @click="moves.retry(m)">Do it now</NButton>
      <NButton @click="moves.letGo(m.key)">Let it go</NButton>
    </p>
  </section>
</template>

<style scoped>
.moves {
  padding: 8px 20px;
  background: var(--warn-plate);
}
p {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 12px;
  margin: 0 0 6px;
}
p > span {
  flex: 1 1 300px;
}
</style>
