import { computed, onBeforeUnmount, reactive } from 'vue';

/** Fields in which something stands that was not taken over yet: the cursor is still in them. */
const open = reactive(new Map<symbol, () => void>());

/** True while something is being typed that no store knows of. */
export const typing = computed(() => open.size > 0);

/** Takes over what stands in every field, as leaving the field would. */
export function commitTyping(): void {
  for (const take of [...open.values()]) take();
}

/** A field says whether what stands in it is taken over, and how that is done. */
export function useTyping(take: () => void): { typed(): void; taken(): void } {
  const me = Symbol('field');
  const taken = () => void open.delete(me);
  onBeforeUnmount(taken);
  return { typed: () => void open.set(me, take), taken };
}

// Before the window goes away, or stands back on a phone: what was typed must not go with it.
window.addEventListener('pagehide', commitTyping);
document.addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && commitTyping());
