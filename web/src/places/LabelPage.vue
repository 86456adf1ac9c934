<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { NAlert, NButton } from 'naive-ui';
import { RouterLink, useRoute } from 'vue-router';
import { Type } from '@sinclair/typebox';
import type { BatchRecord, BottlingRecord } from '@roskel/contract';
import { countedIn, giftCard, giftHtml, labelOf, LineProblem, NoLabel, nutritionLine, nutritionOfEnd, type Label } from '@roskel/core';
import { api } from '../api/client';
import { fullDay, inManner, plural, today } from '../format';
import LabelPicture from '../labels/LabelPicture.vue';
import { labelFonts } from '../labels/fonts';
import { layoutLabel, TooSmall, type Mark, type Measure } from '../labels/layout';
import { labelsPdf, measureWith } from '../labels/pdf';
import { qrModules } from '../labels/qr';
import { SHEETS } from '../labels/sheets';
import { useNotices } from '../stores/notices';
import { useSettings } from '../stores/settings';
import { useShelf } from '../stores/shelf';
import { download } from '../ui/download';
import DateField from '../ui/DateField.vue';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import TextField from '../ui/TextField.vue';
import TickField from '../ui/TickField.vue';

/** Labels of what is filled: what must stand on them, on paper of common sizes, as a PDF. */
const route = useRoute();
const shelf = useShelf();
const settings = useSettings();
const notices = useNotices();
const record = shallowRef<BatchRecord | null>(null);
const measure = shallowRef<Measure | null>(null);
const bottling = computed<BottlingRecord | null>(() => shelf.items.find((b) => b.id === route.params.id) ?? null);
const missing = ref('');
const sheetId = ref('a4-21');
const list = ref<'eu' | 'us'>('eu');
const count = ref(1);
const first = ref(1);
const earlier = ref<string | null>(null);
const withQr = ref(true);
const withNutrition = ref(false);
const note = ref('');
const sheet = computed(() => SHEETS.find((s) => s.id === sheetId.value)!);
const perSheet = computed(() => sheet.value.across * sheet.value.down);

onMounted(async () => {
  try {
    await shelf.load();
    const b = bottling.value;
    if (!b) {
      missing.value = 'These bottles are not on the shelf any more.';
      return;
    }
    count.value = Math.max(1, b.left);
    [record.value, measure.value] = await Promise.all([api.get<BatchRecord>(`/batches/${b.batchId}`), labelFonts().then(measureWith)]);
  } catch (e) {
    notices.fail(e);
  }
});
/** What the label says, or why there is none. The date is the table's, the shelf's, or an earlier one: never a later. */
const said = computed<{ label: Label } | { why: string } | null>(() => {
  const b = bottling.value;
  if (!b || !record.value) return null;
  if (b.place === 'bin') return { why: `This gets no label: ${b.keeping}` };
  const cap = earlier.value !== null && earlier.value < b.useBy ? earlier.value : b.useBy;
  try {
    return { label: labelOf(countedIn(record.value.file, settings.value.school), b.strandId, today(), cap) };
  } catch (e) {
    if (e instanceof NoLabel || e instanceof LineProblem || e instanceof RangeError) return { why: e.message };
    throw e;
  }
});
const label = computed(() => (said.value && 'label' in said.value ? said.value.label : null));
const qrText = computed(() => {
  const l = label.value;
  return l ? [l.name, `made ${l.madeOn}`, `${l.date.kind} ${l.date.on}`, l.keep, l.code, note.value.trim()].filter(Boolean).join('\n') : '';
});
/** One line of nutrition, an estimate; null where the line of the batch cannot say it. */
const nutrition = computed(() => {
  if (!label.value || !withNutrition.value) return null;
  try {
    const n = nutritionOfEnd(record.value!.file, bottling.value!.strandId);
    return n && nutritionLine(n);
  } catch (e) {
    if (e instanceof LineProblem) return null;
    throw e;
  }
});
const drawn = computed<{ marks: Mark[] } | { why: string } | null>(() => {
  if (!label.value || !measure.value) return null;
  try {
    const qr = withQr.value ? qrModules(qrText.value) : null;
    return {
      marks: layoutLabel(
        label.value,
        ...sheet.value.label,
        { list: list.value, day: fullDay, qr, nutrition: nutrition.value },
        measure.value,
      ),
    };
  } catch (e) {
    if (e instanceof TooSmall) return { why: withQr.value ? `${e.message} Or leave the QR code out.` : e.message };
    throw e;
  }
});
const marks = computed(() => (drawn.value && 'marks' in drawn.value ? drawn.value.marks : null));
watch(perSheet, (n) => {
  if (first.value > n) first.value = 1;
});
const busy = ref(false);
async function save() {
  if (!marks.value || !label.value || busy.value) return;
  busy.value = true;
  try {
    const pdf = await labelsPdf(marks.value, sheet.value, count.value, first.value - 1, await labelFonts(), `Labels, ${label.value.name}`);
    download(`${label.value.code}-labels.pdf`, new Uint8Array(pdf), 'application/pdf');
  } catch (e) {
    notices.fail(e);
  } finally {
    busy.value = false;
  }
}
/** What goes with a bottle: one page that needs nothing else, or a paper. */
async function saveCard(as: 'page' | 'paper') {
  const l = label.value;
  if (!l) return;
  try {
    const card = giftCard(l, list.value, fullDay, nutrition.value);
    if (as === 'page') return download(`${l.code}-card.html`, giftHtml(card), 'text/html');
    const [{ savePaper }, { giftBlocks }] = await Promise.all([import('../papers/save'), import('../papers/giftBlocks')]);
    await savePaper(giftBlocks(card), settings.value.kitchen === 'us' ? 'letter' : 'a4', card.title, `${l.code}-card.pdf`);
  } catch (e) {
    notices.fail(e);
  }
}
const P = {
  count: Type.Integer({ title: 'The number of labels', minimum: 1, maximum: 500 }),
  first: Type.Integer({ title: 'The first free place', minimum: 1, maximum: 30 }),
};
const sheets = SHEETS.map((s) => ({ value: s.id, label: s.name }));
const lists = [
  { value: 'eu' as const, label: 'European Union, 14 allergens' },
  { value: 'us' as const, label: 'United States, 9 allergens' },
];
</script>

