<script setup lang="ts">
import { computed } from 'vue';
import type { BatchFile, LineReport } from '@roskel/core';
import { benchBlocks } from '../papers/blocks';

/** The bench sheet as the browser prints it. On paper only. */
const props = defineProps<{ file: BatchFile; report: LineReport }>();
const blocks = computed(() => benchBlocks(props.file, props.report));
</script>

<template>
  <article class="sheet" aria-label="Bench sheet">
    <template v-for="(b, n) in blocks" :key="n">
      <h1 v-if="b.kind === 'title'">{{ b.text }}</h1>
      <h2 v-else-if="b.kind === 'head'">{{ b.text }}</h2>
      <p v-else-if="b.kind === 'text'">
        <b v-if="b.bold">{{ b.bold }}</b>{{ b.text }}
      </p>
      <p v-else-if="b.kind === 'tick'" class="item" :class="{ under: b.under }">
        <span class="tick" :class="{ done: b.done }" /> <b v-if="b.bold">{{ b.bold }}</b>{{ b.text }}
        <span v-for="w in b.write ?? []" :key="w" class="write">{{ w }}</span>
      </p>
      <template v-else><p v-for="i in b.count" :key="i" class="line" /></template>
    </template>
  </article>
</template>

<style scoped>
.sheet {
  display: none;
}
@media print {
  .sheet {
    display: block;
    font-size: 12pt;
    line-height: 1.4;
    color: black;
  }
  p {
    margin: 4pt 0;
  }
  .item {
    break-inside: avoid;
  }
  .under {
    padding-left: 18pt;
  }
  h1 {
    font-size: 20pt;
  }
  h2 {
    font-size: 13pt;
    margin: 12pt 0 4pt;
    border-bottom: 1pt solid black;
  }
  .tick {
    display: inline-block;
    width: 10pt;
    height: 10pt;
    border: 1pt solid black;
    margin-right: 5pt;
  }
  .tick.done {
    background: black;
    print-color-adjust: exact;
  }
  .write {
    display: inline-block;
    margin-left: 10pt;
    min-width: 74pt;
    border-bottom: 1pt solid black;
    font-size: 9pt;
  }
  .line {
    height: 22pt;
    margin: 0;
    border-bottom: 1pt solid black;
  }
}
</style>
