<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, reactive, ref, toRef } from 'vue';
import type { ReaderAnswers } from '@roskel/core';
import ListReader from './ListReader.vue';
import SheetCard from '../ui/SheetCard.vue';
import DraftBar from '../ui/DraftBar.vue';
import { useDraft } from '../ui/useDraft';

/** A pasted list, read and taken over at once. Pods in it are left to the pod store. */
const show = defineModel<boolean>('show', { required: true });
defineProps<{ verb: string }>();
const emit = defineEmits<{ take: [items: { id: string; name: string; massG: number; words: string }[]] }>();
const blank = () => ({ text: '', answers: {} as ReaderAnswers });
const form = reactive(blank());
const text = toRef(form, 'text');
const answers = toRef(form, 'answers');
const draft = useDraft(() => 'list', form, blank, toRef(show));
const reader = ref<InstanceType<typeof ListReader> | null>(null);
const ready = computed(() => (reader.value?.read ?? []).filter((i) => i.store === 'larder'));
const pods = computed(() => (reader.value?.read ?? []).filter((i) => i.store === 'pods'));
function take() {
  emit(
    'take',
    ready.value.map((i) => ({ id: i.id!, name: i.name, massG: i.massG!, words: i.text.slice(0, 80) })),
  );
  // What was not taken (still asked, or pods) stays in sight.
  const left = new Set([...(reader.value?.open ?? []), ...pods.value].map((i) => i.text));
  text.value = text.value
    .split(/\r?\n/)
    .filter((l) => left.has(l.trim()))
    .join('\n');
  if (text.value === '') show.value = false;
}
</script>

<template>
  <SheetCard v-model:show="show" title="Paste a list" :width="680">
    <DraftBar :show="draft.takenUp.value" @anew="draft.anew" />
    <ListReader ref="reader" v-model="text" v-model:answers="answers" />
    <p v-if="pods.length" class="soft">{{ pods.map((p) => p.name).join(', ') }}: pods and flakes go into the pod store, not here.</p>
    <NButton type="primary" :disabled="ready.length === 0" @click="take">{{ verb }}, {{ ready.length }}</NButton>
  </SheetCard>
</template>