<template>
  <div class="page">
    <header class="head">
      <div>
        <RouterLink class="crumb" to="/shelf">Shelf</RouterLink><span class="crumb"> / </span
        ><span class="crumb">{{ bottling?.name ?? 'bottles' }}</span>
        <h1>Labels</h1>
      </div>
      <span v-if="label" class="chip"
        >{{ label.date.kind }}&nbsp;<b data-fact="date">{{ fullDay(label.date.on) }}</b></span
      >
      <NButton class="push" type="primary" :disabled="!marks || busy" :loading="busy" @click="save"
        >Save {{ plural(count, 'label') }} as PDF</NButton
      >
    </header>
    <p v-if="missing" class="plate note">{{ missing }} <RouterLink to="/shelf">Back to the shelf</RouterLink>.</p>
    <NAlert v-if="said && 'why' in said" type="warning" title="No label for these" :show-icon="false" role="alert">{{
      inManner(said.why)
    }}</NAlert>
    <div v-else-if="label" class="grid">
      <section class="plate fields" aria-label="The labels">
        <PickField v-model="sheetId" label="Paper" :options="sheets" />
        <div class="two">
          <NumberField label="How many" :model-value="count" :schema="P.count" @update:model-value="count = $event!" />
          <NumberField
            v-if="perSheet > 1"
            label="First free place on the sheet"
            :model-value="first"
            :schema="P.first"
            @update:model-value="first = Math.min($event!, perSheet)"
          />
        </div>
        <PickField v-model="list" label="Allergens of" :options="lists" />
        <DateField v-model="earlier" label="An earlier date of your own" optional />
        <p class="soft small">
          The table of keeping allows {{ fullDay(bottling!.useBy) }}; no label goes beyond it. {{ inManner(label.reason) }}
        </p>
        <TickField v-model="withQr" label="With a QR code" />
        <TextField v-if="withQr" v-model="note" label="A line of your own in the code" :maxlength="120" />
        <TickField v-model="withNutrition" label="With nutrition of 100 g, an estimate" />
        <p class="soft small">
          Home guidance only. Whoever sells or gives widely asks the local food authority what must stand on a label.
        </p>
      </section>
      <div class="right">
        <section class="plate look" aria-label="How it looks">
          <LabelPicture v-if="marks" :marks="marks" :size="sheet.label" :says="`Label of ${label.name}`" />
          <p v-else-if="drawn && 'why' in drawn" class="field-error" role="alert">{{ drawn.why }}</p>
          <p class="soft small">
            {{ sheet.label[0] }} × {{ sheet.label[1] }} mm, shown larger. Ingredients stand in the order of their weight as they went in.
          </p>
          <div class="sheet" aria-hidden="true" :style="{ aspectRatio: `${sheet.page[0]} / ${sheet.page[1]}` }">
            <i
              v-for="n in perSheet"
              :key="n"
              :class="{ on: n >= first && n < first + count }"
              :style="{
                left: `${(100 * (sheet.margin[0] + ((n - 1) % sheet.across) * sheet.pitch[0])) / sheet.page[0]}%`,
                top: `${(100 * (sheet.margin[1] + Math.floor((n - 1) / sheet.across) * sheet.pitch[1])) / sheet.page[1]}%`,
                width: `${(100 * sheet.label[0]) / sheet.page[0]}%`,
                height: `${(100 * sheet.label[1]) / sheet.page[1]}%`,
              }"
            />
          </div>
        </section>
        <section class="plate card" aria-label="A card for whoever gets a bottle">
          <div>
            <h2>A card for whoever gets a bottle</h2>
            <p class="soft small">How hot it is, what is in it, how to keep it: with the same date as the label.</p>
          </div>
          <NButton @click="saveCard('page')">Save the card as a page</NButton>
          <NButton @click="saveCard('paper')">Save the card as PDF</NButton>
        </section>
      </div>
    </div>
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 340px minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}
.fields {
  padding: 12px 16px;
  display: grid;
  gap: 8px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1.4fr;
  gap: 8px;
  align-items: end;
}
h2 {
  font-size: 17px;
  margin: 0;
}
.right {
  display: grid;
  gap: 12px;
}
.card {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 12px 16px;
}
.card > div {
  flex: 1 1 260px;
}
.small {
  font-size: 13.5px;
  margin: 0;
}
.look {
  padding: 16px;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  gap: 10px 20px;
  align-items: start;
}
.look > .small {
  grid-column: 1;
}
.sheet {
  position: relative;
  border: 1.5px solid var(--line);
  background: var(--white);
  grid-column: 2;
  grid-row: 1 / span 2;
}
.sheet i {
  position: absolute;
  border: 1px solid var(--line);
}
.sheet i.on {
  background: var(--active);
  border-color: var(--rim);
}
@media (max-width: 900px) {
  .grid,
  .look {
    grid-template-columns: minmax(0, 1fr);
  }
  .sheet {
    grid-column: 1;
    grid-row: auto;
    max-width: 150px;
  }
}
</style>
