<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { NButton } from 'naive-ui';
import { NO_FACTS } from '@roskel/contract';
import { RouterLink, useRoute } from 'vue-router';
import { Type } from '@sinclair/typebox';
import { costOf, minuteRange, stationsOf, type CostLine, type EndCost, type Price } from '@roskel/core';
import { grams, money, plural } from '../format';
import { titleIs } from '../ui/title';
import { factsOf, perKg, useLarder } from '../stores/larder';
import { useNotices } from '../stores/notices';
import { useBatchHere } from '../batch/useBatchHere';
import { inputOf, usePods } from '../stores/pods';
import { useSettings } from '../stores/settings';
import { useTools } from '../stores/own';
import { keepHere, readHere } from '../ui/keepHere';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import TickField from '../ui/TickField.vue';

/** What a batch costs and takes: by what left the larder, energy and bottles; beside a bottle that is bought. */
const route = useRoute();
const { batch, ready } = useBatchHere();
const pods = usePods();
const larder = useLarder();
const tools = useTools();
const settings = useSettings();
const notices = useNotices();
onMounted(() => Promise.all([ready(), pods.load(), larder.load(), tools.load()]).catch((e: unknown) => notices.fail(e)));
const KEEP = 'bought-bottle';
const bought = ref(readHere<{ price: number | null; ml: number }>(KEEP) ?? { price: null, ml: 150 });
function setBought(change: Partial<typeof bought.value>) {
  bought.value = { ...bought.value, ...change };
  keepHere(KEEP, bought.value);
}
const wholePacks = ref(false);
const each = (g: number | null, packG: number | null): Price | null => (g === null ? null : { perG: g / 1000, packG });
/** The price of a kind of bottle, as it is known today, else as the batch carries it. */
function bottlePrice(strandId: string): number | null {
  const file = batch.file!;
  const entry = stationsOf(file)
    .filter((s) => s.strand.id === strandId)
    .at(-1)!.entry;
  const tool = tools.items.find((o) => o.id === entry.toolId)?.value ?? file.tools?.find((t) => t.id === entry.toolId);
  return tool?.price ?? null;
}
const costs = computed<EndCost[]>(() => {
  const { file, report } = batch;
  // The report lags behind a line that was just changed, here or in another window.
  if (!file || !report || stationsOf(file).some((s) => !report.stations.some((r) => r.id === s.entry.id))) return [];
  return costOf(file, report, {
    pods: (id) => each(pods.items.find((p) => p.id === id)?.pricePerKg ?? null, null),
    larder: (key) => {
      const l = larder.items.find((x) => x.ingredientKey === key);
      return l ? each(perKg(l), l.packG) : null;
    },
    tariff: settings.value.tariff,
    hob: settings.value.hob,
    bottle: bottlePrice,
    wholePacks: wholePacks.value,
  });
});
const endId = ref('');
const cost = computed(() => costs.value.find((c) => c.strandId === endId.value) ?? costs.value[0] ?? null);
const ends = computed(() => costs.value.map((c) => ({ value: c.strandId, label: c.name })));
const amount = (l: CostLine) =>
  l.kind === 'stuff' ? grams(l.amount) : l.kind === 'energy' ? `${l.amount.toFixed(2)} kWh` : plural(l.amount, 'bottle');
