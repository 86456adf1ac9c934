/** Marks an answer that a device had kept, and no server gave (vite.config.ts). */
declare const __KEPT_HEADER__: string;
/** Where the service worker keeps what was read of the kitchen last. */
declare const __KEPT_ANSWERS__: string;
/** What a page says to the worker that keeps it, so that it keeps nothing any more. */
declare const __FORGET__: string;
