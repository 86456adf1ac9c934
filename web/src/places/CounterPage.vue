<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue';
import { NButton } from 'naive-ui';
import { RouterLink, useRoute, useRouter } from 'vue-router';
import { stationIn, toolAt, type LogChange, type StationLog } from '@roskel/core';
import { leftMinutes, stepsOf } from '../counter/steps';
import { useHouse } from '../house/useHouse';
import { useAwake } from '../counter/useAwake';
import { day, grams, inManner, plural, today } from '../format';
import { useBatchHere } from '../batch/useBatchHere';
import { clockOf, useTimers } from '../stores/timers';
import { useKeys } from '../ui/keys';
import { titleIs } from '../ui/title';
import AskSheet from '../counter/AskSheet.vue';
import LivePlate from '../devices/LivePlate.vue';
import StepClock from '../counter/StepClock.vue';
import EndSheet from '../batch/EndSheet.vue';
import CautionList from '../ui/CautionList.vue';
import SaveState from '../batch/SaveState.vue';

/** At the counter: one step at a time in large type, for wet fingers and a foot switch. */
const route = useRoute();
const router = useRouter();
const { batch, ready } = useBatchHere();
const timers = useTimers();
const awake = useAwake();
/** What a browser allows a page only over TLS. */
const sure = window.isSecureContext;
const house = sure ? ref(null) : useHouse();
onMounted(() => void ready());

const steps = computed(() => (batch.file && batch.report ? stepsOf(batch.file, batch.report) : []));
/** The step one is at: as the address says, else the first that is not done. */
const index = computed(() => {
  const at = steps.value.findIndex((s) => s.station.id === route.query.at);
  if (at >= 0) return at;
  const open = steps.value.findIndex((s) => !s.done);
  return open >= 0 ? open : Math.max(0, steps.value.length - 1);
});
const step = computed(() => steps.value[index.value] ?? null);
const next = computed(() => steps.value[index.value + 1] ?? null);
const then = computed(() => steps.value.slice(index.value + 1, index.value + 5));
const go = (to: number) => {
  const s = steps.value[Math.min(steps.value.length - 1, Math.max(0, to))];
  if (s) void router.replace({ query: { at: s.station.id } });
};
const timer = computed(() => (step.value ? timers.at(batch.id, step.value.station.id) : null));
const others = computed(() => timers.running.filter((t) => t.id !== timer.value?.id));
function toggle() {
  const s = step.value;
  if (s) timers.toggle({ batchId: batch.id, stationId: s.station.id, name: s.title }, leftMinutes(s, log.value));
}
const log = computed<StationLog>(() => (step.value && batch.file && stationIn(batch.file, step.value.station.id)?.log) || {});
/** A step that ends by the scale: its pot is weighed while it boils, empty weight and minutes known as far as they are. */
const pot = computed(() => {
  const s = step.value;
  if (s?.untilG == null || !batch.file) return null;
  const tool = toolAt(batch.file, stationIn(batch.file, s.station.id)!);
  return { tareG: tool?.tareG ?? null, ranMin: timer.value ? timers.ranMin(timer.value) : null };
});
/** Why this step cannot be done now. */
const refusal = ref('');
const setLog = (change: LogChange) => void (refusal.value = (step.value && batch.setLog(step.value.station.id, change)?.message) ?? '');
/** Its day has come: what stands for days is not done at once. */
const waits = computed(() => step.value !== null && step.value.days > 0 && !step.value.done && step.value.station.to > today());
/** Why this step should not be ended as it stands: asked before it is. */
const doubt = ref<string | null>(null);
function done() {
  const s = step.value;
  if (!s || !batch.file) return;
  doubt.value = s.done || waits.value ? null : s.station.doubtsEnd;
  if (doubt.value === null) end(s);
}
function end(s = step.value!) {
  // Where one is now: once it is done, the first step that is not is another.
  const [at, more] = [index.value, next.value !== null];
  if (!s.done && !waits.value) setLog({ doneOn: today() });
  if (refusal.value) return;
  if (more) go(at + 1);
  else void router.push({ name: 'batch', params: { id: batch.id } });
}
watch(index, () => (refusal.value = ''));
const asked = ref<'mass' | 'ph' | null>(null);
/** Why what was logged here cannot stand: at any of its fields. */
const trouble = computed(() => {
  const s = step.value;
  if (!s) return null;
  const pots = (log.value.pot ?? []).map((_, i) => `pot/${i}/massG`);
  return ['doneOn', 'massG', 'pH', ...pots].map((f) => batch.troubleAt(s.station.id, `log/${f}`)).find((t) => t) ?? null;
});
useKeys('At the counter', [
  { key: 'arrowright', says: 'the next step', run: () => go(index.value + 1) },
  { key: 'pagedown', says: 'the next step (foot switch)', run: () => go(index.value + 1) },
  { key: 'arrowleft', says: 'the step before', run: () => go(index.value - 1) },
  { key: 'pageup', says: 'the step before (foot switch)', run: () => go(index.value - 1) },
  { key: 'd', says: 'done, and on', run: done },
  { key: 't', says: 'start or hold the timer', run: toggle },
  { key: 'w', says: 'weigh it', run: () => (asked.value = 'mass') },
  { key: 'h', says: 'read its pH', run: () => (asked.value = 'ph') },
]);
titleIs(() => batch.file?.name);
</script>

