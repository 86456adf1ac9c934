import { nextTick, onScopeDispose, ref, watch, type Ref } from 'vue';
import { keepHere, readHere } from './keepHere';

const KEEP_DAYS = 14;
interface Kept {
  at: number;
  value: unknown;
}
const keyOf = (name: string) => `roskel.form.${name}`;

function kept(name: string): unknown {
  const found = readHere<Kept>(keyOf(name));
  return found && Date.now() - found.at < KEEP_DAYS * 86_400_000 ? found.value : null;
}

/**
 * A half-filled form outlives its sheet, the page and the window: what differs from the blank form is kept in this
 * browser and put back when the form opens again; `anew` begins from the blank one, `done` forgets it.
 */
export function useDraft<T extends object>(name: () => string, form: T, blank: () => T, open: Readonly<Ref<boolean>> = ref(true)) {
  const takenUp = ref(false);
  let first = '';
  let beginning = false;
  const put = (value: Partial<T>) => Object.assign(form, JSON.parse(JSON.stringify(value)) as Partial<T>);
  const forget = () => keepHere(keyOf(name()), null);
  function begin() {
    // Before the form is emptied: a sheet that stays mounted would forget its draft by that.
    const draft = kept(name());
    beginning = true;
    put(blank());
    first = JSON.stringify(form);
    takenUp.value = draft !== null && JSON.stringify(draft) !== first;
    if (takenUp.value) put(draft as Partial<T>);
    beginning = false;
  }
  // After the props of the sheet are all in, and before it is drawn.
  watch(open, (now) => now && begin(), { immediate: true });
  const stop = watch(
    () => JSON.stringify(form),
    (now) => {
      if (!open.value || beginning) return;
      if (now === first) forget();
      else keepHere(keyOf(name()), { at: Date.now(), value: JSON.parse(now) as unknown } satisfies Kept);
    },
    { flush: 'sync' },
  );
  onScopeDispose(stop);
  return {
    /** The form was taken up where it was left. */
    takenUp,
    anew() {
      forget();
      put(blank());
      takenUp.value = false;
    },
    /** What was typed is stored: nothing is left to keep. Waits a moment, for fields that follow. */
    async done() {
      first = JSON.stringify(form);
      forget();
      await nextTick();
      forget();
      takenUp.value = false;
    },
  };
}
