import { Type, type Static } from '@sinclair/typebox';
import { exact, Id } from './records';

/** Longest side of a kept picture, px, and what it may take, in characters of base64. */
export const PHOTO_PX = 1000;
export const MOST_PHOTO = 600_000;
/** All pictures together, in characters: as much as a backup carries that is read in again through the page (64 MB). */
export const MOST_PHOTOS = 60_000_000;
/** A JPEG in base64 ("/9j/" is how every one begins). */
export const PhotoSchema = Type.Object(
  { jpeg: Type.String({ title: 'The picture', maxLength: MOST_PHOTO, pattern: '^/9j/[A-Za-z0-9+/]+={0,2}$' }) },
  exact,
);
export type Photo = Static<typeof PhotoSchema>;
export const PhotoAnswer = Type.Object({ id: Id }, exact);
