<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { RouterLink } from 'vue-router';
import type { BottlingRecord } from '@roskel/contract';
import { heatWord } from '@roskel/core';
import { day, plural, shu, today, inManner } from '../format';
import { useSettings } from '../stores/settings';
import { useShelf } from '../stores/shelf';
import { useFew } from '../ui/few';
import MoreRows from '../ui/MoreRows.vue';
import ListState from '../ui/ListState.vue';
import SchoolStamp from '../heat/SchoolStamp.vue';
import FindField from '../ui/FindField.vue';
import BottleActs from '../shelf/BottleActs.vue';
import ShelfPicture from '../shelf/ShelfPicture.vue';
import { PLACE_NAMES } from '../shelf/standing';

/** All that is bottled: a picture of what stands where, then each bottling with what is done with it. */
const shelf = useShelf();
const settings = useSettings();
const find = ref('');
onMounted(() => void shelf.load());
const shown = computed(() =>
  shelf.items.filter((b) => b.name.toLowerCase().includes(find.value.trim().toLowerCase())).sort((a, b) => a.useBy.localeCompare(b.useBy)),
);
const standing = computed(() => shown.value.filter((b) => b.left > 0));
/** What is used up makes room: its page is a line away. */
const empty = computed(() => shown.value.filter((b) => b.left === 0));
/** So many rows at once; the picture above shows what goes first. */
const FEW = 30;
const rows = useFew(() => standing.value, FEW);
const left = computed(() => shelf.items.reduce((s, b) => s + b.left, 0));
const litres = computed(() => shelf.items.reduce((s, b) => s + b.left * b.bottleMl, 0) / 1000);
function range(b: BottlingRecord): string {
  const { p10, p50, p90 } = b.heat[settings.value.school];
  return `${heatWord(p50, b.eaten ?? 'drop')}: ${shu(p10)} to ${shu(p90)} SHU`;
}
const of = (b: BottlingRecord) => `${b.batchId}/${b.strandId}`;
const late = (b: BottlingRecord) => b.useBy < today();
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Shelf</h1>
      <FindField v-model="find" label="Find a sauce" />
      <SchoolStamp />
      <span class="push chip">{{ plural(left, 'bottle') }}, {{ litres.toFixed(1) }} l</span>
    </header>
    <ListState
      :state="shelf.state"
      :error="shelf.error"
      :count="shelf.items.length"
      :shown="shown.length"
      :find="find"
      what="shelf"
      @retry="shelf.load()"
    >
      <template #empty>
        <h2>The shelf is empty</h2>
        <p>
          Mark a batch as bottled and its bottles stand here, with how they keep. <RouterLink to="/batches">Go to your batches.</RouterLink>
        </p>
      </template>
      <ShelfPicture :items="shown" />
      <section v-for="b in rows.shown.value" :key="b.id" class="plate row" :aria-label="b.name">
        <div>
          <h2>
            <RouterLink :to="{ name: 'bottling', params: { id: b.id } }">{{ b.name }}</RouterLink>
            <span class="soft left" data-fact="left" :data-of="of(b)">{{ b.left }} of {{ plural(b.bottles, 'bottle') }} left</span>
          </h2>
          <p class="soft">
            bottled {{ day(b.bottledOn) }}, <template v-if="b.state">{{ b.state }}, </template>
            {{ b.pH === null ? 'no pH' : b.phMeasured ? `pH ${b.pH.toFixed(2)} measured` : `pH about ${b.pH.toFixed(1)}, not measured` }},
            <span :data-heat="b.id" data-fact="heatShu-band" :data-of="of(b)">{{ range(b) }}</span>, {{ b.bottleMl }} ml
          </p>
          <p>
            <b :class="{ late: late(b) }"
              >{{ PLACE_NAMES[b.place] ?? b.place }}<template v-if="b.place !== 'bin'">, use by {{ day(b.useBy) }}</template></b
            >
            <span class="soft small keep" data-fact="keep" :data-of="of(b)">{{ inManner(b.keeping) }}</span>
          </p>
        </div>
        <BottleActs :bottling="b" />
      </section>
      <MoreRows :hidden="rows.hidden.value" what="bottlings" @more="rows.more" />
      <details v-if="empty.length" class="plate empty">
        <summary>{{ plural(empty.length, 'bottling') }} of which nothing is left</summary>
        <ul>
          <li v-for="b in empty" :key="b.id">
            <RouterLink :to="{ name: 'bottling', params: { id: b.id } }">{{ b.name }}</RouterLink>
            <span class="soft">, {{ plural(b.bottles, 'bottle') }} of {{ b.bottleMl }} ml, bottled {{ day(b.bottledOn) }}</span>
          </li>
        </ul>
      </details>
      <p v-if="shelf.items.length > 0" class="soft small">
        Home guidance only. Local food law decides about anything sold or given widely.
      </p>
    </ListState>
  </div>
</template>

<style scoped>
.row {
  padding: 10px 16px 12px;
}
.row p {
  margin: 2px 0;
}
h2 a {
  color: inherit;
  text-decoration: none;
  font-size: 20px;
}
h2 a:hover {
  text-decoration: underline;
}
.left {
  margin-left: 14px;
  font-size: 15px;
  font-weight: 400;
}
.keep {
  margin-left: 10px;
}
.late {
  color: var(--warn);
}
.small {
  font-size: 13.5px;
}
.empty {
  padding: 8px 18px;
}
summary {
  cursor: pointer;
  min-height: 32px;
}
</style>
