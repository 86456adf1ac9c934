import { onBeforeUnmount, onMounted, ref } from 'vue';

/** Keeps the screen awake while a page is shown, where the browser can; taken again when one comes back to it. */
export function useAwake() {
  const awake = ref(false);
  let lock: WakeLockSentinel | null = null;
  async function take() {
    if (document.visibilityState !== 'visible') return;
    try {
      lock = (await navigator.wakeLock?.request('screen')) ?? null;
      awake.value = lock !== null;
      lock?.addEventListener('release', () => (awake.value = false));
    } catch {
      awake.value = false;
    }
  }
  const back = () => void take();
  onMounted(() => {
    void take();
    document.addEventListener('visibilitychange', back);
  });
  onBeforeUnmount(() => {
    document.removeEventListener('visibilitychange', back);
    void lock?.release();
  });
  return awake;
}
