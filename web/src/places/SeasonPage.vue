<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { NButton, NForm, NSelect } from 'naive-ui';
import { RouterLink, useRouter } from 'vue-router';
import { SeasonBookSchema } from '@roskel/contract';
import { heatWords, seedOf, SEASON_STYLES, styleOf, type SeasonBatch, type SeasonChange, type Wish } from '@roskel/core';
import { beginPlan, freeName } from '../batch/beginPlan';
import { day, grams, plural, shu, today } from '../format';
import SeasonPicture from '../season/SeasonPicture.vue';
import SeasonWishes from '../season/SeasonWishes.vue';
import { useSeason } from '../season/useSeason';
import { nameOf } from '../season/words';
import { useLarder } from '../stores/larder';
import { useNotices } from '../stores/notices';
import { heatColour } from '../theme';
import LabelledField from '../ui/LabelledField.vue';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import TextField from '../ui/TextField.vue';
import { NOT_STORED } from '../ui/notStored';
import { bench } from '../worker/client';

/** A season: what ripens, what is wished, and the batches between, worked out anew at each change. */
const s = useSeason();
const { form, ready, waits, ripens, wishes, harvests, season, luck, working, trouble, styles, changes, hold, isHeld, keepPlan, load } = s;
onMounted(() => void load());
const larder = useLarder();
const notices = useNotices();
const router = useRouter();
const P = SeasonBookSchema.properties;
const weekdays = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'].map((label, value) => ({ value, label }));
const kinds = SEASON_STYLES.map((value) => ({ value, label: styleOf(value).name }));

const said = computed(() => {
  if (!ready.value) return 'Looking at what is there.';
  if (styles.value.length === 0) return 'Choose a kind of sauce.';
  if (trouble.value) return '';
  if (!season.value) return working.value ? 'Working it out.' : '';
  const { gap } = season.value;
  const near = gap < 1e-6 ? 'no plan is better' : `no plan is more than ${Math.max(1, Math.ceil(gap * 100))} % better`;
  return working.value ? `${near}, looking on` : near;
});
const podsOf = (b: SeasonBatch) =>
  [
    ...b.pods.map((p) => `${grams(p.g)} ${harvests.value.find((h) => h.id === p.harvestId)?.name ?? ''}${p.frozen ? ' (frozen)' : ''}`),
    ...(b.boughtG >= 1 ? [`${grams(b.boughtG)} sweet peppers to buy`] : []),
  ].join('; ');
function changeWords(c: SeasonChange): string {
  if (c.kind === 'moved') return `${nameOf(c.batch)} begins ${day(c.batch.start)} in place of ${day(c.before)}.`;
  if (c.kind === 'new') return `${nameOf(c.batch)} on ${day(c.batch.start)} comes in.`;
  if (c.kind === 'gone') return `${nameOf(c.batch)} on ${day(c.batch.start)} falls away.`;
  return `${c.says}: ${c.got} of ${c.of} in place of ${c.before}.`;
}