const most = computed(() => Math.max(1e-9, ...(cost.value?.lines.map((l) => l.money ?? 0) ?? [])));
const time = (m: number) => {
  const [a, b] = minuteRange(m);
  const inHours = b >= 120;
  const say = (x: number) => (inHours ? (x / 60).toFixed(1).replace('.0', '') : String(x));
  const unit = inHours ? 'hours' : 'min';
  return a === b ? `${say(a)} ${unit}` : `${say(a)} to ${say(b)} ${unit}`;
};
/** Beside a bottle off a shop's shelf, for as much. */
const beside = computed(() => {
  const c = cost.value;
  const { price, ml } = bought.value;
  if (!c || price === null || c.per100 === null) return '';
  const theirs = (100 * price) / ml;
  const by = theirs - c.per100;
  if (Math.abs(by) < 0.005) return 'Yours costs as much.';
  return `For 100 ml: ${money(theirs)} bought, ${money(c.per100)} yours; ${by > 0 ? 'yours is cheaper' : 'bought is cheaper'} by ${money(Math.abs(by))}${c.unpriced.length ? ', as far as prices are known' : ''}.`;
});
/** The line whose price is being said. */
const pricing = ref('');
/** A price that is said here stands where it belongs: with the lot, the row of the larder, or the kitchen. */
async function say(l: CostLine, perUnit: number) {
  try {
    const lot = l.from?.store === 'pods' ? pods.items.find((p) => p.id === l.from!.id) : undefined;
    const row = l.from?.store === 'larder' ? larder.items.find((x) => x.ingredientKey === l.from!.id) : undefined;
    if (l.kind === 'energy') await settings.save({ ...settings.value, tariff: perUnit });
    else if (lot) await pods.edit(lot.id, { revision: lot.revision, value: inputOf(lot) }, { ...inputOf(lot), pricePerKg: perUnit });
    else if (l.from?.store === 'larder') {
      const had = row ? factsOf(row) : NO_FACTS;
      const packG = had.packG ?? 1000;
      const facts = { ...had, packG, packPrice: Math.round(perUnit * packG * 1000) / 1_000_000 };
      if (row) await larder.edit(row.id, l.name, { revision: row.revision, value: had }, facts);
      else await larder.add(l.from.id, l.name, 0, '', facts);
    } else throw new Error('This lot is not there any more: add it, and it can have a price.');
    pricing.value = '';
  } catch (e) {
    notices.fail(e);
  }
}
const P = {
  perUnit: Type.Number({ title: 'The price', minimum: 0, maximum: 10_000 }),
  price: Type.Number({ title: 'The price of a bought bottle', minimum: 0, maximum: 10_000 }),
  ml: Type.Number({ title: 'What it holds', minimum: 10, maximum: 5000, unit: 'ml' }),
};
titleIs(() => batch.file?.name);
</script>

