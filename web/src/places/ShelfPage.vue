<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, onMounted, ref } from 'vue';
import { RouterLink } from 'vue-router';
import type { BottlingRecord } from '@roskel/contract';
import { levelName } from '@roskel/core';
import { day, plural, shu, today, inManner } from '../format';
import { useNotices } from '../stores/notices';
import { useSettings } from '../stores/settings';
import { useShelf } from '../stores/shelf';
import BottleShape from '../ui/BottleShape.vue';
import ListState from '../ui/ListState.vue';
import SchoolStamp from '../heat/SchoolStamp.vue';
import OpenBottles from '../batch/OpenBottles.vue';
import TasteSheet from '../heat/TasteSheet.vue';
import FindField from '../ui/FindField.vue';

const shelf = useShelf();
const notices = useNotices();
const find = ref('');
onMounted(() => void shelf.load());
const shown = computed(() => shelf.items.filter((b) => b.name.toLowerCase().includes(find.value.trim().toLowerCase())));
const left = computed(() => shelf.items.reduce((s, b) => s + b.left, 0));
const litres = computed(() => shelf.items.reduce((s, b) => s + b.left * b.bottleMl, 0) / 1000);
async function take(b: BottlingRecord, reason: 'opened' | 'given' | 'thrown') {
  try {
    await shelf.take(b, reason);
  } catch (e) {
    notices.fail(e);
  }
}
const tasting = ref(false);
const tasted = ref<BottlingRecord | null>(null);
function taste(b: BottlingRecord) {
  tasted.value = b;
  tasting.value = true;
}
const opening = ref(false);
const opened = ref<BottlingRecord | null>(null);
function open(b: BottlingRecord) {
  opened.value = b;
  opening.value = true;
}
const settings = useSettings();
function range(b: BottlingRecord): string {
  const { p10, p50, p90 } = b.heat[settings.value.school];
  return `${levelName(p50)}: ${shu(p10)} to ${shu(p90)} SHU`;
}
const PLACES: Record<string, string> = { bin: 'Throw it away', fridge: 'Fridge', cupboard: 'Cool cupboard' };
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
      <section v-for="b in shown" :key="b.id" class="row" :aria-label="b.name">
        <div class="board">
          <div class="bottles">
            <BottleShape
              v-for="n in Math.min(b.bottles, 18)"
              :key="n"
              :hex="b.hex"
              :fill="n <= b.left ? 1 : 0"
              :live="b.live"
              :ghost="n > b.left"
              :size="122"
            />
            <span v-if="b.bottles > 18" class="soft">and {{ b.bottles - 18 }} more</span>
          </div>
          <div class="plank" />
        </div>
        <div class="what">
          <h2>
            <RouterLink :to="{ name: 'batch', params: { id: b.batchId } }">{{ b.name }}</RouterLink>
          </h2>
          <p class="soft">
            bottled {{ day(b.bottledOn) }}, {{ b.live ? 'live' : 'filled hot' }},
            {{ b.pH === null ? 'no pH' : b.phMeasured ? `pH ${b.pH.toFixed(2)} measured` : `pH about ${b.pH.toFixed(1)}, not measured` }}
          </p>
          <p class="soft">
            <span :data-heat="b.id">{{ range(b) }}</span>, {{ b.bottleMl }} ml
          </p>
          <p>
            <b :class="{ late: late(b) }"
              >{{ PLACES[b.place] ?? b.place }}<template v-if="b.place !== 'bin'">, use by {{ day(b.useBy) }}</template></b
            >
            ·
            <span data-fact="left">{{ b.left }} of {{ plural(b.bottles, 'bottle') }} left</span>
          </p>
          <p class="soft small">{{ inManner(b.keeping) }}</p>
          <div class="acts">
            <NButton :disabled="b.left === 0" @click="take(b, 'opened')">Open one</NButton>
            <NButton :disabled="b.left === 0" @click="take(b, 'given')">Give one away</NButton>
            <RouterLink v-if="b.place !== 'bin' && b.left > 0" class="act" :to="{ name: 'label', params: { id: b.id } }">Labels</RouterLink>
            <NButton @click="taste(b)">How hot was it?</NButton>
            <NButton v-if="b.place !== 'bin'" :disabled="b.left === 0" @click="open(b)">Into another sauce</NButton>
            <NButton text class="link" :disabled="b.left === 0" @click="take(b, 'thrown')">throw one away</NButton>
          </div>
        </div>
      </section>
      <p v-if="shelf.items.length > 0" class="soft small">
        Home guidance only. Local food law decides about anything sold or given widely.
      </p>
    </ListState>
    <OpenBottles v-if="opened" v-model:show="opening" :bottling="opened" />
    <TasteSheet
      v-if="tasted"
      v-model:show="tasting"
      :subject="{ batchId: tasted.batchId, strandId: tasted.strandId }"
      :name="tasted.name"
      :forecast-shu="tasted.heat.dry.p50"
    />
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 400px;
  gap: 20px;
  align-items: end;
}
.bottles {
  display: flex;
  gap: 12px;
  padding: 0 14px;
  flex-wrap: wrap;
  align-items: end;
}
.bottles :deep(svg) {
  margin-bottom: -3px;
}
.plank {
  height: 9px;
  border-radius: 4px;
  background: var(--rim);
}
.what p {
  margin: 2px 0;
}
.what h2 a {
  color: inherit;
  text-decoration: none;
  font-size: 20px;
}
.what h2 a:hover {
  text-decoration: underline;
}
.acts {
  display: flex;
  gap: 8px;
  margin-top: 6px;
  align-items: center;
  flex-wrap: wrap;
}
.late {
  color: var(--warn);
}
.small {
  font-size: 13.5px;
}
@media (max-width: 900px) {
  .row {
    grid-template-columns: 1fr;
  }
}
</style>
