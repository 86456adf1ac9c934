import { ref } from 'vue';

/** Whether an alarm can be heard: not asked yet, ready, or held back by the browser until the page is tapped. */
export const sound = ref<'unknown' | 'ready' | 'blocked'>('unknown');

let audio: AudioContext | null = null;
/** Ends what rings, or waits for its turn; undefined while nothing does. */
let end: AbortController | undefined;
/** From one ring to the next, ms. */
const AGAIN_MS = 2500;

/** Makes sound ready. A browser allows it from within a tap; without one it says whether it is held back. */
export async function readySound(): Promise<void> {
  try {
    audio ??= new AudioContext();
    // A browser that holds it back leaves this open for ever.
    await Promise.race([audio.resume(), new Promise((done) => setTimeout(done, 300))]);
    sound.value = audio.state === 'running' ? 'ready' : 'blocked';
  } catch {
    sound.value = 'blocked';
  }
}

/** Three rising tones, by the browser itself: no file, no network. */
function tones(): void {
  // Like the sound: a page that nobody has tapped yet may not.
  if (navigator.userActivation?.hasBeenActive !== false) navigator.vibrate?.([300, 150, 300]);
  if (audio?.state !== 'running') return;
  const at = audio.currentTime;
  [660, 880, 1100].forEach((hz, n) => {
    const tone = audio!.createOscillator();
    const loud = audio!.createGain();
    tone.frequency.value = hz;
    loud.gain.setValueAtTime(0.25, at + n * 0.35);
    loud.gain.exponentialRampToValueAtTime(0.001, at + n * 0.35 + 0.3);
    tone.connect(loud).connect(audio!.destination);
    tone.start(at + n * 0.35);
    tone.stop(at + n * 0.35 + 0.32);
  });
}

/** Asks once whether the browser may tell of it over other windows; where it may not, the bar and the sound do. */
export function askToNotify(): void {
  if (globalThis.isSecureContext && globalThis.Notification?.permission === 'default')
    void Notification.requestPermission().catch(() => undefined);
}

function told(text: string): void {
  try {
    if (globalThis.Notification?.permission === 'granted') new Notification('Roskel', { body: text, tag: 'roskel-timer' });
  } catch {
    // Some browsers allow notifications to a service worker only: the bar and the sound say it.
  }
}

/** Rings until it is told to stop. Of several windows of a browser one rings; where it is closed the next takes over. */
export function startRinging(text: string): void {
  told(text);
  if (end) return;
  const mine = new AbortController();
  end = mine;
  const { locks } = navigator;
  // Over plain HTTP a browser has no locks: then each window rings.
  if (locks) void locks.request('roskel-ring', { signal: mine.signal }, () => ringing(mine.signal)).catch(() => undefined);
  else void ringing(mine.signal);
}
function ringing(stop: AbortSignal): Promise<void> {
  const loop = setInterval(tones, AGAIN_MS);
  void readySound().then(() => stop.aborted || tones());
  return new Promise((done) =>
    stop.addEventListener('abort', () => {
      clearInterval(loop);
      done();
    }),
  );
}
export function stopRinging(): void {
  end?.abort();
  end = undefined;
}