<template>
  <div class="page">
    <p v-if="!step" class="soft">Getting the batch.</p>
    <div v-else class="counter">
      <section class="plate step" aria-live="polite" :aria-label="`Step ${index + 1}: ${step.title}`">
        <p class="line">
          <RouterLink :to="{ name: 'batch', params: { id: String(route.params.id) }, query: { at: step.station.id } }">{{
            batch.file?.name
          }}</RouterLink>
          <span class="soft" data-fact="step">step {{ index + 1 }} of {{ steps.length }}{{ step.done ? ', done' : '' }}</span>
        </p>
        <h1>{{ step.title }}</h1>
        <p class="says">{{ inManner(step.says) }}</p>
        <div class="body">
          <div>
            <template v-for="late in [false, true]" :key="String(late)">
              <p v-if="step.things.some((t) => t.late === late)" class="soft when">{{ late ? 'at the end' : 'put in now' }}</p>
              <ul>
                <li v-for="t in step.things.filter((x) => x.late === late)" :key="t.id">
                  <span
                    >{{ t.name }}<span v-if="t.how && t.how !== 'whole'" class="soft">, {{ t.how }}</span></span
                  >
                  <b>{{ t.amount }}</b>
                </li>
              </ul>
            </template>
            <p v-if="step.things.length === 0" class="soft when">
              {{ step.station.inG > 0 ? `${grams(step.station.inG)} from the step before` : 'nothing goes in yet' }}
            </p>
          </div>
          <div class="clockside">
            <StepClock :step="step" :batch-id="batch.id" :log="log" />
            <p v-if="log.massG !== undefined || log.pH !== undefined" class="logged" data-fact="logged">
              {{ log.massG === undefined ? '' : `${grams(log.massG)} weighed` }}
              {{ log.pH === undefined ? '' : `pH ${log.pH.toFixed(2)} read` }}
            </p>
            <p v-if="trouble" class="field-error" role="alert">{{ inManner(trouble) }}</p>
            <p v-else-if="refusal" class="field-error" role="alert">{{ refusal }}</p>
          </div>
        </div>
        <p v-if="waits" class="soft">
          It stands {{ plural(step.days, 'day') }}, until {{ day(step.station.to) }}. Mark it as done when it is.
        </p>
        <div class="buttons">
          <NButton class="big" :disabled="index === 0" @click="go(index - 1)">Back</NButton>
          <NButton class="big" @click="asked = 'mass'">{{ pot ? 'Weigh the pot' : 'Weigh it' }}</NButton>
          <NButton class="big" @click="asked = 'ph'">Read the pH</NButton>
          <NButton class="big main" type="primary" @click="done">{{
            !next
              ? step.done
                ? 'To the batch'
                : 'Done, to the batch'
              : step.done || waits
                ? `Next: ${next.title}`
                : `Done, next: ${next.title}`
          }}</NButton>
        </div>
      </section>
      <aside>
        <CautionList v-if="step.station.cautions.length" :cautions="step.station.cautions" />
        <LivePlate />
        <section class="plate then" aria-label="Then">
          <h2>Then</h2>
          <button v-for="(s, n) in then" :key="s.station.id" type="button" class="bare" @click="go(index + 1 + n)">
            <b>{{ s.title }}</b><span class="soft">{{ inManner(s.says) }}</span>
          </button>
          <p v-if="then.length === 0" class="soft">This is the last step.</p>
          <div v-if="others.length" class="timers">
            <p v-for="t in others" :key="t.id" data-timer>
              <span class="soft">{{ t.name }}</span> <b>{{ clockOf(timers.leftMs(t)) }}</b>
            </p>
          </div>
        </section>
        <p class="soft small"><SaveState /> {{ awake ? 'The screen stays awake.' : '' }}</p>
        <p v-if="!sure" class="soft small" data-fact="plain-http">
          Over plain HTTP the browser lets this screen go dark, and keeps nothing while the server is away<template
            v-if="house?.secure.length"
            >; at <a :href="`${house.secure[0]}${route.fullPath}`">{{ house.secure[0] }}</a> it does neither</template
          >.
        </p>
      </aside>
      <EndSheet v-model:why="doubt" @end="end()" />
      <AskSheet v-model:asked="asked" :log="log" :pot="pot" @take="setLog" />
    </div>
  </div>
