<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { NButton, NTable } from 'naive-ui';
import { RouterLink, useRoute, useRouter } from 'vue-router';
import type { BatchRecord } from '@roskel/contract';
import { compareBatches, countedIn, LineProblem, type ComparedStation, type Comparison } from '@roskel/core';
import { api } from '../api/client';
import { grams, percent, ph, plural, shu, today } from '../format';
import { useBatches } from '../stores/batches';
import { useNotices } from '../stores/notices';
import { useSettings } from '../stores/settings';
import PickField from '../ui/PickField.vue';

/** Two to four batches beside each other, station by station: planned, measured, and what made the difference. */
const MOST = 4;
const route = useRoute();
const router = useRouter();
const batches = useBatches();
const settings = useSettings();
const notices = useNotices();
const ids = computed(() =>
  [
    ...new Set(
      String(route.query.of ?? '')
        .split(',')
        .filter(Boolean),
    ),
  ].slice(0, MOST),
);
const records = shallowRef<BatchRecord[]>([]);
const trouble = ref('');
onMounted(() => void batches.load().catch((e: unknown) => notices.fail(e)));
watch(
  ids,
  async (now) => {
    try {
      records.value = await Promise.all(now.map((id) => api.get<BatchRecord>(`/batches/${encodeURIComponent(id)}`)));
      trouble.value = '';
    } catch (e) {
      trouble.value = (e as Error).message;
      records.value = [];
    }
  },
  { immediate: true },
);
const told = computed<{ c: Comparison } | { why: string } | null>(() => {
  if (records.value.length < 2) return null;
  try {
    return {
      c: compareBatches(
        records.value.map((r) => countedIn(r.file, settings.value.school)),
        today(),
      ),
    };
  } catch (e) {
    if (e instanceof LineProblem || e instanceof RangeError) return { why: e.message };
    throw e;
  }
});
const c = computed(() => (told.value && 'c' in told.value ? told.value.c : null));
const choices = computed(() => batches.items.filter((b) => !ids.value.includes(b.id)).map((b) => ({ value: b.id, label: b.summary.name })));
/** What one would look at: a batch beside the one of its style before it; with one chosen, each other, its own style first. */
const MOST_OFFERS = 8;
const offers = computed<{ ids: string[]; names: string }[]>(() => {
  const all = [...batches.items].sort((a, b) => b.summary.startDate.localeCompare(a.summary.startDate));
  const one = all.find((b) => b.id === ids.value[0]);
  const before = (at: number, alike: boolean) => all.slice(at + 1).find((b) => (b.summary.style === all[at]!.summary.style) === alike);
  const pairs = one
    ? [true, false].flatMap((alike) =>
        all.flatMap((b) => (b !== one && (b.summary.style === one.summary.style) === alike ? [[one, b] as const] : [])),
      )
    : [true, false].flatMap((alike) => all.flatMap((b, at) => (before(at, alike) ? [[b, before(at, alike)!] as const] : [])));
  return pairs.slice(0, MOST_OFFERS).map(([a, b]) => ({ ids: [a.id, b.id], names: `${a.summary.name} and ${b.summary.name}` }));
});
const go = (next: string[]) => void router.replace({ query: { of: next.join(',') } });
const name = (i: number) => records.value[i]?.file.name ?? '';
/** What stands in a cell: measured figures in bold, the plan beside them where it was another. */
function mass(s: ComparedStation): { is: string; plan: string } {
  const off = Math.abs(s.now.massG / Math.max(1e-9, s.planned.massG) - 1) > 0.015;
  return { is: grams(s.now.massG), plan: s.weighed || off ? `planned ${grams(s.planned.massG)}` : '' };
}
const ofEnd = (i: number) => `${records.value[i]?.id}/${c.value?.ends[i]?.strandId}`;
const times = (f: number) => (f >= 1 ? `× ${f.toFixed(2)}` : `÷ ${(1 / f).toFixed(2)}`);
</script>

