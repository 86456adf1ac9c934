<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue';
import { NTable } from 'naive-ui';
import { RouterLink, useRoute, useRouter } from 'vue-router';
import { GUIDE_PARTS, searchGuide, topicOf, TOPICS, type GuidePart } from '@roskel/core';
import { inManner } from '../format';
import GuideDrawing from '../guide/GuideDrawing.vue';
import FindField from '../ui/FindField.vue';
import { useKeys } from '../ui/keys';

/** The craft and its dangers, a topic at a time; every caution and every "why" leads here. */
const route = useRoute();
const router = useRouter();
const find = ref('');
const asked = computed(() => String(route.params.topic ?? ''));
const topic = computed(() => topicOf(asked.value || TOPICS[0]!.id));
const found = computed(() => searchGuide(find.value));
const searching = computed(() => find.value.trim() !== '');
const parts = computed(() =>
  searching.value
    ? [{ id: 'found', name: found.value.length === 1 ? 'One topic says so' : `${found.value.length} topics say so`, topics: found.value }]
    : (Object.keys(GUIDE_PARTS) as GuidePart[]).map((id) => ({ id, name: GUIDE_PARTS[id], topics: TOPICS.filter((t) => t.part === id) })),
);
const list = computed(() => parts.value.flatMap((p) => p.topics));
const go = (step: number) => {
  const at = list.value.findIndex((t) => t.id === topic.value?.id);
  const next = list.value[Math.min(list.value.length - 1, Math.max(0, at + step))];
  if (next) void router.replace(`/guide/${next.id}`);
};
const side = ref<HTMLElement>();
/** The topic from its beginning, and its place in the list in sight. */
function show() {
  void nextTick(() => {
    const list = side.value;
    const here = list?.querySelector<HTMLElement>('.here');
    if (list && here) list.scrollTop = here.offsetTop - list.clientHeight / 2;
    // The page is what scrolls (App.vue's main).
    list?.closest('main')?.scrollTo(0, 0);
  });
}
watch(asked, show);
onMounted(show);
useKeys('In the guide', [
  { key: 'arrowdown', says: 'the next topic', run: () => go(1) },
  { key: 'arrowup', says: 'the topic before', run: () => go(-1) },
]);
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Guide</h1>
      <FindField v-model="find" label="Find in the guide" />
      <RouterLink class="act small push" to="/guide/try">Ten cases to try yourself on</RouterLink>
    </header>
    <div class="guide" :class="{ asked: asked && !searching }">
      <nav ref="side" class="plate list no-print" aria-label="Topics" tabindex="0">
        <p v-if="found.length === 0" class="soft none">Nothing in the guide says that. Try one word of it.</p>
        <section v-for="p in parts" v-else :key="p.id">
          <h2>{{ p.name }}</h2>
          <RouterLink
            v-for="t in p.topics"
            :key="t.id"
            :to="`/guide/${t.id}`"
            :class="{ here: topic?.id === t.id }"
            :aria-current="topic?.id === t.id ? 'page' : undefined"
            >{{ t.title }}</RouterLink
          >
        </section>
      </nav>
      <article v-if="topic" class="plate topic" :data-topic="topic.id" aria-label="Topic">
        <p class="part soft">{{ GUIDE_PARTS[topic.part] }}</p>
        <h2>{{ topic.title }}</h2>
        <div class="body" :class="{ drawn: topic.drawing }">
          <div>
            <p v-for="s in topic.says" :key="s">{{ inManner(s) }}</p>
          </div>
          <GuideDrawing v-if="topic.drawing" :of="topic.drawing" />
        </div>
        <NTable v-if="topic.facts" class="facts" :bordered="false">
          <thead>
            <tr>
              <th v-for="h in topic.facts.head" :key="h" scope="col">{{ h }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="[a, b] in topic.facts.rows" :key="a">
              <th scope="row">{{ inManner(a) }}</th>
              <td>{{ inManner(b) }}</td>
            </tr>
          </tbody>
        </NTable>
        <p v-if="topic.see?.length" class="see">
          See also
          <template v-for="(id, i) in topic.see" :key="id"
            ><RouterLink :to="`/guide/${id}`">{{ topicOf(id)?.title }}</RouterLink
            >{{ i < topic.see.length - 1 ? ' · ' : '' }}</template
          >
        </p>
        <p class="soft source">Source: {{ topic.source }}. Guidance for your own kitchen; local food law decides for what is sold.</p>
      </article>
      <article v-else class="plate topic">
        <h2>That is not in the guide</h2>
        <p>Perhaps it has another name. Find it above, or take one from the list.</p>
      </article>
    </div>
  </div>
</template>

<style scoped>
.guide {
  flex: 1;
  display: grid;
  grid-template-columns: 330px minmax(0, 1fr);
  align-items: start;
  gap: 16px;
}
/* Stays while a long topic goes by. */
.list {
  position: sticky;
  top: 12px;
  max-height: calc(100vh - 96px);
  overflow-y: auto;
  padding: 12px 14px;
}
.list h2 {
  font-size: 14px;
  color: var(--soft);
  margin: 10px 6px 2px;
}
.list a {
  display: flex;
  align-items: center;
  min-height: 34px;
  padding: 3px 8px;
  border-radius: 8px;
  text-decoration: none;
  color: var(--ink);
  line-height: 1.2;
}
.list a:hover {
  text-decoration: underline;
}
.list a.here {
  background: var(--active);
  font-weight: 700;
}
.none {
  padding: 8px;
}
.topic {
  padding: 18px 28px 22px;
}
.topic h2 {
  font-size: 27px;
  margin-bottom: 10px;
}
.part {
  margin: 0;
}
.body {
  display: grid;
  gap: 24px;
  font-size: 16px;
  line-height: 1.5;
  max-width: 820px;
}
.body.drawn {
  grid-template-columns: minmax(0, 1fr) 200px;
}
.body p {
  margin: 0 0 10px;
}
/* Rows wrap rather than reach over the side. */
.facts {
  table-layout: fixed;
  margin: 8px 0 14px;
  max-width: 820px;
  width: 100%;
}
.facts th,
.facts td {
  white-space: normal;
  overflow-wrap: anywhere;
  text-align: left;
  font-weight: 400;
  padding: 6px 14px 6px 0;
  border-bottom: 1px dashed var(--line);
  vertical-align: top;
}
.facts thead th {
  color: var(--soft);
  font-size: 13.5px;
  border-bottom: 2px solid var(--rim);
}
.facts tbody th {
  font-weight: 600;
  width: 42%;
}
.source {
  font-size: 13px;
  margin: 10px 0 0;
}
@media (max-width: 900px) {
  .guide,
  .body.drawn {
    grid-template-columns: minmax(0, 1fr);
  }
  /* Whoever was sent here reads first; whoever looks has the list. */
  .guide.asked .topic {
    order: -1;
  }
  .list {
    position: static;
    max-height: 60vh;
  }
  .list a {
    min-height: 44px;
  }
  .topic {
    padding: 14px 16px;
  }
  .topic h2 {
    font-size: 22px;
  }
}
</style>
