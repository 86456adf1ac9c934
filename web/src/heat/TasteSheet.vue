<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, reactive, ref, watch } from 'vue';
import type { HeatSubject } from '@roskel/contract';
import CautionList from '../ui/CautionList.vue';
import { LEVEL_NAMES, levelName, scoreOf, shuOfScore, tastedHeat, tastingHot } from '@roskel/core';
import { ApiProblem } from '../api/client';
import { plural, shu } from '../format';
import { useHeat } from '../stores/heat';
import { useNotices } from '../stores/notices';
import { useSettings } from '../stores/settings';
import SheetCard from '../ui/SheetCard.vue';
import SheetForm from '../ui/SheetForm.vue';
import { Type } from '@sinclair/typebox';
import NumberField from '../ui/NumberField.vue';
import ShareSlider from '../ui/ShareSlider.vue';
import DraftBar from '../ui/DraftBar.vue';
import { useDraft } from '../ui/useDraft';

/** Scores of one or more tasters for a sauce or a lot; the lots behind it learn from them, by their share of the heat. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ subject: HeatSubject; name: string; forecastShu?: number | undefined }>();
const heat = useHeat();
const notices = useNotices();
const settings = useSettings();
const blank = () => ({ scores: [{ taster: 'You', score: null }] as { taster: string; score: number | null }[], pods: 1 });
const form = reactive(blank());
const draft = useDraft(() => `taste.${'lotId' in props.subject ? props.subject.lotId : props.subject.batchId}`, form, blank, show);
const Pods = Type.Integer({ title: 'The pods tasted', minimum: 1, maximum: 200 });
const problem = ref('');
const askSure = ref(false);
const busy = ref(false);
watch(
  show,
  (open) => {
    if (!open) return;
    void heat.load().catch((e: unknown) => notices.fail(e));
    problem.value = '';
    askSure.value = false;
  },
  { immediate: true },
);
const given = computed(() => form.scores.filter((s): s is { taster: string; score: number } => s.score !== null));
const scaleMap = computed(() => new Map(heat.book.scales.map((s) => [s.taster, s.scale])));
const read = computed(() => {
  if (given.value.length === 0) return null;
  const { mu, sd } = tastedHeat(given.value, scaleMap.value);
  return { shu: Math.exp(mu), low: Math.exp(mu - 1.2816 * sd), high: Math.exp(mu + 1.2816 * sd) };
});
const expected = computed(() => (props.forecastShu ? scoreOf(heat.scaleOf('You'), props.forecastShu) : null));
function more() {
  const n = form.scores.length;
  form.scores.push({ taster: `Guest ${n}`, score: null });
}
const marks = LEVEL_NAMES.map((name, level) => ({ name, level }));
async function save(sure: boolean) {
  if (given.value.length === 0) return void (problem.value = 'Give at least one score first.');
  busy.value = true;
  problem.value = '';
  try {
    const subject = 'lotId' in props.subject ? { ...props.subject, pods: form.pods } : props.subject;
    const lots = await heat.add({ kind: 'tasting', subject, scores: given.value, ...(sure ? { sure } : {}) }, `tasting of ${props.name}`);
    await draft.done();
    notices.say(lots.length > 0 ? `Kept. ${plural(lots.length, 'lot')} learnt from it.` : 'Kept.');
    show.value = false;
  } catch (e) {
    problem.value = (e as Error).message;
    askSure.value = e instanceof ApiProblem && e.problem.errors?.[0]?.path === 'sure';
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <SheetCard v-model:show="show" :title="`How hot was ${name}?`" :width="620">
    <SheetForm @submit="save(false)">
      <DraftBar :show="draft.takenUp.value" @anew="draft.anew" />
      <CautionList :cautions="tastingHot()" />
      <p class="soft">
        Score 0 to 10 as it feels to each taster.
        <template v-if="expected !== null && given.length > 0"
          >On your scale this sauce was forecast at about {{ Math.round(expected * 2) / 2 }}.</template
        >
        <template v-else-if="expected !== null">What was forecast stands here once there is a score.</template>
        <template v-if="settings.value.school === 'fresh'"> Tasting knows no convention: SHU here count dry matter, as labels do.</template>
      </p>
      <div v-for="(s, i) in form.scores" :key="i" class="taster">
        <span class="who"
          ><b>{{ s.taster }}</b>
          <span class="soft">{{
            heat.scaleOf(s.taster).scores > 0 ? plural(heat.scaleOf(s.taster).scores, 'score') + ' so far' : 'scale not known yet'
          }}</span></span
        >
        <ShareSlider
          :label="`${s.taster}: score`"
          :max="10"
          :step="0.5"
          :says="s.score === null ? 'no score yet' : String(s.score)"
          :model-value="s.score ?? 5"
          @update:model-value="s.score = $event"
          @click="s.score ??= 5"
        />
        <output class="big">{{ s.score ?? '?' }}</output>
        <span class="soft says">{{
          s.score === null
            ? `${marks[0]!.name} to ${marks[10]!.name}`
            : `${marks[Math.round(s.score)]!.name}; for this taster about ${shu(shuOfScore(heat.scaleOf(s.taster), s.score))} SHU`
        }}</span>
      </div>
      <div class="acts">
        <NButton v-if="form.scores.length < 8" text class="link" @click="more">One more taster</NButton>
        <NumberField
          v-if="'lotId' in subject"
          class="pods"
          small
          label="Pods tasted"
          :model-value="form.pods"
          :schema="Pods"
          @update:model-value="form.pods = $event!"
        />
      </div>
      <p v-if="read" data-fact="tasted">
        Read together: about <b>{{ shu(read.shu) }} SHU</b>, {{ levelName(read.shu) }}; 8 in 10 times between {{ shu(read.low) }} and
        {{ shu(read.high) }}.
      </p>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <div class="acts">
        <NButton type="primary" attr-type="submit" :disabled="busy">Keep it</NButton>
        <NButton v-if="askSure" :disabled="busy" @click="save(true)">I am sure, use it</NButton>
      </div>
    </SheetForm>
  </SheetCard>
</template>

<style scoped>
.taster {
  display: grid;
  grid-template-columns: 120px 1fr 44px;
  gap: 0 14px;
  align-items: center;
}
.taster .who span {
  display: block;
  font-size: 13px;
}
.big {
  font:
    700 24px 'Bricolage Grotesque Variable',
    sans-serif;
  text-align: right;
}
.says {
  grid-column: 2 / 4;
  font-size: 13px;
}
.acts {
  display: flex;
  gap: 14px;
  align-items: center;
  justify-content: space-between;
}
.pods {
  width: 120px;
}
</style>
