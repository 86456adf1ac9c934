<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { api } from '../api/client';
import { qrModules } from '../labels/qr';
import { useNotices } from '../stores/notices';
import KeepHere from './KeepHere.vue';
import { useHouse } from './useHouse';
import { forgetOnDevice } from './keepOnDevice';

/** Where a phone in the house finds this kitchen, and the way out of it. */
const notices = useNotices();
const house = useHouse();
const chosen = ref(0);
watch(house, () => (chosen.value = 0));
const address = computed(() => house.value?.addresses[chosen.value] ?? null);
const cells = computed(() => {
  const rows = address.value ? qrModules(address.value) : [];
  return { size: rows.length, d: rows.flatMap((row, y) => row.flatMap((on, x) => (on ? [`M${x} ${y}h1v1h-1z`] : []))).join('') };
});
async function leave() {
  try {
    await forgetOnDevice();
    await api.post('/leave', {});
    location.assign('/enter');
  } catch (e) {
    notices.fail(e);
  }
}
</script>

<template>
  <template v-if="house">
    <h3>In the house</h3>
    <p v-if="house.kitchen" class="soft">This kitchen is called {{ house.kitchen }}, on a server that may have others.</p>
    <p v-if="!house.open" class="soft">
      Only this machine comes in. To let a phone or a tablet in: set a passphrase (npm run passphrase), then start with --open.
    </p>
    <div v-else class="door">
      <svg v-if="address" :viewBox="`-2 -2 ${cells.size + 4} ${cells.size + 4}`" role="img" :aria-label="`QR code of ${address}`">
        <rect x="-2" y="-2" :width="cells.size + 4" :height="cells.size + 4" fill="#fff" />
        <path :d="cells.d" fill="#000" />
      </svg>
      <div>
        <p v-for="(a, i) in house.addresses" :key="a">
          <NButton text class="link" :aria-pressed="i === chosen" @click="chosen = i">{{ a }}</NButton>
        </p>
        <p class="soft">
          On a phone in the same network, with the passphrase. Plain HTTP: whoever listens in the network can read it, so not in a network
          of strangers.
        </p>
        <p><NButton @click="leave">Leave on this device</NButton></p>
      </div>
    </div>
  </template>
  <KeepHere />
</template>

<style scoped>
.door {
  display: flex;
  gap: 16px;
  align-items: start;
}
svg {
  width: 132px;
  flex: none;
  border: 1px solid var(--line);
  border-radius: 8px;
}
p {
  margin: 0 0 6px;
}
</style>
