<script setup lang="ts">
import { NForm } from 'naive-ui';
import { computed, onMounted, ref } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { GoalSchema, heatWords, IDEA_ORDERS, IDEA_STYLES, styleOf, type Idea, type IdeaOrder } from '@roskel/core';
import { beginPlan, freeName } from '../batch/beginPlan';
import { day, plural } from '../format';
import CautionList from '../ui/CautionList.vue';
import IdeaRow from '../ideas/IdeaRow.vue';
import { useIdeas, WHEN, type IdeaForm } from '../ideas/useIdeas';
import { useLarder } from '../stores/larder';
import { useNotices } from '../stores/notices';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import PillField from '../ui/PillField.vue';

/** Every kind of sauce planned through of what is there: what could be made, how soon, how hot, and what is missing. */
const { form, ideas, late, none, told, working, ready, lots, wordFor, load } = useIdeas();
const larder = useLarder();
const notices = useNotices();
const router = useRouter();
onMounted(() => void load());
const heats = heatWords('drop').map((w) => ({ value: w.name as string, label: w.name }));
const whens = (Object.keys(WHEN) as IdeaForm['when'][]).map((value) => ({ value, label: WHEN[value].name }));
const orders = (Object.keys(IDEA_ORDERS) as IdeaOrder[]).map((value) => ({ value, label: IDEA_ORDERS[value].name }));
const P = GoalSchema.properties;
const said = computed(() => {
  if (!ready.value) return 'Looking at what is there.';
  if (working.value) return `${told.value.length} of ${IDEA_STYLES.length} kinds planned`;
  return `${ideas.value.length} of ${IDEA_STYLES.length} kinds`;
});
/** Dangers of at least half of the ideas: said once above them. */
const common = computed(() => {
  const all = ideas.value.flatMap((i) => i.plan.dangers);
  const often = all.filter((d) => all.filter((e) => e.id === d.id).length >= Math.max(2, ideas.value.length / 2));
  return often.filter((d, i) => often.findIndex((e) => e.id === d.id) === i);
});
const busy = ref(false);
async function start({ style, plan }: Idea) {
  busy.value = true;
  try {
    const record = await beginPlan(plan, freeName(style), [], () => Promise.resolve(null));
    await router.push({ name: 'batch', params: { id: record.id } });
  } catch (e) {
    notices.fail(e);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div class="page">
    <header class="head">
      <div>
        <RouterLink class="crumb" to="/batches">Batches</RouterLink><span class="crumb"> / </span>
        <h1>What could I make?</h1>
      </div>
      <span class="soft">from {{ plural(lots.length, 'lot') }} and {{ plural(larder.items.length, 'thing') }} in the larder</span>
      <span class="push soft" role="status">{{ said }}</span>
    </header>
    <NForm class="plate wish" aria-label="What is wished" @submit.prevent>
      <PillField v-model="form.when" label="Ready" :options="whens" />
      <PillField v-model="form.heat" label="How hot" :options="heats" />
      <NumberField v-model="form.bottles" label="Bottles" :schema="P.bottles" />
      <NumberField v-model="form.bottleMl" label="Of" unit="ml" :schema="P.bottleMl" />
      <PickField v-model="form.order" label="What comes first" :options="orders" />
    </NForm>
    <section v-if="ready && lots.length === 0" class="plate note">
      <h2>No pods are there yet</h2>
      <p>
        Put what you have under <RouterLink to="/pods">Pods</RouterLink>, and every kind of sauce is planned through with it. Or say it in
        your own words where you <RouterLink :to="{ path: '/batches', query: { start: '1' } }">start a batch</RouterLink>.
      </p>
    </section>
    <section v-else class="plate" aria-label="Ideas">
      <CautionList class="common" :cautions="common" />
      <ul class="ideas">
        <IdeaRow
          v-for="i in ideas"
          :key="i.style"
          :idea="i"
          :word="wordFor(i.style)"
          :busy="busy"
          :said="common.map((d) => d.id)"
          @start="start(i)"
        />
      </ul>
      <p v-if="!working && ready && ideas.length === 0" class="soft">Nothing fits this wish. Take another heat, or more time.</p>
      <p v-if="late.length" class="soft">
        Too late for this wish: {{ late.map((i) => `${styleOf(i.style).name} (${day(i.plan.sauce.readyOn)})`).join(', ') }}.
      </p>
      <details v-if="none.length" data-fact="none">
        <summary>{{ plural(none.length, 'kind') }} cannot be had of this, and why</summary>
        <ul>
          <li v-for="n in none" :key="n.style">
            <b>{{ styleOf(n.style).name }}</b>: <span class="soft">{{ n.why }}</span>
          </li>
        </ul>
      </details>
      <p class="soft">
        Each is planned through like any batch: pods chosen, pH, bottles and keeping worked out. Without a measured pH nothing keeps long.
      </p>
    </section>
  </div>
</template>

<style scoped>
.wish {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  padding: 8px 16px 10px;
}
.wish > :deep(.labelled) {
  width: 84px;
}
.wish > :last-child {
  width: 206px;
}
section {
  padding: 4px 18px 10px;
}
section.note {
  padding: 12px 18px;
}
.common {
  margin-top: 10px;
}
.ideas {
  list-style: none;
  margin: 0;
  padding: 0;
}
section > p {
  margin: 6px 0;
  font-size: 14px;
}
summary {
  cursor: pointer;
  min-height: 32px;
}
details ul {
  margin: 0 0 6px;
  padding-left: 18px;
  font-size: 14px;
  line-height: 1.4;
}
</style>
