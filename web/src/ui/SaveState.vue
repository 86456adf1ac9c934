<script setup lang="ts">
import { computed } from 'vue';
import { NModal } from 'naive-ui';
import { useOpenBatch } from '../stores/openBatch';

const batch = useOpenBatch();
const TEXT: Partial<Record<typeof batch.state, string>> = {
  saved: 'Saved',
  waiting: 'Saving',
  saving: 'Saving',
  offline: 'Not stored yet: the server does not answer. Your work is kept here and stored as soon as it does.',
  refused: 'Not stored yet.',
};
/** Every reason, with the step it belongs to: its field may be on another panel. */
const elsewhere = computed(() =>
  batch.refused.map((t) => {
    const at = /^stations\/(\d+)\//.exec(t.path);
    const name = at && batch.report?.stations[Number(at[1])]?.name;
    return name ? `${name}: ${t.message}` : t.message;
  }),
);
</script>

<template>
  <div>
    <span class="save soft" :class="batch.state" role="status"
      >{{ TEXT[batch.state] ?? '' }}<template v-if="elsewhere.length"> {{ elsewhere.join(' ') }}</template></span
    >
    <NModal
      :show="batch.state === 'stale'"
      preset="card"
      :closable="false"
      :mask-closable="false"
      title="Changed in another window"
      style="width: 500px; max-width: 94vw"
    >
      <p>This batch was saved elsewhere after you opened it. Nothing is lost: choose which one goes on.</p>
      <div class="two">
        <button type="button" class="act main" @click="batch.keepMine()">Keep what I typed here</button>
        <button type="button" class="act" @click="batch.takeTheirs()">Take the other one</button>
      </div>
    </NModal>
  </div>
</template>

<style scoped>
.save {
  font-size: 13.5px;
  max-width: 300px;
  line-height: 1.25;
}
.offline,
.refused {
  color: var(--warn);
  font-weight: 600;
}
.two {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
</style>