</template>

<style scoped>
.counter {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 16px;
}
.step {
  padding: 22px 34px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.step > p {
  margin: 0;
}
.line {
  display: flex;
  justify-content: space-between;
  align-items: center;
  font-size: 16px;
}
.line a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}
h1 {
  font-size: 52px;
}
.says {
  font-size: 20px;
  color: var(--soft);
}
.body {
  flex: 1;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 32px;
  align-content: start;
  padding-top: 12px;
}
.when {
  font-size: 16px;
  margin: 8px 0 2px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  font-size: 23px;
  line-height: 1.2;
  padding: 9px 0;
  border-bottom: 2px dashed var(--line);
}
li b {
  white-space: nowrap;
}
.clockside {
  text-align: center;
}
.clockside p {
  margin: 4px 0;
}
.logged {
  font-size: 19px;
  font-weight: 600;
}
.buttons {
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
}
.big {
  --n-height: 68px !important;
  height: 68px;
  font-size: 20px;
  flex: 1 1 140px;
}
.big.main {
  flex: 2 1 240px;
}
aside {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.then {
  padding: 14px 18px;
  flex: 1;
}
.then button {
  display: block;
  width: 100%;
  padding: 10px 0;
  border-bottom: 1px dashed var(--line);
  min-height: 44px;
}
.then b,
.then button span {
  display: block;
}
.timers p {
  display: flex;
  justify-content: space-between;
  margin: 8px 0;
  font-size: 17px;
}
.small {
  font-size: 13.5px;
  margin: 0;
}
@media (max-width: 900px) {
  .counter,
  .body {
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
  }
  .step {
    padding: 14px 16px;
  }
  aside {
    order: -1;
  }
  .then {
    display: none;
  }
  h1 {
    font-size: 34px;
  }
  .says {
    font-size: 17px;
  }
  li {
    font-size: 19px;
  }
  .big {
    height: 56px;
    --n-height: 56px !important;
    font-size: 17px;
    flex: 1 1 28%;
    padding: 0 6px;
  }
  .big.main {
    flex: 1 1 100%;
  }
}
</style>
