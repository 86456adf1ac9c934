/** NUL, which PostgreSQL stores in no text, and halves of characters: stored, they make the row unreadable. */
const UNSTORABLE = /\0|\p{Surrogate}/u;

/** What is said of such a value. */
export const NOT_STORABLE = 'There is a character in it that cannot be stored (NUL, or half of one).';

/** Where in a value, keys included, a character stands that no store can keep: its path, or null. */
export function unstorableIn(value: unknown, path = ''): string | null {
  if (typeof value === 'string') return UNSTORABLE.test(value) ? path : null;
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, inner] of Object.entries(value)) {
    if (UNSTORABLE.test(key)) return path;
    const found = unstorableIn(inner, path ? `${path}/${key}` : key);
    if (found !== null) return found;
  }
  return null;
}
