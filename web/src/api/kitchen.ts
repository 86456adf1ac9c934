import { KITCHEN_HEADER } from '@roskel/contract';
import { kitchenHere, nextKitchen, ofKitchen } from '../ui/keepHere';

/** Where the page says after it was begun anew that it is of another kitchen. */
const TOLD = 'another-kitchen';

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
  try {
    sessionStorage.setItem(TOLD, '1');
    await caches.delete(__KEPT_ANSWERS__);
  } catch {
    // This browser keeps nothing.
  }
  again();
}
/** Whether the page was begun anew for that; said once. */
export function cameToKitchen(): boolean {
  try {
    const came = sessionStorage.getItem(TOLD) !== null;
    sessionStorage.removeItem(TOLD);
    return came;
  } catch {
    return false;
  }
}
