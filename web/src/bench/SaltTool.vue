<script setup lang="ts">
import { computed, reactive, watch } from 'vue';
import { Type } from '@sinclair/typebox';
import {
  CUTS,
  evenText,
  mashSteps,
  putRightText,
  putSaltRight,
  SALT_SPOONS_ML,
  SALT_TYPES,
  saltEveryWay,
  saltOf,
  saltType,
  saltVerdict,
  spoonOfSalt,
  UNSUITABLE,
  type Cut,
  type SaltWay,
} from '@roskel/core';
import { grams, inManner, percent, plural } from '../format';
import { keepHere, readHere } from '../ui/keepHere';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import StarterPart from './StarterPart.vue';

/** Salt of a jar, said in one way and told in all; put right, shared out, and a mash that is salted up over months. */
const KEEP = 'salt-bench';
interface Kept {
  produceG: number;
  waterPct: number;
  waterG: number;
  jars: number;
  way: SaltWay;
  value: number;
  salt: string;
  spoon: 'tbsp' | 'tsp';
  tenG: number | null;
  wantedPct: number;
  cut: Cut;
}
const START: Kept = {
  ...{ produceG: 400, waterPct: 90, waterG: 500, jars: 1, way: 'wholeJar', value: 3 },
  ...{ salt: 'fine', spoon: 'tbsp', tenG: null, wantedPct: 3, cut: 'chopped' },
};
const k = reactive<Kept>({ ...START, ...readHere<Partial<Kept>>(KEEP) });
watch(k, (now) => keepHere(KEEP, { ...now }));
const WAYS: Record<SaltWay, string> = {
  wholeJar: '% of the whole jar',
  waterOnly: '% of the water only',
  mash: '% of the pods (dry mash)',
  brine: '% of the brine as mixed',
  waterPhase: '% of all its water, once even',
  grams: 'grams',
  spoons: 'level spoons',
  salometer: 'degrees on a salometer',
  gravity: 'specific gravity of the brine',
  baume: 'degrees Baumé of the brine',
};
const S = {
  mass: Type.Number({ title: 'The mass', minimum: 1, maximum: 100_000, unit: 'g' }),
  water: Type.Number({ title: 'The water', minimum: 0, maximum: 100_000, unit: 'g' }),
  pct: Type.Number({ title: 'The share of water', minimum: 30, maximum: 97, unit: '%' }),
  jars: Type.Integer({ title: 'The number of jars', minimum: 1, maximum: 50 }),
  value: Type.Number({ title: 'The figure', minimum: 0, maximum: 10_000 }),
  ten: Type.Number({ title: 'What ten spoons weigh', minimum: 5, maximum: 400, unit: 'g' }),
  wanted: Type.Number({ title: 'The salt it should have', minimum: 0.5, maximum: 20, unit: '%' }),
};
const spoon = computed(() => spoonOfSalt(saltType(k.salt), SALT_SPOONS_ML[k.spoon]));
const perSpoon = computed(() => (k.tenG === null ? spoon.value.typical : k.tenG / 10));
const jar = computed(() => ({ produceG: k.produceG, waterG: k.waterG, waterShare: k.waterPct / 100 }));
const told = computed(() => {
  try {
    const g = saltOf({ way: k.way, value: k.value, gPerSpoon: perSpoon.value }, jar.value);
    return { all: saltEveryWay(g, jar.value, perSpoon.value), right: putSaltRight(g, jar.value, k.wantedPct) };
  } catch (e) {
    if (e instanceof RangeError) return { why: e.message };
    throw e;
  }
});
const ok = computed(() => ('why' in told.value ? null : told.value));
const fixed = (x: number | null, digits: number) => (x === null ? 'no brine' : x.toFixed(digits));
const share = (x: number | null) => (x === null ? 'no water' : percent(x, 2));
const rows = computed((): [way: string, value: string, note: string][] => {
  const a = ok.value?.all;
  if (!a) return [];
  return [
    ['Grams', grams(a.grams), k.jars > 1 ? `${grams(a.grams / k.jars)} in each jar` : ''],
    ['Of the whole jar', share(a.wholeJar), 'what this kitchen goes by'],
    ['Of the water only', share(a.waterOnly), 'what many recipes say'],
    ['Of the pods', share(a.ofProduce), 'what a mash is said by'],
    ['Of the brine as mixed', share(a.brine), 'what a float shows'],
    ['Of all its water, once even', share(a.waterPhase), 'what souring feels'],
    ['Level spoons', a.spoons === null ? '' : a.spoons.toFixed(1), `${perSpoon.value.toFixed(1)} g each`],
    ['Salometer', fixed(a.salometer, 1), 'fresh brine only'],
    ['Specific gravity', fixed(a.gravity, 4), 'fresh brine only, 20 °C'],
    ['Baumé', fixed(a.baume, 2), 'fresh brine only'],
  ];
});
/** A recipe in spoons means anything between these. */
const range = computed(() => {
  if (k.way !== 'spoons' || k.tenG !== null) return '';
  const of = (g: number) => saltEveryWay(k.value * g, jar.value, 1).wholeJar;
  return `By the spoon that is ${percent(of(spoon.value.low))} to ${percent(of(spoon.value.high))} of the jar. Weigh ten spoons of your own once, and it is one figure.`;
});
const verdict = computed(() => (ok.value ? saltVerdict(ok.value.all) : ''));
const right = computed(() => (ok.value ? putRightText(ok.value.right).map(inManner) : []));
const mash = computed(() => mashSteps(k.produceG));
const options = (o: Record<string, string>) => Object.entries(o).map(([value, label]) => ({ value, label }));
</script>

