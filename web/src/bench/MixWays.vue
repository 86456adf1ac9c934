<script setup lang="ts">
import { oddsText } from '@roskel/core';
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import type { BenchAnswer, BenchMix, LarderChoice, PodChoice } from '@roskel/core';
import { grams, money, plural, shu, inManner } from '../format';
import type { BenchItem } from '../stores/benchMix';

/** The mixes that were found, or what gives way. */
const props = defineProps<{
  answer: BenchAnswer | null;
  trouble: string;
  picked: number;
  lines: readonly { item: BenchItem; pod: PodChoice | null; row: LarderChoice | null }[];
}>();
const emit = defineEmits<{ take: [mix: BenchMix, index: number] }>();
const look = computed(
  () => new Map(props.lines.map((l) => [l.item.id, { name: l.pod?.lot.name ?? l.row!.row.name, hex: l.pod?.lot.hex ?? l.row!.row.hex }])),
);
const total = (m: BenchMix) => Object.values(m.grams).reduce((s, g) => s + g, 0);
const inWords = (m: BenchMix) =>
  Object.entries(m.grams)
    .sort((a, b) => b[1] - a[1])
    .map(([id, g]) => `${look.value.get(id)?.name.split(',')[0] ?? id} ${m.pods[id] ? plural(m.pods[id], 'pod') : grams(g)}`)
    .join(', ');
</script>

<template>
  <section class="plate ways" aria-label="Mixes found">
    <h2>
      {{ answer?.status === 'found' ? (answer.ways.length > 1 ? `${answer.ways.length} mixes that do it` : 'One mix does it') : 'Mixes' }}
    </h2>
    <p v-if="trouble" class="field-error" role="alert">{{ trouble }}</p>
    <template v-if="answer?.status === 'found'">
      <button
        v-for="(m, i) in answer.ways"
        :key="i"
        type="button"
        class="way bare"
        :class="{ on: picked === i }"
        :aria-pressed="picked === i"
        @click="emit('take', m, i)"
      >
        <span class="top"
          ><b>{{ m.label }}</b
          ><b class="n">{{ m.band ? oddsText(m.band.odds) : '' }}</b></span
        >
        <span class="strip"
          ><i v-for="(g, id) in m.grams" :key="id" :style="{ width: `${(100 * g) / total(m)}%`, background: look.get(String(id))?.hex }"
        /></span>
        <span class="soft"
          >{{ inWords(m) }}{{ m.reasons.length ? `; ${m.reasons.join(', ')}` : ''
          }}{{ m.perKg !== null ? `; ${money(m.perKg)} a kg` : '' }}</span
        >
      </button>
    </template>
    <div v-else-if="answer" role="status">
      <p>
        <b>{{ inManner(answer.gist) }}</b>
      </p>
      <ul>
        <li v-for="l in answer.lines" :key="l">{{ inManner(l) }}</li>
      </ul>
      <p v-if="answer.reach" class="soft">
        This stock reaches from {{ shu(answer.reach.mildestShu) }} to
        <span data-fact="hottest">{{ shu(answer.reach.hottestShu) }}</span> SHU.
      </p>
      <NButton v-if="answer.nearest" @click="emit('take', answer.nearest, -1)">Take the nearest</NButton>
    </div>
    <p v-else-if="!trouble" class="soft">Say what you wish for, then find mixes; or drag amounts yourself.</p>
  </section>
</template>

<style scoped>
.ways {
  padding: 8px 14px;
}
.way {
  display: grid;
  gap: 3px;
  width: 100%;
  padding: 6px 4px;
  border-bottom: 1px dashed var(--line);
  line-height: 1.2;
}
.top {
  display: flex;
  gap: 10px;
  justify-content: space-between;
}
.n {
  white-space: nowrap;
}
.strip {
  display: flex;
  height: 15px;
  border-radius: 8px;
  overflow: hidden;
  border: 1px solid var(--line);
}
.way.on .strip {
  outline: 2.5px solid var(--rim);
  outline-offset: 1px;
}
.soft {
  font-size: 13px;
}
p,
ul {
  margin: 4px 0;
}
ul {
  padding-left: 18px;
}
</style>
