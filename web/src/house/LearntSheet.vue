<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { NButton, NSpin, NTable, NUpload, type UploadCustomRequestOptions } from 'naive-ui';
import type { LearntPreview } from '@roskel/contract';
import { blurQuantiles, RAIL_NAMES, RAILS, type LearntFile, type Rail } from '@roskel/core';
import { api } from '../api/client';
import { capital, plural, shu } from '../format';
import { useNotices } from '../stores/notices';
import { useLearnt } from '../stores/learnt';
import { useVarieties } from '../stores/own';
import { download } from '../ui/download';
import { lazySheet } from '../ui/lazySheet';
import SheetCard from '../ui/SheetCard.vue';
import TextField from '../ui/TextField.vue';
import { doesWords, TOOL_NAMES } from './tools';

/** What this kitchen learnt, as a file for others, and what others learnt, with what each of their files changes here. */
const ArchiveSheet = lazySheet(() => import('./ArchiveSheet.vue'));
const show = defineModel<boolean>('show', { required: true });
const learnt = useLearnt();
const varieties = useVarieties();
const notices = useNotices();
const own = shallowRef<LearntFile | null>(null);
const file = shallowRef<LearntFile | null>(null);
const preview = shallowRef<LearntPreview | null>(null);
const name = ref('');
const busy = ref(false);
const archived = ref(false);
/** Says what went wrong, or gives what came. */
const tried = <T,>(what: Promise<T>) => what.catch((e: unknown) => notices.fail(e));
watch(
  show,
  async (open) => {
    if (!open) return;
    leave();
    void tried(learnt.load());
    void tried(varieties.load());
    own.value = (await tried(api.get<LearntFile>('/learnt/here'))) ?? own.value;
  },
  { immediate: true },
);

const LEVEL: Record<Rail, (x: number) => string> = {
  heat: (x) => `${shu(x)} SHU`,
  sour: (x) => `pH ${x.toFixed(1)}`,
  salt: (x) => `${x.toFixed(1)} %`,
  sweet: (x) => `${x.toFixed(0)} %`,
  body: (x) => `${x.toFixed(0)} of 7`,
};
const band = (median: number, sigma: number) => {
  const q = blurQuantiles({ mu: Math.log(median), sigma });
  return `${shu(q.p10)} to ${shu(q.p90)} SHU`;
};
/** What is in a file, line by line. */
const linesOf = (f: LearntFile) => [
  ...f.pods.map((p) => `${varieties.find(p.variety)?.name ?? p.variety}: how hot ${plural(p.lots, 'lot')} turned out`),
  ...f.tools.map((t) => `${capital(TOOL_NAMES[t.kind])}, ${t.tools} of them: ${doesWords(t.kind, t)}`),
  ...RAILS.flatMap((r) => (f.taste[r] ? [`${capital(RAIL_NAMES[r])} called right at ${LEVEL[r](f.taste[r].level)}`] : [])),
];
const mine = computed(() => (own.value ? linesOf(own.value) : []));
const changes = computed(() => {
  const p = preview.value;
  if (!p) return [];
  return [
    ...p.lots.map((l) => ({
      key: l.id,
      what: l.name,
      now: band(l.before.dryShu, l.before.sigma),
      then: band(l.after.dryShu, l.after.sigma),
    })),
    ...p.tools.map((t) => ({ key: t.id, what: t.name, now: doesWords(t.kind, t.before), then: doesWords(t.kind, t.after) })),
    ...p.taste.map(({ rail, before, after }) => ({
      key: rail,
      what: `${capital(RAIL_NAMES[rail])} called right`,
      now: before === null ? 'nobody said' : LEVEL[rail](before),
      then: after === null ? '' : LEVEL[rail](after),
    })),
    // What cannot be told apart on the page is no change to speak of.
  ].filter((c) => c.now !== c.then);
});

