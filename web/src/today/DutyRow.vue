<script setup lang="ts">
import { computed } from 'vue';
import { NButton } from 'naive-ui';
import { RouterLink } from 'vue-router';
import { due, inManner, plural } from '../format';
import type { DutyOf } from '../stores/today';
import TickField from '../ui/TickField.vue';

/** What one jar, pot or bowl asks for: each thing with its tick or its button, until when; all of it put off at once. */
const props = defineProps<{ duties: readonly DutyOf[]; chosen: boolean }>();
const emit = defineEmits<{ act: [duty: DutyOf]; later: [] }>();
const VERB = { read: 'Read', look: 'Look' } as const;
/** What to do, without how: that is told where the finger rests, and on the station's page. */
const short = (text: string) => inManner(text).split(':')[0]!;
const first = computed(() => props.duties[0]!);
const minutes = computed(() => props.duties.reduce((s, d) => s + d.minutes, 0));
</script>

<template>
  <li :class="{ chosen }" :data-row="`${first.batchId} ${first.stationId}`">
    <div class="top">
      <RouterLink class="batch" :to="{ name: 'batch', params: { id: first.batchId }, query: { at: first.stationId } }">{{
        first.batch
      }}</RouterLink>
      <span class="soft">{{ first.station }}</span>
      <span class="when"
        ><b :class="{ late: due(first.due).late }">{{ due(first.due).text }}</b
        ><span class="soft">, {{ plural(minutes, 'minute') }}</span></span
      >
      <NButton text class="link no-print" :aria-label="`${first.batch}, ${first.station}: later`" @click="emit('later')">later</NButton>
    </div>
    <div class="duties">
      <div v-for="d in duties" :key="d.id" class="duty" :class="d.does" :data-duty="d.does">
        <TickField
          v-if="d.does === 'tick'"
          :label="short(d.text)"
          :title="`${inManner(d.text)}. ${inManner(d.why)}`"
          :model-value="false"
          :aria-label="`${d.text}, ${d.batch}: done`"
          @update:model-value="emit('act', d)"
        />
        <template v-else-if="d.does === 'work'">
          <NButton size="small" :aria-label="`Go to it: ${d.text}, ${d.batch}`" @click="emit('act', d)">Go to it</NButton>
          <span
            ><b>{{ inManner(d.text) }}</b
            ><span class="soft why">{{ inManner(d.why) }}</span></span
          >
        </template>
        <NButton
          v-else
          size="small"
          type="primary"
          :title="inManner(d.why)"
          :aria-label="`${VERB[d.does]}: ${d.text}, ${d.batch}`"
          @click="emit('act', d)"
          >{{ short(d.text) }}</NButton
        >
      </div>
    </div>
  </li>
</template>

<style scoped>
li {
  padding: 5px 8px 7px;
  border-bottom: 1px dashed var(--line);
  border-left: 4px solid transparent;
}
li.chosen {
  border-left-color: var(--heat);
  background: var(--active);
}
.top {
  display: flex;
  align-items: baseline;
  gap: 2px 8px;
  flex-wrap: wrap;
}
.batch {
  font-weight: 700;
  color: var(--rim);
}
.when {
  margin-left: auto;
}
.top .soft,
.when,
.why {
  font-size: 14px;
}
.duties {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 16px;
}
.duty {
  display: flex;
  align-items: center;
  gap: 10px;
  line-height: 1.25;
}
.duty.work {
  flex-basis: 100%;
}
.duty :deep(.tick) {
  min-height: 36px;
}
.why {
  display: block;
}
.late {
  color: var(--warn);
}
@media (max-width: 720px) {
  .batch {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
  }
  .duty :deep(.tick) {
    min-height: 44px;
  }
  .top > .soft {
    display: none;
  }
}
</style>
