<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, nextTick, onBeforeUnmount, onMounted, ref, toRef, watch } from 'vue';
import { RouterLink, useRoute } from 'vue-router';
import { DILUTION, dilutionCautions } from '@roskel/core';
import { ApiProblem } from '../api/client';
import { grams, plural } from '../format';
import { useHeat } from '../stores/heat';
import { useNotices } from '../stores/notices';
import { useSettings } from '../stores/settings';
import { useKeys } from '../ui/keys';
import CautionList from '../ui/CautionList.vue';
import DilutionEstimate from './DilutionEstimate.vue';
import TestSubject from './TestSubject.vue';
import { useDilution, type Step } from './useDilution';
import { useSubject } from './useSubject';
import { Type } from '@sinclair/typebox';
import NumberField from '../ui/NumberField.vue';
import TickField from '../ui/TickField.vue';

/** A kitchen dilution test, step by step, from sugar water to an estimate. All of it works by keyboard alone. */
const heat = useHeat();
const settings = useSettings();
const notices = useNotices();
const route = useRoute();
const d = useDilution();
const { test, ladder, plan, rung, done, estimate } = d;
const problem = ref('');
const askSure = ref(false);
const kept = ref(false);
const root = ref<HTMLElement | null>(null);
onMounted(async () => {
  await Promise.all([about.load(), heat.load()]);
  if (typeof route.query.lot === 'string') Object.assign(test.value, { subject: `lot:${route.query.lot}`, step: 'what' });
  focusStep();
});
const STEPS: { id: Step; title: string }[] = [
  { id: 'what', title: 'What and who' },
  { id: 'mix', title: 'Mix the ladder' },
  { id: 'taste', title: 'Taste' },
  { id: 'result', title: 'Estimate' },
];
function focusStep() {
  void nextTick(() => {
    const first = root.value?.querySelector<HTMLElement>('[data-first]');
    const face = 'input, button, [role="combobox"], [role="checkbox"]';
    (first?.matches(face) ? first : first?.querySelector<HTMLElement>(face))?.focus();
  });
}
watch(() => [test.value.step, test.value.person], focusStep);

const about = useSubject(toRef(() => test.value.subject));
const { name } = about;
watch(about.mashParts, (parts) => (d.mashParts.value = parts), { immediate: true });
watch(about.guess, (g) => g !== null && (test.value.guessShu = Math.round(g)));
function begin() {
  problem.value = '';
  kept.value = false;
  askSure.value = false;
  if (!test.value.subject) problem.value = 'Say what you test.';
  else if (!test.value.consent) problem.value = 'Everyone who tastes has to agree first.';
  else if (!(Number.isInteger(test.value.people) && test.value.people >= 1 && test.value.people <= 8))
    problem.value = 'One to eight people can taste at once.';
  else if (test.value.subject === 'label' && !(test.value.labelShu >= 50 && test.value.labelShu <= 2_000_000))
    problem.value = 'Give the heat on the label, between 50 and 2,000,000 SHU.';
  else if (!(test.value.guessShu >= 10 && test.value.guessShu <= 2_000_000))
    problem.value = 'Guess its heat between 10 and 2,000,000 SHU. The ladder is built around it.';
  else d.begin();
}
/** Which cup is the hot one is the pourer's to know: it is gone before the taster looks. */
const handed = ref(false);
watch([rung, () => test.value.person, () => test.value.step], () => (handed.value = false));
function hand() {
  handed.value = true;
  focusStep();
}
const who = (n: number) => (test.value.people === 1 ? 'You' : `Taster ${n + 1}`);
const last = computed(() => d.answers.value.at(-1));
/** Seconds left of the rest after an answer: 5 minutes after a find, 2 after a miss (chapter 2, section 6). */
const restS = ref(0);
let clock: ReturnType<typeof setInterval> | undefined;
watch(rung, (now, before) => {
  clearInterval(clock);
  restS.value = now > before ? (last.value ? 300 : 120) : 0;
  if (restS.value > 0) clock = setInterval(() => (restS.value > 0 ? restS.value-- : clearInterval(clock)), 1000);
});
onBeforeUnmount(() => clearInterval(clock));
const clockText = computed(() => (restS.value > 0 ? `${Math.floor(restS.value / 60)}:${String(restS.value % 60).padStart(2, '0')}` : ''));
const rest = computed(() =>
  last.value === undefined
    ? ''
    : last.value
      ? 'Right. Rest 5 minutes, rinse with sugar water, then water.'
      : 'Not that one. Rest 2 minutes and rinse.',
);
useKeys('Dilution test', [
  ...[1, 2, 3].map((cup) => ({
    key: String(cup),
    says: `the odd cup is ${cup}`,
    run: () => test.value.step === 'taste' && handed.value && d.choose(cup),
  })),
  { key: 'backspace', says: 'take the last answer back', run: () => test.value.step === 'taste' && d.takeBack() },
]);
watch([rung, done], () => test.value.step === 'taste' && focusStep());