const save = () => own.value && download('learnt.roskel.json', JSON.stringify(own.value, null, 2), 'application/json');
async function look({ file: chosen }: UploadCustomRequestOptions) {
  if (!chosen.file) return;
  leave();
  busy.value = true;
  try {
    const read = JSON.parse(await chosen.file.text()) as LearntFile;
    preview.value = await api.post<LearntPreview>('/learnt/preview', read);
    file.value = read;
    name.value = preview.value.replaces ?? `Kitchen ${learnt.items.length + 2}`;
  } catch (e) {
    notices.fail(e instanceof SyntaxError ? new Error('This is no file of what a kitchen learnt. Nothing was read in.') : e);
  } finally {
    busy.value = false;
  }
}
function leave() {
  file.value = null;
  preview.value = null;
}
async function take() {
  if (!file.value) return;
  busy.value = true;
  try {
    await learnt.add({ id: `learnt-${crypto.randomUUID().slice(0, 12)}`, name: name.value.trim(), file: file.value });
    notices.say(`${name.value.trim()} is read in. Ctrl Z takes it out again.`);
    leave();
  } catch (e) {
    notices.fail(e);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <SheetCard v-model:show="show" title="What kitchens learnt" :width="760">
    <section aria-labelledby="others">
      <h3 id="others">From other kitchens</h3>
      <p class="soft">
        What was weighed and tasted here counts most. Others count where nothing was: a lot that nobody tasted, a sieve that was never
        weighed.
      </p>
      <template v-if="preview">
        <p v-if="preview.own" role="alert">That is what this kitchen learnt itself: it counts here already.</p>
        <template v-else>
          <p v-if="preview.replaces">It takes the place of an older file: {{ preview.replaces }}.</p>
          <p v-if="preview.unknown.length" class="soft">Not in the table here, and left out: {{ preview.unknown.join(', ') }}.</p>
          <NTable v-if="changes.length" :bordered="false" size="small" aria-label="What it changes">
            <thead>
              <tr>
                <th>what</th>
                <th>now</th>
                <th>then</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="c in changes" :key="c.key" data-fact="change">
                <td>{{ c.what }}</td>
                <td class="soft">{{ c.now }}</td>
                <td>{{ c.then }}</td>
              </tr>
            </tbody>
          </NTable>
          <p v-else data-fact="no change">Nothing that is here now would change. Lots and things that come in later start from it.</p>
          <TextField v-model="name" class="whose" label="Whose it is" :maxlength="60" />
        </template>
        <p class="acts">
          <NButton v-if="!preview.own" type="primary" :loading="busy" :disabled="name.trim() === ''" @click="take">Read it in</NButton>
          <NButton @click="leave">Leave it</NButton>
        </p>
      </template>
      <template v-else>
        <ul v-if="learnt.items.length">
          <li v-for="o in learnt.items" :key="o.id" class="file">
            <b>{{ o.value.name }}</b> <span class="soft">{{ plural(linesOf(o.value.file).length, 'thing') }}</span>
            <NButton
              class="push"
              size="small"
              :aria-label="`Leave out ${o.value.name}`"
              @click="tried(learnt.archive.put(o.id, o.value.name))"
              >Leave out</NButton
            >
          </li>
        </ul>
        <p v-else>No file of another kitchen was read in.</p>
        <p class="acts">
          <NUpload accept=".json,application/json" :show-file-list="false" :custom-request="look">
            <NButton :loading="busy">Look at a file</NButton>
          </NUpload>
          <NButton @click="archived = true">Left out before</NButton>
        </p>
      </template>
    </section>
    <section v-if="!preview" aria-labelledby="mine">
      <h3 id="mine">For other kitchens</h3>
      <p class="soft">What was seen here, without names and without days. What you read in of others is not passed on.</p>
      <NSpin v-if="own === null" size="small" />
      <p v-else-if="mine.length === 0">Nothing was learnt here yet: taste a lot, weigh what a sieve keeps, say what is right.</p>
      <template v-else>
        <ul>
          <li v-for="line in mine" :key="line" data-fact="mine">{{ line }}</li>
        </ul>
        <NButton @click="save">Save as a file</NButton>
      </template>
    </section>
    <ArchiveSheet v-model:show="archived" title="Files that were left out" :archive="learnt.archive" />
  </SheetCard>
</template>

<style scoped>
section + section {
  margin-top: 18px;
}
h3 {
  margin: 0 0 4px;
}
ul {
  margin: 0 0 10px;
  padding-left: 20px;
}
.file {
  display: flex;
  gap: 10px;
  align-items: baseline;
  list-style: none;
  margin-left: -20px;
  padding: 4px 0;
  border-bottom: 1px dashed var(--line);
}
td:first-child {
  overflow-wrap: normal;
  word-break: normal;
}
.whose {
  display: block;
  margin-top: 14px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 10px 0 0;
}
</style>
