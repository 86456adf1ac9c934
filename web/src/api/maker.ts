import { ref } from 'vue';
import { keepHere, onKept, readHere } from '../ui/keepHere';

const KEPT = 'roskel-maker';

/** Who is at this device: the id of a maker, or null where it was not said. Every change says so. */
export const makerHere = ref<string | null>(readHere<string>(KEPT));

/** Remembers who is at this device, until somebody else is. */
export function setMakerHere(id: string | null): void {
  makerHere.value = id;
  keepHere(KEPT, id);
}
onKept<string>(KEPT, (id) => (makerHere.value = id));
