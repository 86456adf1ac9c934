<script setup lang="ts">
import { NButton, NTable } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { KITCHENS, varietyOfRow, VOLUMES_ML, type ReaderAnswers } from '@roskel/core';
import { useBenchMix } from '../stores/benchMix';
import { useLarder } from '../stores/larder';
import ListReader from '../larder/ListReader.vue';
import { keepHere, readHere } from '../ui/keepHere';

/** Kitchen measures in grams: a pasted recipe, read line by line; what was read can go into the heat mix. */
const larder = useLarder();
const mix = useBenchMix();
const router = useRouter();
void larder.load();
const KEEP = 'roskel.bench.list';
const KEEP_ANSWERS = 'roskel.bench.answers';
const answers = ref<ReaderAnswers>(readHere<ReaderAnswers>(KEEP_ANSWERS) ?? {});
watch(answers, (a) => keepHere(KEEP_ANSWERS, a));
const text = ref(
  readHere<string>(KEEP) ??
    '3 cloves garlic, crushed\n1 1/2 cups diced carrot\njuice of 2 limes\n1 x 410 g tin chopped tomatoes\na handful of coriander\n2 limes',
);
const reader = ref<InstanceType<typeof ListReader> | null>(null);
const count = computed(() => reader.value?.read.length ?? 0);
function keep(t: string) {
  text.value = t;
  keepHere(KEEP, t);
}
async function toMix() {
  for (const i of reader.value?.read ?? []) {
    // Whole chillies are pods here: they have ribs to cut, and kinds to count.
    const row = i.store === 'larder' ? larder.row(i.id!) : undefined;
    const kind = i.store === 'pods' ? i.id! : row?.pieces.pod ? varietyOfRow(row) : undefined;
    if (kind) mix.add('pods', `v:${kind}`, i.massG!);
    else mix.add('larder', i.id!, i.massG!);
  }
  await router.push('/bench/mix');
}
const NAMES = { metric: 'Metric', us: 'US', au: 'Australia', uk: 'UK' } as const;
</script>

<template>
  <div class="grid">
    <section class="plate read">
      <ListReader ref="reader" v-model:answers="answers" :model-value="text" @update:model-value="keep" />
    </section>
    <section class="plate side">
      <h2>What a spoon holds</h2>
      <div class="scroll-x">
        <NTable :bordered="false" size="small">
          <thead>
            <tr>
              <th>ml</th>
              <th v-for="k in KITCHENS" :key="k">{{ NAMES[k] }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="u in ['tsp', 'tbsp', 'cup', 'flOz', 'pint'] as const" :key="u">
              <td>{{ { tsp: 'teaspoon', tbsp: 'tablespoon', cup: 'cup', flOz: 'fluid ounce', pint: 'pint' }[u] }}</td>
              <td v-for="k in KITCHENS" :key="k">{{ VOLUMES_ML[k][u].toFixed(u === 'tsp' || u === 'tbsp' || u === 'flOz' ? 1 : 0) }}</td>
            </tr>
          </tbody>
        </NTable>
      </div>
      <p class="soft">
        US from the gallon of 231 cubic inches, UK from that of 4.54609 l, Australian tablespoon 20 ml. Weights per cup and per piece are
        household measures, about 15 % and 30 % either way. Weigh when it matters, salt above all.
      </p>
      <NButton type="primary" :disabled="count === 0" @click="toMix">Put {{ count }} into the heat mix</NButton>
    </section>
  </div>
</template>

<style scoped>
.grid {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}
.read,
.side {
  padding: 12px 16px;
}
/* The whole window is the reader's here. */
.read :deep(ul) {
  max-height: max(180px, calc(100vh - 330px));
}
.side {
  display: grid;
  gap: 10px;
}
td,
th {
  text-align: right;
  padding: 4px 8px;
  border-bottom: 1px dashed var(--line);
}
td:first-child,
th:first-child {
  text-align: left;
}
p {
  margin: 0;
  font-size: 14px;
}
@media (max-width: 900px) {
  .grid {
    grid-template-columns: 1fr;
  }
}
</style>
