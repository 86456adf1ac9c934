<script setup lang="ts">
import { oddsText } from '@roskel/core';
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import type { Mix, PodAnswer, PodChoice } from '@roskel/core';
import { grams, money, shu, inManner } from '../format';

/** What the solver found: ways to get there, or what is short and what would help. */
const props = defineProps<{ answer: PodAnswer | null; trouble: string; picked: number; choices: readonly PodChoice[] }>();
const emit = defineEmits<{ take: [mix: Mix, index: number] }>();
const COUNT = ['No', 'One', 'Two', 'Three'];
const title = computed(() => {
  const n = props.answer?.status === 'found' ? props.answer.mixes.length : 0;
  return n === 0 ? 'Ways to get there' : `${COUNT[n]} ${n === 1 ? 'way' : 'ways'} to get there`;
});
const lotOf = (id: string) => props.choices.find((c) => c.lot.id === id)?.lot;
const total = (m: Mix) => Object.values(m.gramsByLot).reduce((s, x) => s + x, 0);
const inWords = (m: Mix) => Object.entries(m.gramsByLot).map(([id, g]) => `${lotOf(id)?.name ?? id} ${grams(g)}`);
</script>

<template>
  <section class="plate ways" aria-label="Ways to get there">
    <h2>{{ title }}</h2>
    <p v-if="trouble" class="field-error" role="alert">{{ trouble }}</p>
    <template v-if="answer?.status === 'found'">
      <button
        v-for="(m, i) in answer.mixes"
        :key="i"
        type="button"
        class="way bare"
        :class="{ on: picked === i }"
        :aria-pressed="picked === i"
        @click="emit('take', m, i)"
      >
        <b>{{ m.label }}</b>
        <span class="strip">
          <i v-for="(g, id) in m.gramsByLot" :key="id" :style="{ width: `${(100 * g) / total(m)}%`, background: lotOf(String(id))?.hex }" />
        </span>
        <b class="n">{{ oddsText(m.odds) }}</b>
        <span class="soft"
          >{{ inWords(m).join(', ') }}; {{ m.reasons.join(', ')
          }}<template v-if="m.perKg !== null"
            >; pods {{ money(m.perKg) }} a kg weighed{{ m.unpriced.length ? `, without ${m.unpriced.join(', ')}: no price` : '' }}</template
          ></span
        >
      </button>
    </template>
    <div v-else-if="answer" class="short" role="status">
      <p>
        <b>{{ inManner(answer.message) }}</b>
      </p>
      <p v-if="answer.nearestShu !== null">
        The nearest these pods reach is about <b data-fact="nearest">{{ shu(answer.nearestShu) }} SHU</b>.
      </p>
      <ul>
        <li v-for="h in answer.help" :key="h">{{ inManner(h) }}</li>
      </ul>
      <NButton v-if="answer.nearest" @click="emit('take', answer.nearest, 0)">Take the nearest</NButton>
    </div>
    <p v-else-if="!trouble" class="soft">Tick the lots that may go in and find mixes, or drag shares yourself.</p>
  </section>
</template>

<style scoped>
.ways {
  padding: 10px 16px;
}
.way {
  display: grid;
  grid-template-columns: 128px 1fr auto;
  gap: 2px 10px;
  width: 100%;
  padding: 8px 6px;
  min-height: 52px;
  align-items: center;
  border-bottom: 1px dashed var(--line);
  line-height: 1.2;
}
.strip {
  display: flex;
  height: 18px;
  border-radius: 9px;
  overflow: hidden;
}
.way.on .strip {
  outline: 2.5px solid var(--rim);
  outline-offset: 2px;
}
.way .soft {
  grid-column: 2 / 4;
  font-size: 13px;
}
.n {
  text-align: right;
  white-space: nowrap;
}
.short ul {
  margin: 4px 0 8px;
  padding-left: 18px;
}
.short p {
  margin: 4px 0;
}
</style>