<template>
  <div class="page">
    <header class="head">
      <div>
        <RouterLink class="crumb" to="/batches">Batches</RouterLink><span class="crumb"> / </span>
        <h1>Side by side</h1>
      </div>
      <PickField
        v-if="ids.length < MOST && choices.length"
        class="pick"
        :label="ids.length < 2 ? 'Put beside it' : 'And also'"
        hide-label
        :model-value="''"
        :options="[{ value: '', label: ids.length === 0 ? 'choose a batch' : 'put another beside it' }, ...choices]"
        @update:model-value="$event && go([...ids, $event])"
      />
    </header>
    <p v-if="trouble" class="plate note" role="alert">{{ trouble }}</p>
    <p v-else-if="told && 'why' in told" class="plate note" role="alert">One of them cannot be worked out: {{ told.why }}</p>
    <section v-else-if="ids.length < 2" class="plate note" aria-label="What to put side by side">
      <p>
        {{
          offers.length === 0
            ? 'It takes two batches to see them beside each other.'
            : `Choose ${ids.length === 0 ? 'two batches' : 'another batch'} above, or one of these pairs:`
        }}
      </p>
      <ul v-if="offers.length" class="pairs">
        <li v-for="o in offers" :key="o.ids.join()">
          <RouterLink :to="{ query: { of: o.ids.join(',') } }" replace>{{ o.names }}</RouterLink>
        </li>
      </ul>
    </section>
    <template v-if="c">
      <section class="plate table" aria-label="Station by station">
        <NTable class="beside" :bordered="false">
          <thead>
            <tr>
              <th scope="col"><span class="visually-hidden">Station</span></th>
              <th v-for="({ id }, i) in records" :key="id" scope="col">
                <RouterLink :to="{ name: 'batch', params: { id } }">{{ name(i) }}</RouterLink>
                <NButton
                  v-if="ids.length > 2"
                  text
                  class="link"
                  :aria-label="`Take ${name(i)} away`"
                  @click="go(ids.filter((x) => x !== id))"
                  >away</NButton
                >
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in c.rows" :key="r.name">
              <th scope="row">{{ r.name }}</th>
              <td v-for="(s, i) in r.of" :key="i" :data-cell="`${r.kind} ${i}`" :data-name="name(i)">
                <template v-if="s">
                  <b :class="{ read: s.weighed }">{{ mass(s).is }}</b> <span class="soft">{{ mass(s).plan }}</span>
                  <span class="props soft">
                    {{ shu(s.now.heatShu) }} SHU, pH {{ ph(s.now.pH, s.read).replace('no pH', '-') }}{{ s.read ? ' measured' : '' }}, salt
                    {{ percent(s.now.saltPct) }}<template v-if="s.days > 0">, {{ plural(s.days, 'day') }}</template>
                  </span>
                </template>
                <span v-else class="soft">not in it</span>
              </td>
            </tr>
            <tr class="end">
              <th scope="row">Sauce</th>
              <td v-for="(e, i) in c.ends" :key="i" :data-name="name(i)">
                <b data-fact="heatShu" :data-of="ofEnd(i)">{{ shu(e.now.heatShu) }} SHU</b>
                <span class="soft">planned {{ shu(e.planned.heatShu) }}</span>
                <span class="props soft"
                  ><span data-fact="bottles" :data-of="ofEnd(i)">{{ e.bottles }}</span> of {{ plural(e.wanted, 'bottle') }}, pH
                  <span data-fact="pH" :data-of="ofEnd(i)">{{ ph(e.now.pH, e.read) }}</span>, sugar {{ percent(e.now.sweetPct) }}</span
                >
              </td>
            </tr>
          </tbody>
        </NTable>
      </section>
      <section class="plate why" aria-label="What made the difference">
        <h2>What made the difference in heat</h2>
        <div class="whys">
          <div v-for="(list, i) in c.why.slice(1)" :key="i">
            <p>
              <b>{{ name(i + 1) }}</b> beside {{ name(0) }}:
              {{
                c.ends[0]!.now.heatShu > 0
                  ? `its heat ${times(c.ends[i + 1]!.now.heatShu / c.ends[0]!.now.heatShu)}`
                  : 'the first has no heat'
              }}
            </p>
            <ul>
              <li v-for="f in list" :key="f.says" data-why>
                <b>{{ times(f.factor) }}</b> {{ f.says }}
              </li>
              <li v-if="list.length === 0" class="soft">nothing that would be tasted.</li>
            </ul>
          </div>
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
.table {
  padding: 6px 16px 10px;
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 6px 10px 6px 0;
  border-bottom: 1px dashed var(--line);
  font-weight: 400;
}
thead th {
  font-size: 17px;
  font-weight: 700;
}
tbody th {
  width: 150px;
  font-weight: 600;
}
.link {
  margin-left: 12px;
}
.props {
  display: block;
  font-size: 13.5px;
}
b.read {
  border-bottom: 2px solid var(--acid);
}
.end td,
.end th {
  border-bottom: 0;
  padding-top: 10px;
}
.why {
  padding: 10px 16px;
}
.whys {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 40px;
}
.whys p,
.whys ul {
  margin: 2px 0;
}
.pick {
  min-width: 220px;
}
.note p {
  margin: 0;
}
.pairs {
  columns: 2 280px;
  margin: 6px 0 0;
  padding-left: 18px;
}
.pairs a {
  display: inline-block;
  min-height: 32px;
}
/* A phone: a station, and under it the batches one below another, each with its name. */
@media (max-width: 720px) {
  .beside,
  .beside :is(tbody, tr, th, td) {
    display: block;
    width: auto;
  }
  .beside thead th:first-child {
    display: none;
  }
  .beside tbody th {
    border-bottom: 0;
    padding: 10px 0 0;
  }
  .beside td {
    padding: 2px 0 6px;
  }
  .beside td::before {
    content: attr(data-name);
    display: block;
    font-size: 13.5px;
    color: var(--soft);
  }
}
</style>
