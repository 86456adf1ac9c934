import { KITCHEN_HEADER } from '@roskel/contract';
import { kitchenHere, nextKitchen, ofKitchen } from '../ui/keepHere';

/** What a request says of the kitchen it means. */
export const meansKitchen = (): Record<string, string> => {
  const id = kitchenHere();
  return id === null ? {} : { [KITCHEN_HEADER]: id };
};
export function heardKitchen(response: Response): void {
  const id = response.headers.get(KITCHEN_HEADER);
  if (id) ofKitchen(id);
}

/**
 * Another kitchen answers at this address: the page is begun anew as that one's, and shows nothing of what was read of this
 * one. What was typed here stays, for when this one is back.
 */
export async function goToKitchen(response: Response, again: () => void = () => location.reload()): Promise<void> {
  const id = response.headers.get(KITCHEN_HEADER);
  if (id) nextKitchen(id);
  // What was read of this one; a browser that keeps nothing has none of it.
  await globalThis.caches?.delete(__KEPT_ANSWERS__).catch(() => undefined);
  again();
}
