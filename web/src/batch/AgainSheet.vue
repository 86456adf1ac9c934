<script setup lang="ts">
import { computed, onMounted, reactive, ref, shallowRef, watch } from 'vue';
import { NButton, NForm, NTable } from 'naive-ui';
import { useRouter } from 'vue-router';
import { addDays, endStrands, GoalSchema, mainEnd, podUses, type Again, type BatchFile, type TodaysLot } from '@roskel/core';
import { grams, plural, shu, today } from '../format';
import { useBatches } from '../stores/batches';
import { useLarder } from '../stores/larder';
import { useNotices } from '../stores/notices';
import { usePods } from '../stores/pods';
import { useSettings } from '../stores/settings';
import { useStored } from '../stores/stored';
import DateField from '../ui/DateField.vue';
import NumberField from '../ui/NumberField.vue';
import SheetCard from '../ui/SheetCard.vue';
import TextField from '../ui/TextField.vue';
import TickField from '../ui/TickField.vue';
import { commitTyping } from '../ui/typing';
import { bench, latest } from '../worker/client';
import type { Timed } from '../worker/worker';

/** The batch once more: what the first showed, for another amount, of today's pods. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ file: BatchFile; batchId: string }>();
const router = useRouter();
const pods = usePods();
const larder = useLarder();
const stored = useStored();
const batches = useBatches();
const settings = useSettings();
const notices = useNotices();
const P = GoalSchema.properties;
const goal = computed(() => mainEnd(props.file).goal);
const form = reactive({ name: '', startDate: '', bottles: 1, bottleMl: 100, without: [] as string[] });
const again = shallowRef<Again | null>(null);
const trouble = ref('');
const working = ref(false);
const busy = ref(false);
/** "Slipway Red no. 2" is followed by no. 3; others get a number. */
function nextName(name: string): string {
  const n = /^(.*\D)(\d{1,3})$/.exec(name);
  return (n ? `${n[1]}${Number(n[2]) + 1}` : `${name} no. 2`).slice(0, 60);
}
function freeName(): string {
  let name = nextName(props.file.name);
  while (batches.items.some((b) => b.summary.name === name)) name = nextName(name);
  return name;
}
onMounted(async () => {
  const untouched = form.name;
  try {
    await Promise.all([pods.load(), larder.load(), stored.load(), batches.load()]);
    if (form.name === untouched) form.name = freeName();
  } catch (e) {
    notices.fail(e);
  }
});
watch(
  show,
  (open) => {
    if (!open) return;
    const name = freeName();
    Object.assign(form, { name, startDate: addDays(today(), 1), bottles: goal.value.bottles, bottleMl: goal.value.bottleMl, without: [] });
  },
  { immediate: true },
);
const plain = <T,>(x: T): T => JSON.parse(JSON.stringify(x)) as T;
const lots = computed<TodaysLot[]>(() =>
  pods.items.map((p) => ({ lot: p.lot, freeG: Math.max(0, p.stockG - p.promised.reduce((s, x) => s + x.g, 0)) })),
);
const work = latest(
  (): Promise<Timed<Again>> =>
    bench().again(
      plain(props.file),
      props.batchId,
      plain({
        name: form.name,
        startDate: form.startDate,
        goal: { ...goal.value, bottles: form.bottles, bottleMl: form.bottleMl },
        without: form.without,
      }),
      plain({
        lots: lots.value,
        rows: larder.rows.filter((r) => props.file.ingredients.some((i) => i.key === r.key)),
        stored: stored.items.map((s) => s.stuff),
        school: settings.value.school,
        today: today(),
      }),
    ) as Promise<Timed<Again>>,
);
watch(
  () => [show.value, form.bottles, form.bottleMl, form.startDate, form.without.length, lots.value],
  async () => {
    if (!show.value || !form.startDate) return;
    working.value = true;
    try {
      const answer = await work();
      if (!answer) return;
      trouble.value = answer.ok ? '' : answer.message;
      again.value = answer.ok ? answer.answer : null;
    } catch (e) {
      notices.fail(e);
    }
    working.value = false;
  },
  { immediate: true },
);
const toggle = (id: string, on: boolean) => (form.without = on ? form.without.filter((x) => x !== id) : [...form.without, id]);
/** Which pods go in now. */
const ofPods = computed(() => {
  const f = again.value?.file;
  if (!f) return '';
  return podUses(f)
    .map((u) => `${grams(u.massG)} ${f.lots.find((l) => l.id === u.lotId)?.name ?? ''}`)
    .join(', ');
});
async function begin() {
  commitTyping();
  if (!again.value || busy.value) return;
  if (form.name.trim() === '') {
    trouble.value = 'Give it a name.';
    return;
  }
  busy.value = true;
  try {
    const record = await batches.startFile({ ...again.value.file, name: form.name.trim() });
    show.value = false;
    await router.push({ name: 'batch', params: { id: record.id } });
    notices.say('Made again. Undo, in the list of batches, takes it back.');
  } catch (e) {
    notices.fail(e);
  } finally {
    busy.value = false;
  }
}
/** The maker's own words on what came of it: they stay with it, and are read when it is made again. */
const said = computed(() => mainEnd(props.file).stations.at(-1)?.log.note ?? '');
const rows = computed(() => {
  const a = again.value;
  if (!a) return [];
  return (
    [
      ['Pods', (f) => grams(f.podsG)],
      ['Sauce', (f) => grams(f.sauceG)],
      ['Heat', (f) => `${shu(f.shu)} SHU`],
      ['Filled', (f) => plural(f.bottles, 'bottle')],
    ] as [string, (f: Again['next']) => string][]
  ).map(([name, say]) => ({ name, planned: say(a.planned), made: say(a.made), next: say(a.next) }));
});
</script>

