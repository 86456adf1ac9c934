<script setup lang="ts">
import { computed } from 'vue';
import { fieldWords } from '@roskel/contract';
import { useOpenBatch } from '../stores/openBatch';
import ClashSheet from '../ui/ClashSheet.vue';
import { NOT_STORED } from '../ui/notStored';
import { typing } from '../ui/typing';
import { sayValue } from './words';

const batch = useOpenBatch();
const TEXT: Partial<Record<typeof batch.state, string>> = {
  saved: 'Saved',
  waiting: 'Saving',
  saving: 'Saving',
  offline: NOT_STORED,
  refused: 'Not stored yet.',
};
const text = computed(() =>
  batch.state === 'saved' && typing.value ? 'Not saved yet: press Enter or leave the field' : (TEXT[batch.state] ?? ''),
);
/** Every reason, with the step it belongs to: its field may be on another panel. */
const elsewhere = computed(() =>
  batch.refused.map((t) => {
    const at = /^strands\/(\d+)\/stations\/(\d+)/.exec(t.path);
    const id = at && batch.file?.strands[Number(at[1])]?.stations[Number(at[2])]?.id;
    const name = id && batch.report?.stations.find((s) => s.id === id)?.name;
    return name ? `${name}: ${t.message}` : t.message;
  }),
);
const clashes = computed(() =>
  batch.clashes.map((c) => ({
    key: c.path.join('/'),
    title: batch.file ? fieldWords(batch.file, c.path) : c.path.join(' '),
    mine: sayValue(c.after),
    theirs: sayValue(c.now),
  })),
);
const settle = (mine: string[]) => batch.settle(batch.clashes.filter((c) => mine.includes(c.path.join('/'))));
</script>

<template>
  <div>
    <span class="save soft" :class="batch.state" role="status"
      >{{ text }}<template v-if="elsewhere.length"> {{ elsewhere.join(' ') }}</template></span
    >
    <ClashSheet :show="batch.state === 'stale'" :clashes="clashes" @settle="settle" />
  </div>
</template>

<style scoped>
.save {
  font-size: 13px;
  line-height: 1.2;
  display: block;
  text-align: right;
  /* As wide whatever it says, and never taller than the head: a click must not miss what moved away under it. */
  width: 164px;
}
.offline,
.refused {
  width: auto;
  max-width: 300px;
  text-align: left;
  color: var(--warn);
  font-weight: 600;
}
</style>
