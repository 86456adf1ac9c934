<script setup lang="ts">
import type { LedgerLine } from '@roskel/contract';
import { day, grams } from '../format';
import { stockWord } from './stockWords';

/** A ledger of stock, newest first. */
defineProps<{ moves: readonly LedgerLine[] }>();
</script>

<template>
  <ol class="ledger" aria-label="Ledger">
    <li v-for="(m, i) in moves" :key="i">
      <span class="soft">{{ day(m.at.slice(0, 10)) }}</span>
      <span
        >{{ stockWord(m.reason) }} {{ m.batch ?? ''
        }}<span v-if="m.words || m.maker" class="soft"> {{ [m.words, m.maker].filter(Boolean).join(', ') }}</span></span
      >
      <b>{{ m.deltaG > 0 ? '+' : '−' }}{{ grams(Math.abs(m.deltaG)) }}</b>
      <span class="soft">{{ grams(Math.max(0, m.leftG)) }} left</span>
    </li>
  </ol>
</template>

<style scoped>
.ledger {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 190px;
  overflow: auto;
}
li {
  display: grid;
  grid-template-columns: 62px 1fr 82px 96px;
  gap: 8px;
  padding: 3px 0;
  border-bottom: 1px dashed var(--line);
  font-size: 14px;
}
b,
li > :last-child {
  text-align: right;
}
</style>
