<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { api } from '../api/client';
import { lazySheet } from '../ui/lazySheet';
import QrCode from '../ui/QrCode.vue';
import { useNotices } from '../stores/notices';
import KeepHere from './KeepHere.vue';
import { useHouse } from './useHouse';
import { forgetOnDevice } from './keepOnDevice';

/** Where a phone in the house finds this kitchen, and the way out of it. */
const notices = useNotices();
const house = useHouse();
const chosen = ref(0);
watch(house, () => (chosen.value = 0));
const addresses = computed(() => [...(house.value?.secure ?? []), ...(house.value?.addresses ?? [])]);
const address = computed(() => addresses.value[chosen.value] ?? null);
const TrustSheet = lazySheet(() => import('./TrustSheet.vue'));
const trust = ref(false);
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
      <QrCode v-if="address" class="code" :text="address" />
      <div>
        <p v-for="(a, i) in addresses" :key="a">
          <NButton text class="link" :aria-pressed="i === chosen" @click="chosen = i">{{ a }}</NButton>
        </p>
        <p class="soft">
          On a phone in the same network, with the passphrase.
          {{ house.secure.length ? 'At https nobody reads along, once the phone trusts this kitchen. Over plain' : 'Plain' }} HTTP: whoever
          listens in the network can read it, so not in a network of strangers.
        </p>
        <p v-if="house.secure.length"><NButton @click="trust = true">How a phone trusts it</NButton></p>
        <p><NButton @click="leave">Leave on this device</NButton></p>
      </div>
    </div>
  </template>
  <KeepHere :secure="house?.secure[0] ?? null" />
  <TrustSheet v-if="house?.secure.length" v-model:show="trust" :house="house" />
</template>

<style scoped>
.door {
  display: flex;
  gap: 16px;
  align-items: start;
}
.code {
  width: 132px;
  flex: none;
}
p {
  margin: 0 0 6px;
}
</style>
