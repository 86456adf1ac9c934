<script setup lang="ts">
import { computed } from 'vue';
import { AUTHORITY_PATH, type House } from '@roskel/contract';
import SheetCard from '../ui/SheetCard.vue';
import QrCode from '../ui/QrCode.vue';

/** How a phone is told to trust this kitchen's own certificate, in three pictures. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ house: House }>();
const plain = computed(() => `${props.house.addresses[0]}${AUTHORITY_PATH}`);
const secure = computed(() => props.house.secure[0] ?? '');
</script>

<template>
  <SheetCard v-model:show="show" title="A phone that trusts this kitchen" :width="760">
    <p>
      Over TLS nobody in the network reads along, and a phone may do more: keep the screen awake, go on when the server is away, tell you of
      a timer. This kitchen made its certificate itself, so each phone is told once to trust it.
    </p>
    <ol>
      <li>
        <QrCode :text="plain" />
        <p>
          <b>Fetch it.</b> Scan this with the phone's camera, or open <a :href="plain">{{ plain }}</a>. The file is called house.crt.
        </p>
      </li>
      <li>
        <svg class="phone" viewBox="0 0 120 120" aria-hidden="true">
          <rect x="32" y="6" width="56" height="108" rx="9" />
          <path d="M40 26 h40 M40 40 h26" />
          <rect x="40" y="52" width="40" height="16" rx="4" class="on" />
          <path d="M46 60 l5 5 l9 -10" class="tick" />
          <path d="M40 82 h40 M40 96 h30" />
        </svg>
        <p>
          <b>Install it.</b> In the phone's settings look for "certificate", and install house.crt as a certificate authority. Some phones
          offer it as a profile that was loaded, and want it switched on once more where trusted certificates are listed.
        </p>
      </li>
      <li>
        <QrCode :text="secure" />
        <p>
          <b>Open the kitchen</b> at <a :href="secure">{{ secure }}</a>, say the passphrase, and put it on the home screen.
        </p>
      </li>
    </ol>
    <p class="soft">
      Trust it on devices of this house only, and take it off a phone that leaves it: whoever holds this kitchen's data folder could speak
      for other addresses too. The key never leaves that folder and is in no backup.
    </p>
  </SheetCard>
</template>

<style scoped>
ol {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 12px 20px;
  margin: 10px 0;
  padding: 0;
  list-style-position: inside;
}
li > :first-child {
  width: 132px;
  height: 132px;
}
p {
  margin: 0 0 6px;
  overflow-wrap: anywhere;
}
.phone {
  display: block;
}
.phone rect,
.phone path {
  fill: none;
  stroke: var(--rim);
  stroke-width: 2.5;
  stroke-linecap: round;
}
.phone .on {
  fill: var(--active);
}
.phone .tick {
  stroke: var(--heat);
}
</style>
