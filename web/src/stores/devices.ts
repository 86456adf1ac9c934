import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import type { Devices, DeviceState, StandIn, StandInState } from '@roskel/contract';
import { SILENT_MS, type Held, type Quantity } from '@roskel/core';
import { api } from '../api/client';
import { onDevice } from '../api/events';

/** A device and what it reads of one quantity. */
export interface LiveReading {
  device: DeviceState;
  held: Held;
}
const LOOK_MS = 1000;
const GONE: Held = { state: 'silent', value: null, says: 'Not heard from. Is it on, and near?' };

/** Scales, pens and thermometers that the kitchen hears, live. */
export const useDevices = defineStore('devices', () => {
  const items = ref<Record<string, DeviceState>>({});
  const standIns = ref<StandInState[]>([]);
  const port = ref<number | null>(null);
  /** When each was last heard in this window: a line to the server that is cut makes no figure true. */
  const heard: Record<string, number> = {};
  const now = ref(performance.now());
  let asked: Promise<void> | null = null;

  function hear(state: DeviceState) {
    heard[state.id] = performance.now();
    now.value = performance.now();
    items.value[state.id] = state;
  }
  onDevice(hear);
  setInterval(() => (now.value = performance.now()), LOOK_MS);

  async function refresh() {
    const all = await api.get<Devices>('/devices');
    port.value = all.port;
    standIns.value = all.standIns;
    items.value = {};
    all.devices.forEach(hear);
  }
  const load = () => (asked ??= refresh().catch((e: unknown) => ((asked = null), Promise.reject(e as Error))));

  const cut = (d: DeviceState) => now.value - (heard[d.id] ?? -Infinity) > 2 * SILENT_MS;
  const list = computed(() =>
    Object.values(items.value)
      .map((d) => (d.here && cut(d) ? { ...d, readings: d.readings.map((r) => ({ quantity: r.quantity, ...GONE })) } : d))
      .sort((a, b) => a.name.localeCompare(b.name)),
  );
  /** Every device that is here and measures it. */
  const reading = (quantity: Quantity): LiveReading[] =>
    list.value
      .filter((d) => d.here)
      .flatMap((device) => device.readings.filter((r) => r.quantity === quantity).map((held) => ({ device, held })));

  async function change(id: string, to: StandIn) {
    const state = await api.put<StandInState>(`/stand-ins/${id}`, to);
    standIns.value = standIns.value.map((s) => (s.id === id ? state : s));
  }
  const tare = (id: string) => api.post<{ done: boolean }>(`/devices/${id}/tare`, {});
  return { list, standIns, port, load, refresh, reading, change, tare };
});
