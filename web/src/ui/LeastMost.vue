<script setup lang="ts">
import { NPopover } from 'naive-ui';
import { IconAdjustments } from '@tabler/icons-vue';

/** At least and at most so much of a thing: a small button with two fields behind it. */
defineProps<{ name: string; unit: string }>();
const least = defineModel<number | null>('least', { required: true });
const most = defineModel<number | null>('most', { required: true });
function read(e: Event): number | null {
  const text = (e.target as HTMLInputElement).value.trim().replace(',', '.');
  return /^\d*\.?\d+$/.test(text) ? Number(text) : null;
}
</script>

<template>
  <NPopover trigger="click" placement="bottom">
    <template #trigger>
      <button
        type="button"
        class="bare more"
        :class="{ on: least !== null || most !== null }"
        :aria-label="`${name}, at least and at most`"
      >
        <IconAdjustments :size="18" stroke="1.7" />
      </button>
    </template>
    <div class="bounds">
      <label>At least, {{ unit }}<input class="entry" :value="least ?? ''" inputmode="decimal" @change="least = read($event)" /></label>
      <label>At most, {{ unit }}<input class="entry" :value="most ?? ''" inputmode="decimal" @change="most = read($event)" /></label>
    </div>
  </NPopover>
</template>

<style scoped>
.more {
  flex: none;
  width: 28px;
  min-width: 28px;
  min-height: 32px;
  display: grid;
  place-items: center;
  color: var(--soft);
}
.more.on {
  color: var(--heat);
}
.bounds {
  display: grid;
  grid-template-columns: 110px 110px;
  gap: 8px;
}
.bounds label {
  font-size: 13px;
  color: var(--soft);
}
</style>