const busy = ref('');
/** How far a heat that nobody named may be off what was worked out, as a factor. */
const ABOUT = 1.6;
/** Planned through like any batch, with just these pods, and begun. */
async function begin(b: SeasonBatch) {
  busy.value = b.id;
  try {
    const word = heatWords(styleOf(b.style).eaten).find((w) => w.name === b.heat);
    const id = (harvestId: string) =>
      harvestId.startsWith('lot-') ? harvestId : `lot-${seedOf(`${harvestId} ${b.id} ${today()}`).toString(36)}`;
    const taken = b.pods.flatMap((p) => {
      const h = harvests.value.find((x) => x.id === p.harvestId);
      return h
        ? [{ h, g: Math.round(p.g), lot: h.from.typical > today() || h.id.startsWith('ripens') ? { ...h.lot, id: id(h.id) } : h.lot }]
        : [];
    });
    const wish: Wish = {
      name: freeName(b.style),
      startDate: b.start < today() ? today() : b.start,
      goal: {
        lowShu: Math.round(word?.lowShu ?? b.shu / ABOUT),
        highShu: Math.round(word?.highShu ?? b.shu * ABOUT),
        bottles: Math.max(1, Math.min(b.fills, 200)),
        bottleMl: form.bottleMl,
      },
      style: b.style,
      boughtId: `lot-${seedOf(b.id + today()).toString(36)}-bought`,
      pods: taken.map(({ lot, g }) => ({ lot, stockG: g })),
      things: [],
      larder: larder.items.map((l) => ({
        id: l.ingredientKey,
        name: larder.row(l.ingredientKey)?.name ?? l.ingredientKey,
        massG: l.stockG,
        says: '',
      })),
      rows: larder.rows,
      bottled: null,
    };
    const answer = await bench().plan(JSON.parse(JSON.stringify(wish)) as Wish, today());
    if (!answer.ok) throw new Error(answer.message);
    const record = await beginPlan(answer.answer, wish.name, [], () => Promise.resolve(null));
    form.begun.push(
      ...taken.filter(({ h }) => h.id.startsWith('ripens')).map(({ h, g }) => ({ batchId: record.id, variety: h.lot.varietyId, g })),
    );
    form.pins = form.pins.filter((p) => p.start !== b.start || p.style !== b.style);
    await s.keep();
    await router.push({ name: 'batch', params: { id: record.id } });
  } catch (e) {
    notices.fail(e);
  } finally {
    busy.value = '';
  }
}
</script>

