<script setup lang="ts">
import { inManner } from '../format';
import { NFormItem } from 'naive-ui';

/** A field with its name above and what is wrong below: how every field of the house stands. */
defineProps<{ label: string; forId: string; problem?: string | null; hideLabel?: boolean }>();
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
      <label :for="forId" :class="{ 'visually-hidden': hideLabel }">{{ label }}</label>
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
label {
  display: block;
  font-size: 13px;
  line-height: 1.4;
  color: var(--soft);
}
p {
  margin: 2px 0 0;
}
</style>