<template>
  <div class="page">
    <header class="head">
      <div>
        <RouterLink class="crumb" to="/batches">Batches</RouterLink><span class="crumb"> / </span>
        <RouterLink class="crumb" :to="{ name: 'batch', params: { id: String(route.params.id) } }">{{
          batch.file?.name ?? 'batch'
        }}</RouterLink>
        <h1>What it costs</h1>
      </div>
      <PickField
        v-if="ends.length > 1"
        label="Of"
        hide-label
        :model-value="cost?.strandId ?? ''"
        :options="ends"
        @update:model-value="endId = $event"
      />
      <TickField v-model="wholePacks" label="Count whole packages, as for one who had nothing" />
    </header>
    <p v-if="batch.state === 'missing'" class="plate note">
      This batch is not there any more. <RouterLink to="/batches">Go to your batches.</RouterLink>
    </p>
    <p v-else-if="batch.lineTrouble" class="plate note" role="alert">
      The line stops, so nothing can be summed up: {{ batch.lineTrouble.message }}
    </p>
    <p v-else-if="!cost" class="soft">Working it out.</p>
    <div v-else class="grid">
      <section class="plate bill" aria-label="The bill">
        <ul>
          <li v-for="l in cost.lines" :key="l.kind + l.name" :data-cost="l.name">
            <span>{{ l.name }}</span>
            <span class="soft">{{ amount(l) }}</span>
            <i class="bar" :class="l.kind" :style="{ width: `${(100 * (l.money ?? 0)) / most}%` }" />
            <b v-if="l.money !== null">{{ money(l.money) }}</b>
            <NButton v-else-if="l.from || l.kind === 'energy'" text class="link none" @click="pricing = pricing === l.name ? '' : l.name"
              >no price: say it</NButton
            >
            <span v-else class="soft none">no price</span>
            <NumberField
              v-if="pricing === l.name"
              class="price"
              :label="`${l.name}: ${l.kind === 'energy' ? 'price of a kWh' : 'price of a kg'}${settings.value.currency ? `, ${settings.value.currency}` : ''}`"
              :model-value="null"
              :schema="P.perUnit"
              optional
              @update:model-value="$event !== null && say(l, $event)"
            />
          </li>
        </ul>
        <p class="sum">
          <span>All of it{{ cost.unpriced.length ? `, without ${cost.unpriced.length} that have no price` : '' }}</span
          ><b data-fact="total">{{ money(cost.total) }}</b>
        </p>
        <p v-if="cost.unpriced.length" class="note" role="status">
          What has no price is left out: {{ cost.unpriced.join(', ').toLowerCase() }}. Prices stand with a lot of
          <RouterLink to="/pods">pods</RouterLink>, with a row of the <RouterLink to="/larder">larder</RouterLink> (what a package costs),
          with a <RouterLink to="/larder/tools">kind of bottle</RouterLink>; that of a kWh, and the currency, under Your kitchen.
        </p>
      </section>
      <section class="plate side" aria-label="For a bottle">
        <h2>For a bottle</h2>
        <p class="big">
          <b data-fact="per-bottle">{{ cost.perBottle === null ? '-' : money(cost.perBottle) }}</b><span class="soft"
            >each of <span data-fact="bottles" :data-of="`${batch.id}/${cost.strandId}`">{{ plural(cost.count, 'bottle') }}</span></span
          >
        </p>
        <p class="big">
          <b data-fact="per-100">{{ cost.per100 === null ? '-' : money(cost.per100) }}</b><span class="soft"
            >for 100 ml, bottle and all</span
          >
        </p>
        <p class="big">
          <b>{{ cost.per100Stuff === null ? '-' : money(cost.per100Stuff) }}</b><span class="soft">for 100 ml of sauce alone</span>
        </p>
        <h2>Beside a bought one</h2>
        <div class="two">
          <NumberField
            label="It costs"
            :model-value="bought.price"
            :schema="P.price"
            optional
            @update:model-value="setBought({ price: $event })"
          />
          <NumberField
            label="and holds"
            unit="ml"
            :model-value="bought.ml"
            :schema="P.ml"
            @update:model-value="setBought({ ml: $event! })"
          />
        </div>
        <p v-if="beside" data-fact="beside">{{ beside }}</p>
        <h2>Time</h2>
        <p class="big">
          <b data-fact="hands">{{ time(cost.minutes.hands) }}</b><span class="soft">of work</span>
        </p>
        <p class="soft">
          Time has no price here; days of souring are not counted, minutes are good to a quarter. What is kept of it (brine, pulp, oil)
          carries no cost.
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 12px;
  align-items: start;
}
.bill,
.side {
  padding: 12px 18px;
}
.side {
  display: grid;
  gap: 4px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) 90px minmax(0, 1fr) 104px;
  gap: 4px 12px;
  align-items: center;
  min-height: 34px;
  border-bottom: 1px dashed var(--line);
}
li .price {
  grid-column: 1 / -1;
  max-width: 300px;
  padding-bottom: 6px;
}
li b,
li .none {
  text-align: right;
}
.bar {
  height: 10px;
  border-radius: 0 5px 5px 0;
  background: var(--acid);
}
.bar.energy {
  background: var(--heat);
}
.bar.bottles {
  background: var(--rim);
}
.sum {
  display: flex;
  justify-content: space-between;
  font-size: 20px;
  margin: 10px 0 0;
}
.big {
  display: flex;
  align-items: baseline;
  gap: 10px;
  margin: 0;
}
.big b {
  font-size: 24px;
}
.side h2 {
  margin-top: 10px;
}
.side p:not(.big) {
  margin: 0;
  font-size: 14px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
@media (max-width: 900px) {
  .grid {
    grid-template-columns: minmax(0, 1fr);
  }
  li {
    grid-template-columns: minmax(0, 1fr) auto auto;
  }
  .bar {
    display: none;
  }
}
</style>
