const KEPT = 'roskel-fresh';
/** A page that still misses a part after it was begun anew is not begun anew again and again (ms). */
const ONCE_IN_MS = 30_000;

/**
 * A page that stood open while the program was built anew asks for parts that are gone: it is begun anew, once. What was
 * typed is kept as for every reload.
 */
export function freshAfterBuild(again: () => void = () => location.reload()): void {
  window.addEventListener('vite:preloadError', (event) => {
    const last = Number(sessionStorage.getItem(KEPT) ?? 0);
    if (Date.now() - last < ONCE_IN_MS) return;
    // The page goes: nobody needs to hear of the part.
    event.preventDefault();
    sessionStorage.setItem(KEPT, String(Date.now()));
    again();
  });
}
