<script setup lang="ts">
import { computed, reactive, watch } from 'vue';
import { NButton } from 'naive-ui';
import { useOpenBatch } from '../stores/openBatch';
import RadioCards from '../ui/RadioCards.vue';
import SheetCard from '../ui/SheetCard.vue';
import { typing } from '../ui/typing';
import { sayValue, wordsOf } from './words';

const batch = useOpenBatch();
const TEXT: Partial<Record<typeof batch.state, string>> = {
  saved: 'Saved',
  waiting: 'Saving',
  saving: 'Saving',
  offline: 'Not stored yet: the server does not answer. Your work is kept here and stored as soon as it does.',
  refused: 'Not stored yet.',
};
const text = computed(() =>
  batch.state === 'saved' && typing.value ? 'Not saved yet: press Enter or leave the field' : (TEXT[batch.state] ?? ''),
);
/** Every reason, with the step it belongs to: its field may be on another panel. */
const elsewhere = computed(() =>
  batch.refused.map((t) => {
    const at = /^stations\/(\d+)\//.exec(t.path);
    const name = at && batch.report?.stations[Number(at[1])]?.name;
    return name ? `${name}: ${t.message}` : t.message;
  }),
);
const choices = reactive<Record<string, 'mine' | 'theirs' | null>>({});
const clashes = computed(() =>
  batch.clashes.map((c) => {
    const key = c.path.join('/');
    return {
      c,
      key,
      title: batch.file ? wordsOf(batch.file, c.path) : key,
      options: [
        { value: 'mine' as const, title: sayValue(c.after), says: 'typed here' },
        { value: 'theirs' as const, title: sayValue(c.now), says: 'from the other window' },
      ],
    };
  }),
);
watch(clashes, (list) => list.forEach((c) => (choices[c.key] ??= null)), { immediate: true });
const open = computed(() => clashes.value.some((c) => !choices[c.key]));
function settle() {
  batch.settle(clashes.value.filter((c) => choices[c.key] === 'mine').map((c) => c.c));
  for (const key of Object.keys(choices)) choices[key] = null;
}
</script>

<template>
  <div>
    <span class="save soft" :class="batch.state" role="status"
      >{{ text }}<template v-if="elsewhere.length"> {{ elsewhere.join(' ') }}</template></span
    >
    <SheetCard :show="batch.state === 'stale'" title="Changed in two windows" :width="560" must>
      <p>Both windows changed the same thing. Nothing is lost: say which one goes on. All other changes are together already.</p>
      <section v-for="c in clashes" :key="c.key" class="clash">
        <h3>{{ c.title.replace(/^./, (x) => x.toUpperCase()) }}</h3>
        <RadioCards v-model="choices[c.key]!" :label="c.title" :columns="2" :options="c.options" />
      </section>
      <NButton type="primary" :disabled="open" @click="settle">Go on with these</NButton>
    </SheetCard>
  </div>
</template>

<style scoped>
.save {
  font-size: 13.5px;
  max-width: 300px;
  line-height: 1.25;
  display: block;
}
.offline,
.refused {
  color: var(--warn);
  font-weight: 600;
}
.clash {
  margin: 10px 0 14px;
}
h3 {
  font-size: 15px;
  margin-bottom: 6px;
}
</style>
