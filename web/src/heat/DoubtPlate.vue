<script setup lang="ts">
import { oddsText } from '@roskel/core';
import { computed } from 'vue';
import type { Doubt, Remedy } from '@roskel/core';

/** Where the blur comes from, largest first, and what would shrink it. */
const props = defineProps<{ doubts: readonly Doubt[]; remedies: readonly Remedy[]; now: number }>();
const COLOURS: Record<Doubt['what'], string> = { lot: 'var(--heat)', pods: 'var(--orange)', knife: 'var(--straw)', way: 'var(--faint)' };
const top = computed(() => props.doubts.filter((d) => d.share > 0.02).slice(0, 3));
const useful = computed(() => props.remedies.filter((r) => r.odds > props.now && oddsText(r.odds) !== oddsText(props.now)).slice(0, 2));
</script>

<template>
  <div class="doubt">
    <h2>How sure</h2>
    <p v-if="doubts.length === 0" class="soft">Nothing hot is in the mix yet.</p>
    <template v-else>
      <div class="bar" aria-hidden="true">
        <i v-for="(d, i) in doubts" :key="i" :style="{ width: `${100 * d.share}%`, background: COLOURS[d.what] }" />
      </div>
      <ul>
        <li v-for="(d, i) in top" :key="i">
          <i :style="{ background: COLOURS[d.what] }" />{{ d.says }} <b>{{ Math.max(1, Math.round(100 * d.share)) }} in 100</b>
        </li>
      </ul>
      <p v-for="r in useful" :key="r.what" class="soft" data-fact="remedy">
        {{ r.says }}: <b>{{ oddsText(r.odds) }}</b> instead of {{ oddsText(now) }}.
      </p>
      <p v-if="useful.length === 0" class="soft">More tasting would move it; the odds are as good as the middle allows.</p>
    </template>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  height: 12px;
  border-radius: 6px;
  overflow: hidden;
  margin: 4px 0;
}
.bar i {
  display: block;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  font-size: 13.5px;
}
li i {
  display: inline-block;
  width: 9px;
  height: 9px;
  border-radius: 3px;
  margin-right: 7px;
}
li {
  line-height: 1.3;
}
p {
  margin: 3px 0 0;
  font-size: 13.5px;
  line-height: 1.3;
}
</style>
