<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { freeId, type Ingredient, type Intake, type StationEntry, type StationReport } from '@roskel/core';
import { grams } from '../format';
import { useLarder } from '../stores/larder';
import { useOpenBatch } from '../stores/openBatch';
import { usePods } from '../stores/pods';
import { useStored } from '../stores/stored';
import { lazySheet } from '../ui/lazySheet';
import PickField, { type ChoiceGroup } from '../ui/PickField.vue';
import { gramsIn } from './intakes';
import { outletsFor } from './outlets';

const ReaderSheet = lazySheet(() => import('../larder/ReaderSheet.vue'));
/** Adds to what goes in at a station: of this batch, of the stores, to be bought, or read from a list. */
const props = defineProps<{ station: StationReport; entry: StationEntry }>();
const emit = defineEmits<{ put: [intakes: Intake[]] }>();
const batch = useOpenBatch();
const larder = useLarder();
const pods = usePods();
const stored = useStored();
const outlets = computed(() => (batch.report && batch.file ? outletsFor(batch.file, batch.report, props.station.id) : []));
/** Everything that can go in here, by where it is from; what is in already is left out. */
const choices = computed<ChoiceGroup<string>[]>(() => {
  const has = new Set(props.entry.intakes.map((x) => JSON.stringify(x.origin)));
  const inStock = new Set(larder.items.map((l) => l.ingredientKey));
  const used = new Set(props.entry.intakes.flatMap((x) => (x.origin.from === 'larder' ? [x.origin.key] : [])));
  const lots = new Set(props.entry.intakes.flatMap((x) => (x.origin.from === 'pods' ? [x.origin.lotId] : [])));
  const kept = new Set(props.entry.intakes.flatMap((x) => (x.origin.from === 'stored' ? [x.origin.id] : [])));
  const rest = larder.rows.filter((i) => !used.has(i.key) && !/^(Chili|Dried|Ground red)/.test(i.name));
  const row = (i: Ingredient) => ({ value: `larder ${i.key}`, label: i.name });
  return [
    {
      title: 'Of this batch',
      list: outlets.value.filter((o) => !has.has(JSON.stringify(o.origin))).map((o) => ({ value: o.value, label: o.label })),
    },
    {
      title: 'Kept of other batches',
      list: stored.items
        .filter((s) => !kept.has(s.id) && s.stockG > 0.5 && s.batchId !== batch.id)
        .map((s) => ({ value: `stored ${s.id}`, label: `${s.stuff.name}, ${grams(s.stockG)}` })),
    },
    { title: 'In the larder', list: rest.filter((i) => inStock.has(i.key)).map(row) },
    {
      title: 'Pods',
      list: pods.items
        .filter((p) => !lots.has(p.id) && p.stockG > 0)
        .map((p) => ({ value: `pods ${p.id}`, label: `${p.lot.name}, ${grams(p.stockG)}` })),
    },
    { title: 'To buy', list: rest.filter((i) => !inStock.has(i.key)).map(row) },
  ].filter((g) => g.list.length > 0);
});
/** The usual first amount of what is added, to be put right, g. */
const FIRST = { larder: 20, pods: 50, stored: 50 } as const;
function add(value: string) {
  const outlet = outlets.value.find((o) => o.value === value);
  const [from, id] = value.split(' ') as ['larder' | 'pods' | 'stored', string];
  const stored_ = from === 'stored' ? Math.min(FIRST.stored, Math.floor(stored.items.find((s) => s.id === id)?.stockG ?? FIRST.stored)) : 0;
  const made: Omit<Intake, 'id'> = outlet
    ? { origin: outlet.origin, amount: outlet.amount }
    : from === 'pods'
      ? { origin: { from, lotId: id, prep: 'whole' }, amount: { g: FIRST.pods } }
      : from === 'stored'
        ? { origin: { from, id }, amount: { g: stored_ } }
        : { origin: { from: 'larder', key: id }, amount: { g: FIRST.larder } };
  emit('put', [...props.entry.intakes, { id: freeId(props.entry, outlet ? outlet.id : id), ...made }]);
}
const reading = ref(false);
/** Things read from a pasted list join what is in; the same thing twice adds up. */
function take(items: { id: string; massG: number; words: string }[]) {
  const all = [...props.entry.intakes];
  for (const it of items) {
    const at = all.findIndex((x) => x.origin.from === 'larder' && x.origin.key === it.id);
    const had = at < 0 ? null : gramsIn(all[at]!);
    if (had) all[at] = { ...all[at]!, amount: { g: had.g + it.massG } };
    else
      all.push({
        id: freeId({ ...props.entry, intakes: all }, it.id),
        origin: { from: 'larder', key: it.id },
        amount: { g: it.massG, words: it.words },
      });
  }
  emit('put', all);
}
</script>

<template>
  <div class="add">
    <PickField
      hide-label
      label="Add what goes in"
      placeholder="Add something"
      :model-value="null"
      :options="choices"
      @update:model-value="add"
    />
    <NButton text class="link" @click="reading = true">Paste a list</NButton>
  </div>
  <ReaderSheet v-model:show="reading" verb="Put it in" @take="take" />
</template>

<style scoped>
.add {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 12px;
  align-items: center;
}
</style>
