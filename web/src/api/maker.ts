import { ref } from 'vue';

const KEPT = 'roskel-maker';
function read(): string | null {
  try {
    return localStorage.getItem(KEPT);
  } catch {
    return null;
  }
}

/** Who is at this device: the id of a maker, or null where it was not said. Every change says so. */
export const makerHere = ref<string | null>(read());

/** Remembers who is at this device, until somebody else is. */
export function setMakerHere(id: string | null): void {
  makerHere.value = id;
  try {
    if (id === null) localStorage.removeItem(KEPT);
    else localStorage.setItem(KEPT, id);
  } catch {
    // A browser that keeps nothing knows it until the page is left.
  }
}
// Another window of this device.
window.addEventListener('storage', (e) => e.key === KEPT && (makerHere.value = e.newValue));