<template>
  <SheetCard v-model:show="show" title="Make it again" :width="820">
    <NForm class="form" @submit.prevent="begin">
      <TextField v-model="form.name" class="wide" label="Name" :maxlength="60" />
      <DateField :model-value="form.startDate" label="Begins on" @update:model-value="form.startDate = $event ?? today()" />
      <NumberField label="Bottles" :model-value="form.bottles" :schema="P.bottles" @update:model-value="form.bottles = $event!" />
      <NumberField label="of" unit="ml" :model-value="form.bottleMl" :schema="P.bottleMl" @update:model-value="form.bottleMl = $event!" />
      <div class="full two">
        <section aria-label="What the first one showed">
          <h3>What the first one showed</h3>
          <p v-if="again && again.lessons.length === 0" class="soft">Nothing was weighed or put right that the plan did not know.</p>
          <p v-if="said">You said of it: {{ said }}</p>
          <TickField
            v-for="l in again?.lessons ?? []"
            :key="l.id"
            :label="l.says"
            :model-value="!form.without.includes(l.id)"
            data-lesson
            @update:model-value="toggle(l.id, $event)"
            ><span>{{ l.says }}</span></TickField
          >
          <template v-if="again && again.reasons.length">
            <h3>What follows</h3>
            <p v-for="r in again.reasons" :key="r" data-reason>{{ r }}</p>
          </template>
          <p v-for="s in again?.short ?? []" :key="s.name" class="field-error" data-short>
            {{ grams(s.g) }} of {{ s.name }} are not there.
          </p>
          <p v-if="endStrands(file).length > 1" class="soft">The other bowls grow and shrink with {{ mainEnd(file).name }}.</p>
        </section>
        <section aria-label="In figures">
          <NTable v-if="again" class="figures" :bordered="false" size="small">
            <thead>
              <tr>
                <th scope="col"><span class="visually-hidden">Figure</span></th>
                <th scope="col">planned</th>
                <th scope="col">came to</th>
                <th scope="col">now</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="r in rows" :key="r.name" :data-figure="r.name">
                <th scope="row">{{ r.name }}</th>
                <td>{{ r.planned }}</td>
                <td>{{ r.made }}</td>
                <td>
                  <b>{{ r.next }}</b>
                </td>
              </tr>
            </tbody>
          </NTable>
          <p v-if="again" class="soft">{{ ofPods }}</p>
          <p v-else-if="!trouble" class="soft">Working it out.</p>
          <p v-if="trouble" class="field-error" role="alert">{{ trouble }}</p>
        </section>
      </div>
      <div class="full acts">
        <NButton type="primary" attr-type="submit" :disabled="!again || working || busy" :loading="busy">Begin it</NButton>
        <span class="soft">Days, weights and readings of the first stay with the first.</span>
      </div>
    </NForm>
  </SheetCard>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: 2fr 1.2fr 0.8fr 0.8fr;
  gap: 10px 12px;
  align-items: end;
}
.full {
  grid-column: 1 / -1;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 20px;
  align-items: start;
}
h3 {
  margin: 4px 0;
}
p {
  margin: 0 0 4px;
}
th,
td {
  padding: 5px 0 5px 10px;
  text-align: right;
  border-bottom: 1px dashed var(--line);
  font-weight: 400;
}
th[scope='row'] {
  text-align: left;
  padding-left: 0;
}
.acts {
  display: flex;
  gap: 14px;
  align-items: center;
}
@media (max-width: 700px) {
  .form {
    grid-template-columns: 1fr 1fr;
  }
  .wide {
    grid-column: 1 / -1;
  }
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
