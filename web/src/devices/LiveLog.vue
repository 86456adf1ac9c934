<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref } from 'vue';
import { NButton } from 'naive-ui';
import { degrees, plural } from '../format';
import { useDevices } from '../stores/devices';

/** Writes down what a thermometer reads, every few seconds, for as long as it is left to. */
/** `free`: there is nothing that a new log would overwrite. */
defineProps<{ free: boolean }>();
const emit = defineEmits<{ row: [min: number, c: number]; begin: [] }>();
const EVERY_MS = 5000;
const devices = useDevices();
onMounted(() => void devices.load().catch(() => undefined));
const probe = computed(() => devices.reading('temp').find((r) => r.device.kind === 'thermometer') ?? devices.reading('temp')[0] ?? null);
/** A figure that moves is what a heating is; one that cannot be, or is not heard, is none. */
const good = computed(() => (probe.value && ['steady', 'moving'].includes(probe.value.held.state) ? probe.value.held.value : null));
const since = ref<number | null>(null);
const rows = ref(0);
let timer: ReturnType<typeof setInterval> | undefined;
function look() {
  if (since.value === null || good.value === null) return;
  emit('row', (performance.now() - since.value) / 60_000, good.value);
  rows.value++;
}
function toggle() {
  clearInterval(timer);
  if (since.value !== null) {
    since.value = null;
    return;
  }
  since.value = performance.now();
  rows.value = 0;
  emit('begin');
  look();
  timer = setInterval(look, EVERY_MS);
}
onUnmounted(() => clearInterval(timer));
</script>

<template>
  <div v-if="(probe && free) || since !== null" class="log" data-live="log">
    <NButton :type="since === null ? 'default' : 'primary'" @click="toggle">{{
      since === null ? `Write down what ${probe?.device.name ?? 'it'} reads` : 'Stop writing down'
    }}</NButton>
    <span class="soft">{{
      since === null
        ? degrees(probe?.held.value ?? 0, 1)
        : good === null
          ? 'It is not heard, or reads what cannot be: nothing is written down.'
          : `${degrees(good, 1)}, ${plural(rows, 'row')} so far. Leave this open.`
    }}</span>
  </div>
</template>

<style scoped>
.log {
  display: grid;
  gap: 4px;
  justify-items: start;
}
</style>
