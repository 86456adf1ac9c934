<script setup lang="ts">
import { computed, ref } from 'vue';
import { NButton } from 'naive-ui';
import { RouterLink } from 'vue-router';
import { answerCase, CASES } from '@roskel/core';
import { inManner, within } from '../format';
import GuideDrawing from '../guide/GuideDrawing.vue';
import SignPicture from '../today/SignPicture.vue';
import { keepHere, readHere } from '../ui/keepHere';
import { useKeys } from '../ui/keys';

/** Ten short cases: is this jar fine, which way to put it right, what does this figure mean. */
const KEEP = 'trainer';
/** What was answered, by case; kept in this browser. */
const answers = ref<Record<string, string>>(readHere<Record<string, string>>(KEEP) ?? {});
const open = CASES.findIndex((c) => !(c.id in answers.value));
const at = ref(open < 0 ? CASES.length : open);
const now = computed(() => CASES[at.value] ?? null);
const given = computed(() => (now.value ? answers.value[now.value.id] : undefined));
const told = computed(() => (now.value && given.value !== undefined ? tell(now.value.id, given.value) : null));
function tell(id: string, option: string) {
  try {
    return answerCase(id, option);
  } catch {
    // An answer of an older set of cases: asked again.
    return null;
  }
}
const marks = computed(() => CASES.map((c) => (c.id in answers.value ? (tell(c.id, answers.value[c.id]!)?.right ?? null) : null)));
const right = computed(() => marks.value.filter((m) => m === true).length);
function give(option: string) {
  if (!now.value || told.value) return;
  answers.value = { ...answers.value, [now.value.id]: option };
  keepHere(KEEP, answers.value);
}
const next = () => at.value < CASES.length && (at.value += 1);
function anew() {
  answers.value = {};
  keepHere(KEEP, {});
  at.value = 0;
}
const pick = (n: number) => now.value?.options[n] && give(now.value.options[n].id);
useKeys('Ten cases', [
  ...[1, 2, 3, 4].map((n) => ({ key: String(n), says: `answer ${n}`, run: () => void pick(n - 1) })),
  { key: 'arrowright', says: 'the next case', run: () => void next() },
  { key: 'arrowleft', says: 'the case before', run: () => void (at.value > 0 && (at.value -= 1)) },
]);
</script>

<template>
  <div class="page">
    <header class="head">
      <div>
        <RouterLink class="crumb" to="/guide">Guide</RouterLink><span class="crumb"> / </span>
        <h1>Ten cases</h1>
      </div>
      <ol class="marks" aria-label="Cases">
        <li v-for="(m, i) in marks" :key="CASES[i]!.id">
          <NButton
            size="small"
            class="mark"
            :class="{ here: i === at, right: m === true, wrong: m === false }"
            :aria-label="`Case ${i + 1}${m === null ? '' : m ? ', right' : ', wrong'}`"
            @click="at = i"
          >
            {{ m === null ? i + 1 : m ? '✓' : '×' }}
          </NButton>
        </li>
      </ol>
    </header>
    <section v-if="now" class="plate case" aria-live="polite" :data-case="now.id">
      <div class="side">
        <span v-if="'sign' in now.picture" class="sign"><SignPicture :sign="now.picture.sign" /></span>
        <GuideDrawing v-else :of="now.picture.drawing" />
      </div>
      <div class="told">
        <p class="story">{{ inManner(now.story) }}</p>
        <h2>{{ now.asks }}</h2>
        <div class="options">
          <NButton
            v-for="(o, i) in now.options"
            :key="o.id"
            class="option"
            :class="{ given: given === o.id, answer: told && told.answer === o.says }"
            :disabled="told !== null"
            @click="give(o.id)"
            ><kbd>{{ i + 1 }}</kbd> {{ inManner(o.says) }}</NButton
          >
        </div>
        <div v-if="told" class="verdict" :class="{ right: told.right }" :data-right="told.right">
          <h3>{{ told.right ? 'Right.' : `No: ${inManner(within(told.answer))}.` }}</h3>
          <p>{{ inManner(told.why) }}</p>
          <div class="acts">
            <NButton type="primary" @click="next">{{ at + 1 < CASES.length ? 'Next case' : 'How it went' }}</NButton>
            <RouterLink :to="`/guide/${now.topic}`">More in the guide</RouterLink>
          </div>
        </div>
      </div>
    </section>
    <section v-else class="plate done">
      <h2 data-fact="score">{{ right }} of {{ CASES.length }} right</h2>
      <p v-if="right < CASES.length">Worth reading again:</p>
      <ul>
        <li v-for="(c, i) in CASES.filter((_, n) => marks[n] !== true)" :key="c.id">
          <RouterLink :to="`/guide/${c.topic}`">{{ c.asks }} {{ i >= 0 ? c.story.slice(0, 60) : '' }}…</RouterLink>
        </li>
      </ul>
      <NButton @click="anew">Try them again</NButton>
    </section>
  </div>
</template>

<style scoped>
.marks {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 0 0 0 auto;
  padding: 0;
}
.mark {
  width: 40px;
  padding: 0;
}
.mark.here {
  outline: 3px solid var(--rim);
}
.mark.right {
  --n-color: var(--acid) !important;
  --n-text-color: var(--white) !important;
}
.mark.wrong {
  --n-color: var(--warn-plate) !important;
}
.case {
  display: grid;
  grid-template-columns: 260px minmax(0, 1fr);
  gap: 32px;
  padding: 28px 34px;
  align-items: start;
}
.sign :deep(svg) {
  width: 200px;
  height: 200px;
}
.story {
  font-size: 20px;
  line-height: 1.4;
  margin: 0 0 12px;
}
.told h2 {
  font-size: 22px;
  margin-bottom: 12px;
}
.options {
  display: grid;
  gap: 8px;
  max-width: 560px;
}
.option {
  justify-content: flex-start;
  --n-height: 48px !important;
  height: auto;
  min-height: 48px;
  white-space: normal;
  text-align: left;
}
.option:disabled {
  --n-opacity-disabled: 1 !important;
}
.option.answer {
  outline: 3px solid var(--acid);
}
.option.given:not(.answer) {
  outline: 3px dashed var(--warn);
}
kbd {
  border: 1.5px solid var(--line);
  border-radius: 6px;
  padding: 0 7px;
  margin-right: 10px;
  font: inherit;
}
.verdict {
  margin-top: 16px;
  padding: 12px 16px;
  border: 2px solid var(--warn);
  background: var(--warn-plate);
  border-radius: 12px;
  max-width: 720px;
}
.verdict.right {
  border-color: var(--acid);
  background: none;
}
.verdict p {
  margin: 4px 0 10px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: center;
}
.done {
  padding: 24px 30px;
}
@media (max-width: 900px) {
  .case {
    grid-template-columns: minmax(0, 1fr);
    gap: 10px;
    padding: 14px 16px;
  }
  .side {
    max-width: 130px;
  }
  .sign :deep(svg) {
    width: 90px;
    height: 90px;
  }
  .story {
    font-size: 17px;
  }
  .mark {
    width: 30px;
  }
}
</style>
