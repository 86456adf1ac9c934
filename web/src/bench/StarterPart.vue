<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue';
import { Type } from '@sinclair/typebox';
import {
  JAR_MEMBERS,
  STARTER_SHARE,
  STARTERS,
  withOldBrine,
  type Cut,
  type ForecastInput,
  type JarMasses,
  type SaltPercents,
  NOTHING_SAID,
} from '@roskel/core';
import { degrees, grams, percent, plural } from '../format';
import { keepHere, readHere } from '../ui/keepHere';
import NumberField from '../ui/NumberField.vue';
import { bench, latest } from '../worker/client';

/** A jar begun with old brine or a bought culture: what is still to be weighed in, and the days that it saves. */
const props = defineProps<{ jar: JarMasses; salt: SaltPercents; cut: Cut }>();
const KEEP = 'salt-starter';
const k = reactive({ g: 40, pct: 3.5, tempC: 21, ...readHere<{ g?: number; pct?: number; tempC?: number }>(KEEP) });
watch(k, (now) => keepHere(KEEP, { ...now }));
const S = {
  g: Type.Number({ title: 'The old brine', minimum: 0, maximum: 50_000, unit: 'g' }),
  pct: Type.Number({ title: 'The salt in it', minimum: 0, maximum: 26, unit: '%' }),
  tempC: Type.Number({ title: 'The temperature', minimum: 8, maximum: 35, unit: '°C' }),
};
const told = computed(() => {
  try {
    return { w: withOldBrine(props.jar, props.salt.wholeJar, k) };
  } catch (e) {
    if (e instanceof RangeError) return { why: e.message };
    throw e;
  }
});
const dose = computed(() => STARTER_SHARE * (props.jar.produceG + props.jar.waterG));

/** Pods as they usually are: what the bench knows nothing of (handbook chapter 4, section 2.4). */
const PODS = { sugarMmol: 120, pH0: 5.25, pH0Sd: 0.15, lactate0: 0, acetate0: 0 } as const;
/** Days as a range, whole ones: 8 jars in 10. */
function within({ p10, p90 }: { p10: number | null; p90: number | null }): string {
  if (p10 === null) return 'not within two months';
  const from = Math.max(1, Math.floor(p10));
  return p90 === null ? `in ${plural(from, 'day')} or much later` : `in ${from} to ${plural(Math.ceil(p90), 'day')}`;
}
/** When eight jars in ten of each are below 4.6. */
const days = ref<{ plain: string; brine: string; culture: string } | null>(null);
const ask = latest(async (inputs: readonly ForecastInput[]) => Promise.all(inputs.map((i) => bench().jar(i))));
watch(
  [told, () => props.salt, () => props.cut, () => k.tempC],
  async () => {
    if (!('w' in told.value) || !told.value.w) return;
    const { cells } = told.value.w;
    const produceShare = props.jar.produceG / (props.jar.produceG + props.jar.waterG);
    const plain: ForecastInput = {
      conditions: {
        ...PODS,
        saltPct: props.salt.waterPhase,
        brinePct: props.salt.brine ?? props.salt.waterPhase,
        cut: props.cut,
        produceShare,
      },
      ...{
        tempC: k.tempC,
        temps: [],
        readings: [],
        horizonDays: 60,
        members: JAR_MEMBERS,
        seed: 7,
        targetPh: 3.8,
        leastDays: 7,
        risk: NOTHING_SAID,
        now: null,
      },
    };
    const begun = (starter: number): ForecastInput => ({ ...plain, conditions: { ...plain.conditions, starter } });
    const answers = await ask([plain, begun(cells), begun(STARTERS.culture)]);
    if (!answers?.every((a) => a.ok)) return;
    const [a, b, c] = answers.map((x) => (x.ok ? within(x.answer.crossings.legal) : ''));
    days.value = { plain: a!, brine: b!, culture: c! };
  },
  { immediate: true },
);
</script>

<template>
  <section aria-label="Begun with old brine or a culture">
    <h2>Begun with old brine, or a culture</h2>
    <div class="three">
      <NumberField v-model="k.g" label="Old brine" unit="g" :schema="S.g" />
      <NumberField v-model="k.pct" label="Salt in it" unit="%" :schema="S.pct" />
      <NumberField v-model="k.tempC" label="It will stand at" unit="°C" :schema="S.tempC" :digits="1" />
    </div>
    <p v-if="'why' in told" class="field-error" role="alert">{{ told.why }}.</p>
    <p v-else data-fact="starter">
      Weigh in <b>{{ grams(told.w.saltG) }}</b> of salt and <b>{{ grams(told.w.waterG) }}</b> of water beside it: the same salt as above. It
      is {{ percent(100 * told.w.share, 0) }} of the jar; {{ grams(dose) }} are a twentieth.
    </p>
    <p v-if="days && !('why' in told)" data-fact="sooner">
      Below 4.6 {{ days.brine }} at {{ degrees(k.tempC) }} (8 jars in 10); without it {{ days.plain }}, with a bought culture
      {{ days.culture }}.
    </p>
    <p class="soft">
      Only brine of a jar that is sour, lively and clean: one with a film, a smell or a rising pH hands that on. What was heated is no
      starter.
    </p>
  </section>
</template>

<style scoped>
section {
  margin-top: 14px;
}
h2 + .three {
  margin-top: 4px;
}
.three > * {
  min-width: 0;
}
.three {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 10px;
  align-items: end;
}
p {
  margin: 4px 0;
  font-size: 14px;
}
</style>
