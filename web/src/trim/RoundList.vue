<script setup lang="ts">
import { computed } from 'vue';
import { NButton } from 'naive-ui';
import { stationIn, withoutRound, type Rail, type Round } from '@roskel/core';
import { clock, day, grams } from '../format';
import { useLarder } from '../stores/larder';
import { useOpenBatch } from '../stores/openBatch';
import { SCALES } from './scales';

/** The rounds of tasting at a station: what was said, what went in; each can be taken back. */
const props = defineProps<{ stationId: string }>();
const batch = useOpenBatch();
const larder = useLarder();
const rounds = computed(() => (batch.file && stationIn(batch.file, props.stationId)?.log.rounds) ?? []);
const said = (r: Round) => {
  const words = SCALES.flatMap((s) => {
    const word = r.says[s.rail as Rail];
    return word === undefined || word === 'right' ? [] : [word === 'little' ? s.words[0] : s.words[1]];
  });
  if (words.length > 0) return words.join(', ');
  return Object.values(r.says).includes('right') ? 'right' : 'by the brackets';
};
const name = (p: Round['put'][number]) =>
  (p.from === 'larder' ? (larder.row(p.of)?.name ?? p.of) : (batch.file?.lots.find((l) => l.id === p.of)?.name ?? p.of)).split(',')[0]!;
const put = (r: Round) => r.put.map((p) => `${p.words ?? grams(p.g)} ${name(p)}`).join(', ');
function back(r: Round) {
  batch.change('A round taken back', withoutRound(batch.file!, props.stationId, r.id));
}
</script>

<template>
  <section aria-label="Rounds">
    <h3>Rounds</h3>
    <ol>
      <li v-for="r in rounds" :key="r.id" data-round>
        <span
          ><b>{{ said(r) }}</b
          >{{ r.put.length ? `: ${put(r)}` : '' }} <span class="soft">{{ day(r.at.slice(0, 10)) }}, {{ clock(r.at) }}</span></span
        >
        <NButton text class="link" @click="back(r)">take back</NButton>
      </li>
    </ol>
  </section>
</template>

<style scoped>
h3 {
  font-size: 15px;
  margin: 10px 0 4px;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: baseline;
  padding: 4px 0;
  border-top: 1px dashed var(--line);
  font-size: 14px;
}
</style>
