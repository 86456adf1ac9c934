<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { NButton } from 'naive-ui';
import { DATE_FORMS, SettingsSchema, TEMPERATURES, WEEK_STARTS, WEIGHTS, type Settings } from '@roskel/contract';
import { HEAT_SCHOOLS, HOBS, KITCHENS, scoreOf, shuOfScore, VOLUMES_ML, type HeatSchool, type Hob, type Kitchen } from '@roskel/core';
import { fullDay, plural, shu, today } from '../format';
import ReferenceScore from '../heat/ReferenceScore.vue';
import SchoolWhy from '../heat/SchoolWhy.vue';
import { useHeat } from '../stores/heat';
import { useNotices } from '../stores/notices';
import { useSettings } from '../stores/settings';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import PillField from '../ui/PillField.vue';
import { look, LOOKS, setLook, type Look } from '../ui/look';
import RadioCards from '../ui/RadioCards.vue';
import SheetCard from '../ui/SheetCard.vue';
import KitchenMakers from '../makers/KitchenMakers.vue';
import HouseDoor from './HouseDoor.vue';
import KitchenBackup from './KitchenBackup.vue';

/** How this kitchen measures, writes and counts; its tasters; its backup. */
const show = defineModel<boolean>('show', { required: true });
const settings = useSettings();
const notices = useNotices();
const heat = useHeat();
const why = ref(false);
const scoring = ref(false);
watch(show, (open) => open && void heat.load().catch((e: unknown) => notices.fail(e)), { immediate: true });
const NAMES: Record<Kitchen, string> = { metric: 'Metric', us: 'United States', au: 'Australia', uk: 'United Kingdom' };
const kitchens = KITCHENS.map((value) => ({
  value,
  title: NAMES[value],
  says: `tablespoon ${VOLUMES_ML[value].tbsp.toFixed(1)} ml, cup ${VOLUMES_ML[value].cup.toFixed(0)} ml`,
}));
const SCHOOL: Record<HeatSchool, { title: string; says: string }> = {
  dry: { title: 'On dry matter', says: 'the pod’s own water taken off; fits bottle labels' },
  fresh: { title: 'As quoted', says: 'the number quoted for the variety, taken for the fresh pod' },
};
const schools = HEAT_SCHOOLS.map((value) => ({ value, ...SCHOOL[value] }));
const HOB_NAMES: Record<Hob, string> = { gas: 'gas', coil: 'electric plates or glass', induction: 'induction' };
const HOB_KEYS = Object.keys(HOBS) as Hob[];
const [Tariff] = SettingsSchema.properties.tariff.anyOf;
const TEMP = { C: '°C', F: '°F' };
const MASS = { g: 'grams', lb: 'pounds and ounces' };
const ORDER: Record<Settings['dates'], string> = {
  browser: 'as this browser does',
  'day-month-year': 'day, month, year',
  'month-day-year': 'month, day, year',
  'year-month-day': 'year-month-day',
};
const WEEK: Record<Settings['weekStart'], string> = {
  browser: 'as this browser does',
  monday: 'Monday',
  saturday: 'Saturday',
  sunday: 'Sunday',
};
const LOOK_NAMES: Record<Look, string> = { system: 'as the system', light: 'light', dark: 'dark' };
const named = <T extends string>(all: readonly T[], names: Record<T, string>) => all.map((value) => ({ value, label: names[value] }));
/** Currencies the browser knows by name. */
const money = computed(() => {
  const names = new Intl.DisplayNames('en', { type: 'currency' });
  return [
    { value: '', label: 'no currency' },
    ...Intl.supportedValuesOf('currency').map((c) => ({ value: c, label: `${c}, ${names.of(c) ?? c}` })),
  ];
});

async function change(next: Partial<Settings>) {
  try {
    await settings.save({ ...settings.value, ...next });
  } catch (e) {
    notices.fail(e);
  }
}
</script>

