import { shallowRef } from 'vue';

/** What batches that are not stored yet are kept under in this browser. */
export const DRAFTS = 'roskel.draft.';
/** Counts what was typed into batches in this window, so that what shows drafts knows when to look again. */
export const typings = shallowRef(0);
