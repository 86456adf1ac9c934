<script setup lang="ts">
import { computed, onMounted } from 'vue';
import { NButton } from 'naive-ui';
import { useDevices } from '../stores/devices';
import { useNotices } from '../stores/notices';
import { liveWords } from './figures';

/** What the devices of the house read, in figures for across the kitchen. */
const devices = useDevices();
const notices = useNotices();
onMounted(() => void devices.load().catch(() => undefined));
const here = computed(() => devices.list.filter((d) => d.here));
</script>

<template>
  <section v-if="here.length" class="plate live" aria-label="Devices">
    <div v-for="d in here" :key="d.id" class="row" :data-device="d.kind">
      <span v-for="r in d.readings" :key="r.quantity" class="figure" :class="{ still: r.state === 'steady' }">{{
        liveWords(r.quantity, r.value)
      }}</span>
      <NButton v-if="d.kind === 'scale'" size="small" @click="devices.tare(d.id).catch((e: unknown) => notices.fail(e))">Zero</NButton>
      <span class="soft name">{{ d.name }}{{ d.fault ? `: ${d.fault}` : '' }}</span>
    </div>
  </section>
</template>

<style scoped>
.live {
  padding: 10px 18px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 12px;
}
.figure {
  font-size: 28px;
  font-weight: 600;
  color: var(--soft);
}
.figure.still {
  color: var(--ink);
}
.name {
  flex-basis: 100%;
  font-size: 13px;
}
/* On a phone the step comes first: the devices are one line above it. */
@media (max-width: 900px) {
  .live {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 18px;
    padding: 8px 14px;
  }
  .figure {
    font-size: 19px;
  }
  .name {
    display: none;
  }
}
</style>
