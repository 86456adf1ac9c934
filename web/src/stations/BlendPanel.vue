<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { ingredient, KEPT_BRINE, type Ingredient, type StationReport, type Texture } from '@roskel/core';
import { grams, percent, ph } from '../format';
import { useLarder } from '../stores/larder';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import ParamField from './ParamField.vue';
import PickField from '../ui/PickField.vue';
import AmountField from '../ui/AmountField.vue';
import FactRows from '../ui/FactRows.vue';
import { lazySheet } from '../ui/lazySheet';

const ReaderSheet = lazySheet(() => import('../larder/ReaderSheet.vue'));

const props = defineProps<{ station: StationReport<'blend'> }>();
const { batch, params, set, trouble } = usePanel<'blend'>(props);
const TEXTURE_NAMES: Record<Texture, string> = {
  rustic: 'rustic, pulsed',
  coarse: 'coarse, half a minute',
  medium: 'medium, a good minute',
  smooth: 'smooth, three minutes',
  silky: 'silky, five minutes',
};
const textures = (Object.keys(TEXTURE_NAMES) as Texture[]).map((value) => ({ value, label: TEXTURE_NAMES[value] }));
const larder = useLarder();
void larder.load();
const BRINE = { key: KEPT_BRINE, name: 'Own brine', pieces: {}, measure: { cup: 242, tbsp: 15.1, tsp: 5 }, density: 1.02 };
const row = (id: string): Pick<Ingredient, 'key' | 'name' | 'pieces' | 'measure' | 'density'> =>
  id === KEPT_BRINE ? BRINE : (batch.file!.ingredients.find((i) => i.key === id) ?? larder.row(id) ?? ingredient(id));
const brineLeft = computed(() => batch.report?.stations.flatMap((s) => s.sides).find((s) => s.id === KEPT_BRINE && s.kept) ?? null);
const choices = computed(() => {
  const used = new Set(params.value.additions.map((a) => a.id));
  const inStock = new Set(larder.items.map((l) => l.ingredientKey));
  const rest = larder.rows.filter((i) => !used.has(i.key) && !/^(Chili|Dried|Ground red)/.test(i.name));
  const choice = (i: Ingredient) => ({ value: i.key, label: i.name });
  return [
    ...(!used.has(KEPT_BRINE) && brineLeft.value
      ? [{ title: 'Of this batch', list: [{ value: KEPT_BRINE, label: `Own brine, ${grams(brineLeft.value.massG)} kept` }] }]
      : []),
    { title: 'In the larder', list: rest.filter((i) => inStock.has(i.key)).map(choice) },
    { title: 'To buy', list: rest.filter((i) => !inStock.has(i.key)).map(choice) },
  ].filter((g) => g.list.length > 0);
});
const reading = ref(false);
/** Things read from a pasted list join what is in the jug; the same thing twice adds up. */
function take(items: { id: string; massG: number; words: string }[]) {
  const additions = [...params.value.additions];
  for (const it of items) {
    const at = additions.findIndex((a) => a.id === it.id);
    if (at < 0) additions.push({ id: it.id, massG: it.massG, words: it.words });
    else additions[at] = { id: it.id, massG: additions[at]!.massG + it.massG };
  }
  set({ additions });
}
function add(id: string) {
  set({ additions: [...params.value.additions, { id, massG: id === KEPT_BRINE ? 50 : 20 }] });
}
function amount(i: number, massG: number, words: string) {
  set({ additions: params.value.additions.map((a, k) => (k === i ? { id: a.id, massG, words } : a)) });
}
function drop(i: number) {
  set({ additions: params.value.additions.filter((_, k) => k !== i) });
}
const rows = computed(() => {
  const s = props.station;
  const band = s.band.pH;
  return [
    ['pH of the blend', s.phMeasured ? ph(s.now.pH, true) : band ? `${band.p10.toFixed(1)} to ${band.p90.toFixed(1)}` : 'no pH'],
    ['Acetic acid', percent(s.now.aceticPct)],
    ['All acids', percent(s.now.acidPct)],
    ['Lost in the blender', grams(s.sides.find((x) => x.id === 'jug')?.massG ?? 0)],
  ] as const;
});
</script>

<template>
  <StationFrame :station="station" picture="Into the blender">
    <template #set>
      <FactRows :rows="rows" />
      <PickField
        label="Blended"
        :model-value="params.texture ?? 'medium'"
        :options="textures"
        @update:model-value="set({ texture: $event })"
      />
      <ParamField :station="station" name="heldUpPct" label="Lost in the blender" />
    </template>
    <template #measured><LogFields :station="station" mass-label="Blend, weighed" /></template>
    <template #picture>
      <ul>
        <li v-for="(a, i) in params.additions" :key="a.id">
          <b>{{ row(a.id).name }}</b>
          <AmountField
            :label="`${row(a.id).name}, amount`"
            hide-label
            :mass-g="a.massG"
            :words="a.words"
            :what="row(a.id)"
            :trouble="trouble(`additions/${i}/massG`)"
            @change="(g, w) => amount(i, g, w)"
          />
          <NButton text class="link" :aria-label="`Leave out ${row(a.id).name}`" @click="drop(i)">leave out</NButton>
        </li>
      </ul>
      <div class="add">
        <PickField
          hide-label
          label="Add from the larder"
          placeholder="Add something"
          :model-value="null"
          :options="choices"
          @update:model-value="add"
        />
        <NButton text class="link" @click="reading = true">Paste a list</NButton>
      </div>
      <ReaderSheet v-model:show="reading" verb="Add to the blend" @take="take" />
    </template>
  </StationFrame>
</template>

<style scoped>
.add {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 12px;
  align-items: center;
}
ul {
  list-style: none;
  margin: 0 0 6px;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 1fr 1.1fr auto;
  gap: 10px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px dashed var(--line);
}
li b {
  font-weight: 600;
  line-height: 1.2;
}
</style>