async function keep(sure: boolean) {
  problem.value = '';
  try {
    if (test.value.subject === 'label') {
      await settings.save({ ...settings.value, threshold: d.threshold.value });
      notices.say('Kept. Later tests reckon with your own threshold.');
    } else if (about.subject.value && estimate.value) {
      const { shu: found, sigma } = estimate.value;
      const learnt = await heat.add(
        { kind: 'measured', how: 'dilution', subject: about.subject.value, shu: found, sigma, ...(sure ? { sure } : {}) },
        `dilution test of ${name.value}`,
      );
      notices.say(`Kept. ${plural(learnt.length, 'lot')} learnt from it.`);
    }
    kept.value = true;
  } catch (e) {
    problem.value = (e as Error).message;
    askSure.value = e instanceof ApiProblem && e.problem.errors?.[0]?.path === 'sure';
  }
}
const P = {
  label: Type.Number({ title: 'The heat on the label', minimum: 50, maximum: 2_000_000, unit: 'SHU' }),
  guess: Type.Number({ title: 'The guess', minimum: 10, maximum: 2_000_000, unit: 'SHU' }),
  people: Type.Integer({ title: 'The number of tasters', minimum: 1, maximum: 8 }),
};
const pour = (m: { takeG: number; waterG: number; from: number }) =>
  m.from === 1
    ? `${m.takeG} g of ${name.value} + ${m.waterG} g sugar water, blend 20 seconds`
    : `${m.takeG} g of the 1 in ${m.from.toLocaleString('en')} + ${m.waterG} g sugar water`;
</script>

