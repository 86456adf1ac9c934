<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { NButton } from 'naive-ui';
import { RouterLink } from 'vue-router';
import type { DeviceState } from '@roskel/contract';
import type { DeviceKind } from '@roskel/core';
import DevicePicture from '../devices/DevicePicture.vue';
import { liveWords } from '../devices/figures';
import StandInFields from '../devices/StandInFields.vue';
import { useDevices } from '../stores/devices';
import { useNotices } from '../stores/notices';

/** Scales, pens and thermometers that the kitchen hears, and the stand-ins to try it without one. */
const devices = useDevices();
const notices = useNotices();
const ready = ref(false);
onMounted(() =>
  devices
    .refresh()
    .catch((e: unknown) => notices.fail(e))
    .finally(() => (ready.value = true)),
);
interface Shown {
  id: string;
  kind: DeviceKind;
  name: string;
  device: DeviceState | null;
}
const shown = computed<Shown[]>(() => [
  ...devices.standIns.map((s) => ({ id: s.id, kind: s.kind, name: s.name, device: devices.list.find((d) => d.id === s.id) ?? null })),
  ...devices.list
    .filter((d) => !devices.standIns.some((s) => s.id === d.id))
    .map((d) => ({ id: d.id, kind: d.kind, name: d.name, device: d })),
]);
const standIn = (id: string) => devices.standIns.find((s) => s.id === id) ?? null;
const display = (d: DeviceState | null) => {
  const first = d?.here ? d.readings[0] : undefined;
  return first ? liveWords(first.quantity, first.value) : '';
};
/** What it reads and whether that may be taken, in a sentence. */
function says(d: DeviceState | null): string {
  if (!d?.here) return 'Not plugged in.';
  if (d.fault) return `It says: ${d.fault}.`;
  if (d.readings.length === 0) return 'Plugged in; nothing read yet.';
  const trouble = d.readings.find((r) => r.says !== '');
  const all = d.readings.map((r) => liveWords(r.quantity, r.value)).join(', ');
  return trouble ? `${all}. ${trouble.says}` : `${all}, steady.`;
}
const trouble = (d: DeviceState | null) =>
  d?.here === true && (d.fault !== null || d.readings.some((r) => !['steady', 'moving'].includes(r.state)));
const steady = (d: DeviceState | null) => d?.readings.every((r) => r.state === 'steady') === true;
</script>

<template>
  <div class="page">
    <header class="head">
      <div>
        <RouterLink class="crumb" to="/larder">Larder</RouterLink><span class="crumb"> / </span>
        <h1>Devices</h1>
      </div>
    </header>
    <p class="soft lead">
      What a scale, a pH pen or a thermometer reads is offered beside the field it belongs to: at the jar, at the pot, at the counter. It is
      taken when it stands still, and only when you say so.
    </p>
    <div v-if="ready" class="racks">
      <section v-for="s in shown" :key="s.id" class="plate device" :aria-label="s.name" :data-device="s.kind">
        <h2>{{ s.name }}</h2>
        <DevicePicture :kind="s.kind" :display="display(s.device)" :on="s.device?.here ?? false" :steady="steady(s.device)" />
        <p class="says" :class="{ trouble: trouble(s.device) }" data-fact="reads">{{ says(s.device) }}</p>
        <StandInFields v-if="standIn(s.id)" :stand-in="standIn(s.id)!" />
        <NButton v-if="s.kind === 'scale' && s.device?.here" @click="devices.tare(s.id).catch((e: unknown) => notices.fail(e))"
          >Set to zero with what lies on it</NButton
        >
        <p v-if="standIn(s.id)" class="soft small">A stand-in: it makes its figures up, from what you say it is held to.</p>
      </section>
      <section class="plate own">
        <h2>{{ shown.length ? 'One of your own' : 'No device is heard' }}</h2>
        <p v-if="devices.port === null">Devices cannot connect: their port is taken. Start Roskel with --device-port and another number.</p>
        <template v-else>
          <p>
            Any program that can open a connection can be a device: it connects to port <b>{{ devices.port }}</b> of this machine and says
            lines of text.
          </p>
          <pre>
hello 1 scale my-scale Kitchen scale
read mass 412.5 g
read mass 412.5 g</pre>
          <p class="soft small">
            A pen says "read pH 3.82 temp 21.4 C", a thermometer "read temp 70.5 F". The whole of it stands in docs/formats/devices.md.
          </p>
        </template>
        <p class="soft small">
          A pen that is one of your meters counts with its last calibration: say so under
          <RouterLink to="/larder/tools">Things of the kitchen</RouterLink>.
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.lead {
  margin: 0;
  max-width: 820px;
}
.racks {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(268px, 1fr));
  gap: 16px;
  align-items: start;
}
.device,
.own {
  padding: 14px 18px;
  display: grid;
  gap: 8px;
  min-width: 0;
}
.device p,
.own p {
  margin: 0;
}
.says {
  min-height: 42px;
}
.says.trouble {
  background: var(--warn-plate);
  border: 1.5px solid var(--warn);
  border-radius: 10px;
  padding: 6px 10px;
}
.small {
  font-size: 13px;
}
pre {
  margin: 0;
  padding: 10px 12px;
  background: var(--ground);
  border-radius: 10px;
  white-space: pre-wrap;
  font-size: 13px;
}
</style>
