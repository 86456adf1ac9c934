import { computed, ref, watchEffect } from 'vue';
import { colourSheet, DARK, LIGHT, type Colours } from '../theme';
import { keepHere, readHere } from './keepHere';

/** How this screen is lit: as its system says, or as its maker does. It belongs to the device, not to the kitchen. */
export const LOOKS = ['system', 'light', 'dark'] as const;
export type Look = (typeof LOOKS)[number];
const KEEP = 'roskel-look';
const kept = readHere<Look>(KEEP);
export const look = ref<Look>(kept && LOOKS.includes(kept) ? kept : 'system');

/** A media query that is followed. */
function media(query: string) {
  const list = window.matchMedia(query);
  const on = ref(list.matches);
  list.addEventListener('change', (e) => (on.value = e.matches));
  return on;
}
const night = media('(prefers-color-scheme: dark)');
/** Paper is white whatever the screen is. */
export const printing = media('print');
/** The system paints in colours of its own: then its ground decides. */
const forced = media('(forced-colors: active)');
export const dark = computed(
  () => !printing.value && (look.value === 'dark' && !forced.value ? true : (look.value === 'system' || forced.value) && night.value),
);
/** The colours as they are now, for what is drawn by script. */
export const colours = computed<Colours>(() => (dark.value ? DARK : LIGHT));

/** Keeps the choice on this device. */
export function setLook(to: Look): void {
  look.value = to;
  keepHere(KEEP, to);
}
/** Hands the colours to the page, and follows the look from then on. */
export function lightUp(): void {
  const sheet = document.createElement('style');
  sheet.textContent = colourSheet();
  document.head.prepend(sheet);
  watchEffect(() => {
    document.documentElement.dataset.look = dark.value ? 'dark' : 'light';
    document.querySelector('meta[name=theme-color]')?.setAttribute('content', colours.value.rail);
  });
}
