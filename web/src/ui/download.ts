/** A name that every disk takes. */
export const fileName = (name: string, fallback = 'batch'): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || fallback;

/** Hands something to the browser as a file. */
export function download(name: string, what: BlobPart, type: string): void {
  const url = URL.createObjectURL(new Blob([what], { type }));
  Object.assign(document.createElement('a'), { href: url, download: name }).click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
