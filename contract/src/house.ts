import { Type, type Static } from '@sinclair/typebox';

/** What is said to be let in. */
export const EnterSchema = Type.Object(
  { passphrase: Type.String({ title: 'The passphrase', minLength: 1, maxLength: 200 }) },
  { additionalProperties: false },
);
/** Where others in the house find this kitchen. */
export const HouseAnswer = Type.Object(
  {
    /** Its name among several on a server; null for the one in a folder. */
    kitchen: Type.Union([Type.String(), Type.Null()]),
    /** Others in the house may come in, with the passphrase. */
    open: Type.Boolean(),
    /** Addresses for a phone, the likeliest first. */
    addresses: Type.Array(Type.String()),
    /** The same over TLS, by a certificate of the house; none where it does not answer so. */
    secure: Type.Array(Type.String()),
    /** What a phone is told to trust for that, as PEM; null where there is none. */
    authority: Type.Union([Type.String(), Type.Null()]),
    /** What a calendar program says in place of the passphrase; null where none is asked for. */
    feedKey: Type.Union([Type.String(), Type.Null()]),
  },
  { additionalProperties: false },
);
export type House = Static<typeof HouseAnswer>;