<template>
  <div class="page">
    <header class="head">
      <div>
        <RouterLink class="crumb" to="/batches">Batches</RouterLink><span class="crumb"> / </span>
        <h1>The season</h1>
      </div>
      <span class="push soft" role="status" data-fact="gap">{{ said }}</span>
    </header>
    <p v-if="waits" class="soft" role="status">{{ NOT_STORED }}</p>
    <div class="two">
      <NForm class="plate said" aria-label="What is said of the season" @submit.prevent>
        <TextField
          v-model="form.ripens"
          label="What will ripen, a line each"
          :rows="5"
          :maxlength="4000"
          placeholder="20 fresnos from mid-August"
        />
        <p class="soft">Take a line out once its pods stand under Pods.</p>
        <p v-if="ripens.unread.length" class="short" role="alert">Not understood: {{ ripens.unread.join('; ') }}</p>
        <TextField
          v-model="form.wishes"
          label="What is wished, a line each"
          :rows="5"
          :maxlength="4000"
          placeholder="12 presents by 15 December, two kinds, one mild"
        />
        <p v-if="wishes.unread.length" class="short" role="alert">Not understood: {{ wishes.unread.join('; ') }}</p>
        <div class="pair">
          <NumberField v-model="form.perMonth as number | null" label="Used up a month" :schema="P.perMonth" :digits="0" />
          <NumberField v-model="form.bottleMl as number | null" label="Bottles of" unit="ml" :schema="P.bottleMl" />
        </div>
        <div class="pair">
          <PickField v-model="form.weekday" label="There is time on" :options="weekdays" />
          <NumberField v-model="form.freezerG as number | null" label="Freezer takes" unit="g" :schema="P.freezerG" />
        </div>
        <LabelledField label="Kinds of sauce" for-id="season-kinds">
          <NSelect
            v-model:value="form.styles"
            multiple
            filterable
            :options="kinds"
            :max-tag-count="4"
            :input-props="{ id: 'season-kinds' }"
            aria-label="Kinds of sauce"
          />
        </LabelledField>
      </NForm>
      <div class="answer">
        <section v-if="trouble" class="plate note" role="alert">
          <h2>No plan</h2>
          <p>{{ trouble }}</p>
          <NButton v-if="form.pins.length" @click="form.pins = []">Let all of them go</NButton>
        </section>
        <section v-else-if="ready && wishes.found.length === 0 && form.perMonth === 0" class="plate note">
          <h2>What do you wish for?</h2>
          <p>
            Say what will ripen and what bottles you want by when; what is in the freezer, the larder of pods and on the shelf counts with
            it. Every change is worked out anew.
          </p>
        </section>
        <template v-if="season">
          <section class="plate picture scroll-x" aria-label="Picture of the season">
            <SeasonPicture
              :season="season"
              :harvests="harvests"
              :shelf="s.shelved.value"
              :days="s.days.value"
              :today="today()"
              :held="isHeld"
              @move="(b, start) => hold(b, start)"
              @free="(b) => hold(b, null)"
            />
            <p class="soft">A ribbon that is moved, by hand or by the arrow keys, is held on its day, and the rest is planned around it.</p>
          </section>
          <section v-if="changes.length" class="plate" aria-labelledby="changed">
            <h2 id="changed">Otherwise than in the plan you kept</h2>
            <ul>
              <li v-for="c in changes" :key="changeWords(c)" data-fact="changed">{{ changeWords(c) }}</li>
            </ul>
          </section>
          <SeasonWishes
            :season="season"
            :wishes="wishes.found"
            :luck="luck"
            :harvests="harvests"
            :per-month="form.perMonth"
            :in-vain="s.heldInVain.value"
            @free="(p) => hold(p, null)"
          />
          <section class="plate" aria-labelledby="batches">
            <h2 id="batches">{{ plural(season.batches.length, 'batch', 'batches') }} on {{ plural(season.workdays.length, 'day') }}</h2>
            <ol v-if="season.batches.length" class="plan">
              <li v-for="b in season.batches" :key="b.id" data-fact="batch">
                <div class="when">
                  <b>{{ day(b.start) }}</b>
                  <span class="soft">{{ b.ready === b.start ? 'ready the same day' : `ready ${day(b.ready)}` }}</span>
                  <NButton v-if="isHeld(b)" size="tiny" quaternary @click="hold(b, null)">held: let go</NButton>
                </div>
                <div>
                  <i class="dot" :style="{ background: heatColour(b.shu) }" /><b>{{ nameOf(b) }}</b
                  >, about {{ shu(b.shu) }} SHU
                  <div class="soft">{{ podsOf(b) }}</div>
                </div>
                <div>
                  <span data-fact="bottles">{{ plural(b.fills, 'bottle') }}</span><span v-if="b.fills > b.bottles" class="soft"
                    >, {{ b.fills - b.bottles }} spare</span
                  >
                </div>
                <NButton
                  :loading="busy === b.id"
                  :disabled="busy !== ''"
                  :aria-label="`Make it a batch: ${nameOf(b)} of ${day(b.start)}`"
                  @click="begin(b)"
                  >Make it a batch</NButton
                >
              </li>
            </ol>
            <p v-else>Nothing is to be made.</p>
            <p class="acts">
              <NButton type="primary" :disabled="season.batches.length === 0" @click="keepPlan">Keep this plan</NButton>
              <span class="soft">A late harvest then says what changes.</span>
            </p>
            <p class="soft">
              Amounts and heats are those of each kind's line, per gram of pods. A batch that is begun is planned through, with its odds, pH
              and cautions. Bottles count for as long as their kind keeps once it is measured and filled as planned: without a measured pH
              nothing keeps long.
            </p>
          </section>
        </template>
      </div>
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 320px minmax(0, 1fr);
  gap: 14px;
  align-items: start;
}
.said {
  display: grid;
  gap: 8px;
  padding: 12px 16px;
}
.said p {
  margin: 0;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.answer {
  display: grid;
  gap: 14px;
  min-width: 0;
}
.answer > * {
  min-width: 0;
  overflow-x: auto;
}
section {
  padding: 6px 18px 10px;
}
.picture {
  overflow-x: auto;
}
ul {
  margin: 0 0 6px;
  padding-left: 18px;
}
.short {
  color: var(--wrong);
}
.dot {
  display: inline-block;
  width: 12px;
  height: 12px;
  margin-right: 6px;
  border-radius: 50%;
}
.plan {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
}
.plan li {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr) 120px auto;
  gap: 4px 14px;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px dashed var(--line);
}
.when {
  display: grid;
  justify-items: start;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 600px) {
  .plan li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
