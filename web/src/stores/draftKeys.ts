/** What batches that are not stored yet are kept under in this browser. */
export const DRAFTS = 'roskel.draft.';
