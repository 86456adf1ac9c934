/** Where anybody in the house gets what a phone is to trust: a certificate is no secret. */
export const AUTHORITY_PATH = '/house.crt';

/**
 * Which kitchen it is: every answer says so, and a request may say which one it means. An address may belong to another
 * kitchen tomorrow (a port, a folder, a demo), and what a browser keeps does not.
 */
export const KITCHEN_HEADER = 'X-Roskel-Kitchen';
/** Another kitchen is here than the request meant (RFC 9110, 15.5.13: a precondition that failed). */
export const ANOTHER_KITCHEN = 412;
/** Says who is at a device: the id of a maker. */
export const MAKER_HEADER = 'X-Roskel-Maker';
/** A key of the caller's own for what makes or moves something: sent again with the same key it is not done again. */
export const KEY_HEADER = 'Idempotency-Key';
/** So long the server knows what it did for a key, hours. */
export const KEY_KEPT_HOURS = 24;
