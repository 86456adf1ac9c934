/** Marks an answer that a device had kept, and no server gave (vite.config.ts). */
declare const __KEPT_HEADER__: string;
