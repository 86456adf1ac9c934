import head from '@fontsource/bricolage-grotesque/files/bricolage-grotesque-latin-700-normal.woff?url';
import bold from '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-700-normal.woff?url';
import text from '@fontsource/hanken-grotesk/files/hanken-grotesk-latin-400-normal.woff?url';
import type { Fonts } from './pdf';

const get = async (url: string) => (await fetch(url)).arrayBuffer();
let fonts: Promise<Fonts> | null = null;
/** The fonts of the house as files, to be put into a PDF; read once. */
export function labelFonts(): Promise<Fonts> {
  return (fonts ??= Promise.all([get(head), get(text), get(bold)]).then(([h, t, b]) => ({ head: h, text: t, bold: b })));
}
