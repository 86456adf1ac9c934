import fontkit from '@pdf-lib/fontkit';
import { PDFDocument, rgb, type PDFFont, type PDFPage } from 'pdf-lib';
import type { Face, Mark, Measure } from './layout';
import type { Sheet } from './sheets';

/** The fonts of a label, as they are shipped with the house. */
export type Fonts = Record<Face, ArrayBuffer | Uint8Array>;
/** Points in a mm. */
const PT = 72 / 25.4;

const colour = (hex: string) => {
  const n = Number.parseInt(hex.slice(1), 16);
  return rgb((n >> 16) / 255, ((n >> 8) & 255) / 255, (n & 255) / 255);
};
type Embedded = Record<Face, PDFFont>;

async function embed(doc: PDFDocument, fonts: Fonts): Promise<Embedded> {
  doc.registerFontkit(fontkit);
  const one = (face: Face) => doc.embedFont(fonts[face], { subset: true });
  return { head: await one('head'), text: await one('text'), bold: await one('bold') };
}

/** Characters that a font cannot draw are left out rather than failing the whole sheet. */
const drawable = (font: PDFFont, text: string): string => {
  const has = new Set(font.getCharacterSet());
  return [...text].map((c) => (has.has(c.codePointAt(0)!) ? c : (c.normalize('NFD').replace(/\p{M}/gu, '') || '?')[0]!)).join('');
};

/** Measures text with the fonts of the labels. */
export async function measureWith(fonts: Fonts): Promise<Measure> {
  const doc = await PDFDocument.create();
  const faces = await embed(doc, fonts);
  const known = new Map<string, number>();
  return (text, face, size) => {
    const key = `${face}${text}`;
    let at1 = known.get(key);
    if (at1 === undefined) known.set(key, (at1 = faces[face].widthOfTextAtSize(drawable(faces[face], text), 1)));
    return at1 * size;
  };
}

function draw(page: PDFPage, faces: Embedded, marks: readonly Mark[]): void {
  const high = page.getHeight();
  for (const m of marks) {
    const [x, y] = [m.x * PT, high - m.y * PT];
    if (m.kind === 'text')
      page.drawText(drawable(faces[m.face], m.text), { x, y, size: m.size * PT, font: faces[m.face], color: colour(m.hex) });
    else if (m.kind === 'rect') page.drawRectangle({ x, y: y - m.h * PT, width: m.w * PT, height: m.h * PT, color: colour(m.hex) });
    else if (m.kind === 'dot') page.drawCircle({ x, y, size: m.r * PT, color: colour(m.hex) });
    else page.drawLine({ start: { x, y }, end: { x: x + m.w * PT, y }, thickness: 0.8, color: colour(m.hex) });
  }
}

/** Pages of marks on paper of one size (mm), as a PDF. */
export async function marksPdf(
  pages: readonly (readonly Mark[])[],
  size: readonly [number, number],
  fonts: Fonts,
  title: string,
): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.setTitle(title);
  doc.setCreator('Roskel');
  const faces = await embed(doc, fonts);
  for (const marks of pages) draw(doc.addPage([size[0] * PT, size[1] * PT]), faces, marks);
  return doc.save();
}

/** So many labels on sheets, from the `first` place of the first sheet on (0 for the first), as a PDF. */
export function labelsPdf(
  marks: readonly Mark[],
  sheet: Sheet,
  count: number,
  first: number,
  fonts: Fonts,
  title: string,
): Promise<Uint8Array> {
  const pages: Mark[][] = [];
  const perPage = sheet.across * sheet.down;
  for (let n = 0; n < count; n++) {
    const at = (first + n) % perPage;
    if (n === 0 || at === 0) pages.push([]);
    const [x, y] = [
      sheet.margin[0] + (at % sheet.across) * sheet.pitch[0],
      sheet.margin[1] + Math.floor(at / sheet.across) * sheet.pitch[1],
    ];
    pages.at(-1)!.push(...marks.map((m) => ({ ...m, x: m.x + x, y: m.y + y })));
  }
  return marksPdf(pages, sheet.page, fonts, title);
}