<template>
  <div ref="root" class="grid">
    <ol class="steps" aria-label="Steps">
      <li v-for="(s, i) in STEPS" :key="s.id" :class="{ on: s.id === test.step }" :aria-current="s.id === test.step ? 'step' : undefined">
        {{ i + 1 }} {{ s.title }}
      </li>
    </ol>
    <section v-if="test.step === 'what'" class="plate body">
      <h2>What is tested, and by whom</h2>
      <TestSubject v-model="test.subject" :about="about" label />
      <div class="two">
        <NumberField
          v-if="test.subject === 'label'"
          label="Heat on the label"
          unit="SHU"
          :digits="0"
          :model-value="test.labelShu"
          :schema="P.label"
          @update:model-value="test.labelShu = $event!"
        />
        <NumberField
          v-else
          label="How hot do you guess it"
          unit="SHU"
          :digits="0"
          :model-value="test.guessShu"
          :schema="P.guess"
          @update:model-value="test.guessShu = $event!"
        />
        <NumberField label="How many taste" :model-value="test.people" :schema="P.people" @update:model-value="test.people = $event!" />
      </div>
      <p class="soft">
        One person tells the level to two levels either way, four to a factor of about three.
        <RouterLink to="/bench/match">A match against a labelled sauce</RouterLink> is surer: try that first.
      </p>
      <CautionList :cautions="dilutionCautions()" />
      <TickField v-model="test.consent" label="Everyone who tastes has read this and agrees" />
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <NButton type="primary" @click="begin">Mix the ladder</NButton>
    </section>

    <section v-else-if="test.step === 'mix'" class="plate body">
      <h2>Mix the ladder</h2>
      <p>
        Sugar water first: <b>{{ grams(plan.sugarWaterG) }}</b>, that is {{ grams((plan.sugarWaterG * DILUTION.sugarPerKg) / 1000) }} of
        sugar in {{ grams(plan.sugarWaterG * (1 - DILUTION.sugarPerKg / 1000)) }} of water, at room temperature. Use glass: heat clings to
        plastic.<template v-if="about.mashParts.value === 1"> Shake {{ name }} before you weigh.</template>
        <template v-if="test.subject === 'other'">
          Whole pods are first blended with nine times their weight of water: then guess a tenth of their heat.
        </template>
      </p>
      <p v-if="about.mashParts.value > 1" data-fact="mash">
        First a mash: stems off, several pods, 1 part by weight and {{ about.mashParts.value - 1 }} parts of water, blended smooth. Below,
        "{{ name }}" is that mash; the estimate is turned back into pods.
      </p>
      <ul class="mixes">
        <li v-for="(m, i) in plan.mixes" :key="m.dilution">
          <TickField
            :label="`1 in ${m.dilution}`"
            :data-first="i === 0 || undefined"
            :model-value="test.mixed[i] ?? false"
            @update:model-value="test.mixed[i] = $event"
          >
            <b>1 in {{ m.dilution.toLocaleString('en') }}</b> {{ pour(m)
            }}<span v-if="!m.served" class="soft"> (only a step, not tasted)</span>
          </TickField>
        </li>
      </ul>
      <p class="soft">
        For each rung pour three cups of {{ DILUTION.cupG }} g a person: one of the mix, two of plain sugar water. The pourer does not
        taste. Weakest first.
      </p>
      <div class="acts">
        <NButton @click="test.step = 'what'">Back</NButton>
        <NButton type="primary" @click="test.step = 'taste'">Taste</NButton>
      </div>
    </section>

    <section v-else-if="test.step === 'taste'" class="plate body">
      <h2>{{ who(test.person) }}, rung {{ Math.min(rung + 1, ladder.length) }} of {{ ladder.length }}</h2>
      <ol class="ladder" aria-label="Ladder">
        <li
          v-for="(D, i) in ladder"
          :key="D"
          :class="{ now: i === rung && !done, hit: d.answers.value[i] === true, miss: d.answers.value[i] === false }"
        >
          1 in {{ D.toLocaleString('en')
          }}<span>{{ d.answers.value[i] === undefined ? '' : d.answers.value[i] ? 'found' : 'missed' }}</span>
        </li>
      </ol>
      <p>
        <span role="status" aria-live="polite">{{ rest }}</span> <b v-if="clockText" role="timer" aria-live="off">{{ clockText }}</b>
      </p>
      <template v-if="!done && !handed">
        <p>
          Pourer, alone: put the mix of <b>1 in {{ ladder[rung]!.toLocaleString('en') }}</b> into
          <b data-fact="place">cup {{ d.saucePlace.value }}</b
          >, sugar water into the others. Then hand over; the number goes away.
        </p>
        <NButton type="primary" data-first @click="hand">Poured: hand it to the taster</NButton>
      </template>
      <template v-else-if="!done">
        <p>Taster: sip, hold 10 seconds, spit. Which one is odd? Guess when you cannot tell.</p>
        <div class="cups" role="group" aria-label="The odd cup">
          <NButton v-for="cup in 3" :key="cup" class="cup" :data-first="cup === 1 || undefined" @click="d.choose(cup)">
            {{ cup }}
          </NButton>
        </div>
      </template>
      <p v-else>
        <b>{{ who(test.person) }}</b>
        {{ d.answers.value.at(-1) ? 'found it twice running. That is enough.' : 'is at the top of the ladder.' }}
      </p>
      <div class="acts">
        <NButton text class="link" :disabled="rung === 0" @click="d.takeBack()">Take the last answer back</NButton>
        <NButton type="primary" :data-first="done || undefined" :disabled="rung === 0" @click="d.nextPerson()">
          {{ test.person + 1 < test.people ? 'Next taster' : 'Estimate' }}
        </NButton>
      </div>
    </section>

    <section v-else class="plate body">
      <h2>Estimate</h2>
      <DilutionEstimate
        :mash-parts="about.mashParts.value"
        :estimate="test.subject === 'label' ? null : estimate"
        :threshold="d.threshold.value"
        :who="who"
      />
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <div class="acts">
        <NButton v-if="(about.subject.value || test.subject === 'label') && !kept" type="primary" data-first @click="keep(false)">
          {{ test.subject === 'label' ? 'Keep our threshold' : `Use this result for ${name}` }}
        </NButton>
        <NButton v-if="askSure" @click="keep(true)">I am sure, use it</NButton>
        <NButton :data-first="kept || undefined" @click="d.restart()">New test</NButton>
        <NButton text class="link" @click="test.step = 'taste'">Back to the cups</NButton>
      </div>
    </section>
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 190px minmax(0, 760px);
  gap: 14px;
  align-items: start;
}
.steps {
  list-style: none;
  margin: 0;
  padding: 0;
}
.steps li {
  padding: 9px 12px;
  border-left: 4px solid var(--line);
}
.steps li.on {
  border-left-color: var(--heat);
  font-weight: 700;
}
.body {
  padding: 14px 20px 18px;
  display: grid;
  gap: 11px;
}
p,
ul {
  margin: 0;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.warn {
  background: var(--warn-plate);
  border-color: var(--warn);
  padding: 8px 14px;
}
.mixes {
  list-style: none;
  padding: 0;
}
.ladder {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  gap: 6px;
}
.ladder li {
  border: 1.5px solid var(--line);
  border-radius: 10px;
  padding: 6px 10px;
  font-weight: 600;
}
.ladder li span {
  display: block;
  min-height: 18px;
  font-weight: 400;
  font-size: 13px;
}
.ladder .now {
  border: 2px solid var(--rim);
  background: var(--active);
}
.ladder .hit {
  border-color: var(--heat);
}
.cups {
  display: flex;
  gap: 14px;
}
.cup {
  width: 110px;
  height: 92px;
  font-size: 32px;
  border-radius: 8px 8px 34px 34px;
}
.acts {
  display: flex;
  gap: 12px;
  align-items: center;
}
@media (max-width: 800px) {
  .grid,
  .two {
    grid-template-columns: 1fr;
  }
  .ladder {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
