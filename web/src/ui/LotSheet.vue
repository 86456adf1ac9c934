<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue';
import { NModal } from 'naive-ui';
import type { PodLotRecord } from '@roskel/contract';
import { LotSchema, lotOfVariety, variety, VARIETIES, type PodLot } from '@roskel/core';
import { grams, shu, today } from '../format';
import { usePods } from '../stores/pods';
import { useNotices } from '../stores/notices';
import NumberField from './NumberField.vue';
import AmountField from './AmountField.vue';
import ChoiceField from './ChoiceField.vue';

/** Add a lot of pods, or change one. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ item: PodLotRecord | null }>();
const pods = usePods();
const notices = useNotices();
const P = LotSchema.properties;
const fresh = () => ({
  varietyId: 'cayenne-red',
  name: '',
  form: 'fresh' as PodLot['form'],
  stockG: 0,
  words: '',
  gotOn: today(),
  place: '',
  note: '',
  useFirst: false,
  dryShu: null as number | null,
});
const form = reactive(fresh());
const problem = ref('');
const move = reactive({ massG: 0, words: '' });

watch(show, (open) => {
  if (!open) return;
  problem.value = '';
  Object.assign(move, { massG: 0, words: '' });
  const it = props.item;
  Object.assign(
    form,
    fresh(),
    it
      ? {
          varietyId: it.lot.varietyId,
          name: it.lot.name,
          form: it.lot.form,
          gotOn: it.gotOn ?? '',
          place: it.place,
          note: it.note,
          useFirst: it.useFirst,
          dryShu: it.lot.heat?.dryShu ?? null,
        }
      : {},
  );
});
const chosen = computed(() => variety(form.varietyId));
const groups = computed(() =>
  ['fresh', 'dried', 'flakes', 'powder'].map((f) => ({
    form: f,
    list: VARIETIES.filter((v) => v.form === f).sort((a, b) => a.shuDry.typical - b.shuDry.typical),
  })),
);
const what = computed(() => ({
  key: 'pods',
  name: chosen.value.name,
  pieces: (chosen.value.pod ? { pod: chosen.value.pod.massG.typical, bowl: 15 * chosen.value.pod.massG.typical } : {}) as Record<
    string,
    number
  >,
  measure: { cup: 95, tbsp: 6, tsp: 2 },
  density: 1,
}));
const preview = computed(() => {
  const lot = lotOfVariety(chosen.value, { id: 'preview' });
  return lot.heat
    ? `${shu(lot.heat.dryShu)} SHU dry; about ${shu((form.dryShu ?? lot.heat.dryShu) * (1 - lot.waterPct / 100))} as it is, at ${lot.waterPct} % water`
    : 'no heat';
});

function build(id: string): PodLot {
  const base = lotOfVariety(chosen.value, { id, name: form.name.trim() || chosen.value.name, form: form.form });
  if (!base.heat || form.dryShu === null || form.dryShu === base.heat.dryShu) {
    const kept = props.item?.lot;
    return kept && kept.varietyId === base.varietyId ? { ...base, heat: form.dryShu === kept.heat?.dryShu ? kept.heat : base.heat } : base;
  }
  // A figure from a packet or label: chapter 2, section 4.1 gives a seed-packet figure sigma 0.6 and a label 0.35.
  return { ...base, heat: { dryShu: form.dryShu, sigma: 0.6, source: 'label' } };
}
async function save() {
  try {
    const input = (id: string) => ({
      lot: build(id),
      gotOn: form.gotOn || null,
      place: form.place.trim(),
      note: form.note.trim(),
      useFirst: form.useFirst,
    });
    if (props.item) await pods.edit(props.item, input(props.item.id));
    else await pods.add(input(`lot-${Date.now().toString(36)}`), form.stockG, form.words);
    show.value = false;
  } catch (e) {
    problem.value = (e as Error).message;
  }
}
async function stock(sign: 1 | -1, reason: 'in' | 'used' | 'thrown') {
  if (!props.item || !(move.massG > 0)) return void (problem.value = 'Say how much first, such as 300 g or 12 pods.');
  if (sign < 0 && move.massG > props.item.stockG + 0.01) return void (problem.value = `There are only ${grams(props.item.stockG)}.`);
  try {
    await pods.move(props.item, { deltaG: sign * move.massG, reason, words: move.words });
    show.value = false;
  } catch (e) {
    problem.value = (e as Error).message;
  }
}
async function away() {
  if (!props.item) return;
  await pods.putAway(props.item).catch((e: unknown) => notices.fail(e));
  notices.say('Put away. Undo brings it back.');
  show.value = false;
}
</script>

<template>
  <NModal v-model:show="show" preset="card" :title="item ? item.lot.name : 'Add a lot of pods'" style="width: 600px; max-width: 96vw">
    <form class="form" @submit.prevent="save">
      <label class="field wide">
        <span>Variety</span>
        <select
          v-model="form.varietyId"
          class="entry"
          @change="
            form.dryShu = null;
            form.form = chosen.form;
          "
        >
          <optgroup v-for="gr in groups" :key="gr.form" :label="gr.form">
            <option v-for="v in gr.list" :key="v.id" :value="v.id">{{ v.name }}</option>
          </optgroup>
        </select>
        <small class="soft">{{ preview }}</small>
      </label>
      <label class="field">
        <span>Your name for it</span>
        <input v-model="form.name" class="entry" maxlength="80" :placeholder="chosen.name" />
      </label>
      <ChoiceField
        v-model="form.form"
        label="Form"
        :options="['fresh', 'frozen', 'dried', 'flakes', 'powder'].map((f) => ({ value: f as PodLot['form'], label: f }))"
      />
      <AmountField
        v-if="!item"
        label="How much"
        :mass-g="form.stockG"
        :words="form.words || undefined"
        :what="what"
        @change="(m, w) => ((form.stockG = m), (form.words = w))"
      />
      <NumberField
        v-if="chosen.shuDry.low > 0 && P.heat"
        label="Heat of the dry matter, if you know better"
        unit="SHU"
        optional
        :digits="0"
        :model-value="form.dryShu"
        :schema="P.heat.anyOf[0].properties.dryShu"
        :placeholder="String(chosen.shuDry.typical)"
        @update:model-value="form.dryShu = $event"
      />
      <label class="field">
        <span>Got on</span>
        <input v-model="form.gotOn" type="date" class="entry" />
      </label>
      <label class="field">
        <span>From</span>
        <input v-model="form.place" class="entry" maxlength="80" placeholder="bed 2, market" />
      </label>
      <label class="field wide">
        <span>Note</span>
        <input v-model="form.note" class="entry" maxlength="2000" />
      </label>
      <label class="tick wide"><input v-model="form.useFirst" type="checkbox" /> Use this first</label>
      <p v-if="problem" class="field-error wide" role="alert">{{ problem }}</p>
      <button type="submit" class="act main wide">{{ item ? 'Keep the changes' : 'Add the lot' }}</button>
    </form>
    <section v-if="item" class="stock">
      <h2>Stock {{ grams(item.stockG) }}</h2>
      <div class="moves">
        <AmountField
          label="Amount"
          :mass-g="move.massG"
          :words="move.words || undefined"
          :what="what"
          @change="(m, w) => ((move.massG = m), (move.words = w))"
        />
        <button type="button" class="act" @click="stock(1, 'in')">More came in</button>
        <button type="button" class="act" @click="stock(-1, 'used')">Used</button>
        <button type="button" class="act" @click="stock(-1, 'thrown')">Thrown away</button>
        <button type="button" class="link" @click="away">Put the lot away</button>
      </div>
    </section>
  </NModal>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 12px;
}
.wide {
  grid-column: 1 / -1;
}
.tick {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}
.tick input {
  width: 20px;
  height: 20px;
}
p {
  margin: 0;
}
.stock {
  border-top: 2px solid var(--rim);
  margin-top: 14px;
  padding-top: 10px;
}
.moves {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
}
</style>