<template>
  <div class="grid">
    <section class="plate fields" aria-label="The jar, and the salt as it is said">
      <NumberField v-model="k.produceG" label="Pods, cut" unit="g" :schema="S.mass" />
      <NumberField v-model="k.waterPct" label="Water in them" unit="%" :schema="S.pct" />
      <NumberField v-model="k.waterG" label="Water added" unit="g" :schema="S.water" />
      <NumberField v-model="k.jars" label="Jars" :schema="S.jars" />
      <PickField v-model="k.way" class="wide" label="Salt said as" :options="options(WAYS) as { value: SaltWay; label: string }[]" />
      <NumberField v-model="k.value" label="How much" :schema="S.value" :digits="k.way === 'gravity' ? 4 : 2" />
      <PickField v-model="k.salt" class="wide" label="The salt" :options="SALT_TYPES.map((s) => ({ value: s.id, label: s.name }))" />
      <PickField
        v-model="k.spoon"
        label="Spoon"
        :options="[
          { value: 'tbsp', label: 'tablespoon' },
          { value: 'tsp', label: 'teaspoon' },
        ]"
      />
      <NumberField v-model="k.tenG" label="Ten of yours weigh" unit="g" optional placeholder="not weighed" :schema="S.ten" />
      <p class="soft all">{{ saltType(k.salt).note }} Weighing beats every spoon.</p>
      <p v-if="range" class="all" data-fact="range">{{ range }}</p>
    </section>
    <section class="plate ways" aria-label="The same salt in every way of counting">
      <h2>The same salt, in every way of counting</h2>
      <p v-if="'why' in told" class="field-error" role="alert">{{ told.why }}.</p>
      <dl v-else>
        <div v-for="[way, value, note] in rows" :key="way" :data-way="way">
          <dt>
            {{ way }} <span class="soft">{{ note }}</span>
          </dt>
          <dd>{{ value }}</dd>
        </div>
      </dl>
      <p v-if="ok" data-fact="verdict">
        <b>{{ verdict }}</b>
      </p>
      <p class="soft">A float shows everything that is dissolved: once pods have been in the brine it tells nothing about salt.</p>
    </section>
    <section class="plate more" aria-label="Put right, wait, and salt up">
      <h2>Too much, or too little?</h2>
      <div class="two">
        <NumberField v-model="k.wantedPct" label="Should be, of the jar" unit="%" :schema="S.wanted" />
        <PickField v-model="k.cut" label="Cut" :options="(Object.keys(CUTS) as Cut[]).map((c) => ({ value: c, label: CUTS[c].label }))" />
      </div>
      <p v-for="r in right" :key="r" data-fact="right">{{ r }}</p>
      <p>Even all through after {{ evenText(k.cut) }}. A whole pod keeps its own salt and acid longest: judge it by a blended one.</p>
      <StarterPart v-if="ok" :jar="jar" :salt="ok.all" :cut="k.cut" />
      <h2>A mash that stands for months</h2>
      <p v-for="m in mash" :key="m.day">
        {{ m.day === 0 ? 'At first' : `Day ${m.day}` }}: {{ grams(m.addG) }} of salt, to {{ percent(m.pct, 0) }} of the pods.
      </p>
      <p class="soft">It sours on little salt and is kept by much. Read the pH before each step: above 4.6, wait with the salt.</p>
      <details>
        <summary>{{ plural(UNSUITABLE.length, 'salt or water', 'salts and waters') }} to look out for</summary>
        <p v-for="u in UNSUITABLE" :key="u.what">
          <b>{{ u.what }}.</b> {{ u.why }}
        </p>
      </details>
    </section>
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr) minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}
.plate {
  padding: 10px 16px 14px;
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 10px;
  align-items: end;
}
.wide,
.all {
  grid-column: 1 / -1;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  align-items: end;
}
p {
  margin: 4px 0;
  font-size: 14px;
}
dl {
  margin: 4px 0;
}
dl div {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 5px 0;
  border-bottom: 1px dashed var(--line);
}
dt .soft {
  font-size: 13px;
  margin-left: 6px;
}
dd {
  margin: 0;
  font-weight: 700;
  white-space: nowrap;
}
h2 + p {
  margin-top: 6px;
}
.more h2:not(:first-child) {
  margin-top: 14px;
}
summary {
  cursor: pointer;
  min-height: 32px;
  color: var(--rim);
}
@media (max-width: 1000px) {
  .grid {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