<template>
  <SheetCard v-model:show="show" title="Your kitchen" :width="640">
    <div class="parts">
      <h3>Spoons and cups</h3>
      <p class="soft">Everything typed in spoons or cups is read this way.</p>
      <RadioCards
        :model-value="settings.value.kitchen"
        label="Spoons and cups"
        :columns="2"
        :options="kitchens"
        @update:model-value="change({ kitchen: $event! })"
      />
      <h3>How things are written</h3>
      <div class="two">
        <PickField
          label="Temperatures"
          :model-value="settings.value.temperature"
          :options="named(TEMPERATURES, TEMP)"
          @update:model-value="change({ temperature: $event })"
        />
        <PickField
          label="Weights"
          :model-value="settings.value.weight"
          :options="named(WEIGHTS, MASS)"
          @update:model-value="change({ weight: $event })"
        />
        <PickField
          :label="`Dates, such as ${fullDay(today())}`"
          :model-value="settings.value.dates"
          :options="named(DATE_FORMS, ORDER)"
          @update:model-value="change({ dates: $event })"
        />
        <PickField
          label="The week begins on"
          :model-value="settings.value.weekStart"
          :options="named(WEEK_STARTS, WEEK)"
          @update:model-value="change({ weekStart: $event })"
        />
        <PickField
          label="Money"
          :model-value="settings.value.currency"
          :options="money"
          @update:model-value="change({ currency: $event })"
        />
      </div>
      <PillField
        class="look"
        label="This screen"
        :model-value="look"
        :options="LOOKS.map((value) => ({ value, label: LOOK_NAMES[value] }))"
        @update:model-value="setLook($event!)"
      />
      <h3>What energy costs</h3>
      <div class="two">
        <PickField
          label="You cook on"
          :model-value="settings.value.hob"
          :options="named(HOB_KEYS, HOB_NAMES)"
          @update:model-value="change({ hob: $event })"
        />
        <NumberField
          label="Price of a kWh"
          :model-value="settings.value.tariff"
          :schema="Tariff"
          optional
          @update:model-value="change({ tariff: $event })"
        />
      </div>
      <h3>How heat is counted <NButton text class="link" @click="why = true">why?</NButton></h3>
      <RadioCards
        :model-value="settings.value.school"
        label="How heat is counted"
        :columns="2"
        :options="schools"
        @update:model-value="change({ school: $event! })"
      />
      <h3>Tasters</h3>
      <p v-if="heat.book.scales.length === 0" class="soft">
        Nobody has scored a sauce yet. Scores of labelled sauces tell how your 5 compares.
      </p>
      <ul>
        <li v-for="s in heat.book.scales" :key="s.taster" data-scale>
          <b>{{ s.taster }}</b>, {{ plural(s.scale.scores, 'score') }}: a 5 is about {{ shu(shuOfScore(s.scale, 5)) }} SHU; 2,000 SHU feels
          like
          {{ Math.round(2 * scoreOf(s.scale, 2000)) / 2 }}
        </li>
      </ul>
      <p class="acts">
        <NButton @click="scoring = true">Score a labelled sauce</NButton>
        <NButton v-if="settings.value.threshold" text class="link" @click="change({ threshold: null })">
          Forget our dilution threshold of {{ settings.value.threshold.shu.toFixed(1) }} SHU
        </NButton>
      </p>
      <KitchenMakers />
      <HouseDoor />
      <KitchenBackup />
    </div>
  </SheetCard>
  <SchoolWhy v-model:show="why" />
  <ReferenceScore v-model:show="scoring" />
</template>

<style scoped>
.parts :deep(h3) {
  font-size: 17px;
  margin: 16px 0 6px;
}
.parts > h3:first-child {
  margin-top: 0;
}
p {
  margin: 0 0 6px;
}
ul {
  margin: 0 0 8px;
  padding-left: 18px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 12px;
}
.look {
  margin-top: 8px;
}
.acts {
  display: flex;
  gap: 14px;
  align-items: center;
}
@media (max-width: 560px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
