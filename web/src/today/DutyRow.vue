<script setup lang="ts">
import { NButton } from 'naive-ui';
import { due, inManner, plural } from '../format';
import type { DutyOf } from '../stores/today';
import TickField from '../ui/TickField.vue';

/** One duty: what, of which batch, why, until when; done by one tap, or put off. */
defineProps<{ duty: DutyOf; chosen: boolean }>();
const emit = defineEmits<{ act: []; later: [] }>();
const VERB = { read: 'Read', look: 'Look', work: 'Go to it' } as const;
</script>

<template>
  <li :class="{ chosen }" :data-duty="duty.does">
    <TickField
      v-if="duty.does === 'tick'"
      class="do"
      :label="`${duty.text}, ${duty.batch}: done`"
      hide-label
      :model-value="false"
      @update:model-value="emit('act')"
    />
    <NButton
      v-else
      class="do"
      size="small"
      :type="duty.does === 'work' ? 'default' : 'primary'"
      :aria-label="`${VERB[duty.does]}: ${duty.text}, ${duty.batch}`"
      @click="emit('act')"
      >{{ VERB[duty.does] }}</NButton
    >
    <span class="says">
      <b>{{ inManner(duty.text) }}</b> <span class="batch">{{ duty.batch }}</span>
      <span class="soft">{{ inManner(duty.why) }}</span>
    </span>
    <span class="when">
      <b :class="{ late: due(duty.due).late }">{{ due(duty.due).text }}</b>
      <span class="soft">{{ plural(duty.minutes, 'minute') }}</span>
    </span>
    <NButton text class="link" :aria-label="`${duty.text}, ${duty.batch}: later`" @click="emit('later')">later</NButton>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr) auto auto;
  gap: 4px 12px;
  align-items: center;
  padding: 5px 6px;
  border-bottom: 1px dashed var(--line);
  border-left: 4px solid transparent;
}
li.chosen {
  border-left-color: var(--heat);
  background: var(--active);
}
.says span {
  line-height: 1.3;
}
.says .soft {
  display: block;
  font-size: 14px;
}
.batch {
  color: var(--rim);
  margin-left: 6px;
}
.when {
  text-align: right;
  font-size: 14px;
}
.when .soft {
  display: block;
  font-size: 13px;
}
.late {
  color: var(--warn);
}
@media (max-width: 720px) {
  li {
    grid-template-columns: 76px minmax(0, 1fr) auto;
  }
  .when {
    grid-column: 2;
    text-align: left;
  }
  .when .soft {
    display: inline;
    margin-left: 8px;
  }
}
</style>
