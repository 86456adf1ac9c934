import { shallowRef } from 'vue';

/** What batches that are not stored yet are kept under in this browser. */
export const DRAFTS = 'roskel.draft.';
/** Counts what was typed into batches in this window, so that what shows drafts knows when to look again. */
export const typings = shallowRef(0);
/** Counts the batches that were left in this window before what was typed into them was stored. */
export const leftUnsent = shallowRef(0);
