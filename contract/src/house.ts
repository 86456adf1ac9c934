import { Type } from '@sinclair/typebox';

/** What is said to be let in. */
export const EnterSchema = Type.Object(
  { passphrase: Type.String({ title: 'The passphrase', minLength: 1, maxLength: 200 }) },
  { additionalProperties: false },
);
/** Where others in the house find this kitchen. */
export interface House {
  /** Its name among several on a server; null for the one in a folder. */
  kitchen: string | null;
  /** Others in the house may come in, with the passphrase. */
  open: boolean;
  /** Addresses for a phone, the likeliest first. */
  addresses: string[];
  /** The same over TLS, by a certificate of the house; none where it does not answer so. */
  secure: string[];
  /** What a phone is told to trust for that, as PEM; null where there is none. */
  authority: string | null;
  /** What a calendar program says in place of the passphrase; null where none is asked for. */
  feedKey: string | null;
}
