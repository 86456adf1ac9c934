<script setup lang="ts">
import { inManner } from '../format';
import { NFormItem } from 'naive-ui';

/**
 * A field with its name above and what is wrong below: how every field of the house stands. `hint` is what is likely to
 * stand in it, beside the name: in an empty field it would read as a value.
 */
defineProps<{ label: string; forId: string; problem?: string | null; hideLabel?: boolean; hint?: string }>();
</script>

<template>
  <NFormItem
    class="labelled"
    size="small"
    :show-label="false"
    :show-feedback="false"
    :validation-status="problem ? 'error' : undefined"
    :class="{ wrong: problem }"
  >
    <div class="inner">
      <div class="name">
        <label :for="forId" :class="{ 'visually-hidden': hideLabel }">{{ label }}</label>
        <span v-if="hint && !hideLabel" :id="`${forId}-h`" class="hint">{{ hint }}</span>
      </div>
      <slot />
      <p v-if="problem" :id="`${forId}-e`" class="field-error" role="alert">{{ inManner(problem) }}</p>
      <slot v-else name="below" />
    </div>
  </NFormItem>
</template>

<style scoped>
.labelled {
  min-width: 0;
}
.inner {
  flex: 1;
  min-width: 0;
}
.name {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  column-gap: 8px;
  font-size: 13px;
  line-height: 1.4;
  color: var(--soft);
}
.hint {
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}
p {
  margin: 2px 0 0;
}
</style>
