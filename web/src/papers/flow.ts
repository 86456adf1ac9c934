import type { Run } from '@roskel/core';
import { wrap, type Mark, type Measure } from '../labels/layout';
import type { Block } from './blocks';

/** Papers, mm. */
export const PAPERS = { a4: [210, 297], letter: [215.9, 279.4] } as const;
export type Paper = keyof typeof PAPERS;

const INK = '#22201C';
const RIM = '#1D3A5F';
const SOFT = '#6A655B';
const MARGIN = 18;
/** Size of type and distance of lines, mm. */
const TYPE = { title: 7.4, head: 4.6, text: 3.7 } as const;
const LEADING = 1.36;
const TICK = 3.1;
const UNDER = 7;
const SLOT = { w: 24, gap: 4, type: 2.6 } as const;
const RULED = 8;

/** Blocks on pages of marks, in mm: nothing is cut at the foot of a page, and a heading stays with what follows it. */
export function layoutPaper(blocks: readonly Block[], size: readonly [number, number], title: string, measure: Measure): Mark[][] {
  const [w, h] = size;
  const width = w - 2 * MARGIN;
  const foot = h - MARGIN;
  const pages: Mark[][] = [[]];
  let y = MARGIN;
  const page = () => pages.at(-1)!;
  const room = (need: number) => {
    if (y + need <= foot || y <= MARGIN) return;
    pages.push([]);
    y = MARGIN;
  };
  const text = (runs: readonly Run[], x: number, wide: number, type: number, hex = INK): void => {
    for (const line of wrap(runs, wide, type, measure)) {
      room(type * LEADING);
      let at = x;
      for (const run of line) {
        const face = run.strong ? 'bold' : 'text';
        page().push({ kind: 'text', x: at, y: y + type, size: type, face, text: run.text, hex });
        at += measure(run.text, face, type);
      }
      y += type * LEADING;
    }
  };
  const runsOf = (b: { text: string; bold?: string }): Run[] => [
    ...(b.bold ? [{ text: b.bold, strong: true }] : []),
    { text: b.text, strong: false },
  ];
  for (const b of blocks) {
    if (b.kind === 'title' || b.kind === 'head') {
      const type = TYPE[b.kind];
      if (b.kind === 'head') {
        // Its first line comes along.
        room(type * LEADING + TYPE.text * LEADING * 2 + 4);
        if (y > MARGIN) y += 3;
      }
      page().push({ kind: 'text', x: MARGIN, y: y + type, size: type, face: 'head', text: b.text, hex: RIM });
      y += type * LEADING;
      page().push({ kind: 'line', x: MARGIN, y, w: width, hex: RIM });
      y += 2;
    } else if (b.kind === 'text') {
      text(runsOf(b), MARGIN, width, TYPE.text);
      y += 1;
    } else if (b.kind === 'lines') {
      for (let n = 0; n < b.count; n++) {
        room(RULED);
        y += RULED;
        page().push({ kind: 'line', x: MARGIN, y, w: width, hex: SOFT });
      }
    } else {
      const left = MARGIN + (b.under ? UNDER : 0);
      const slots = b.write ?? [];
      const slotsW = slots.length * (SLOT.w + SLOT.gap);
      room(TYPE.text * LEADING);
      box(page(), left, y + 0.7, b.done);
      const top = y;
      text(runsOf(b), left + TICK + 2, width - (left - MARGIN) - TICK - 2 - slotsW, TYPE.text);
      slots.forEach((name, n) => {
        const x = MARGIN + width - slotsW + n * (SLOT.w + SLOT.gap) + SLOT.gap;
        // Where the words went on to the next page their places to write go along.
        const at = y < top ? MARGIN : top;
        page().push({ kind: 'text', x, y: at + SLOT.type, size: SLOT.type, face: 'text', text: name, hex: SOFT });
        page().push({ kind: 'line', x: x + 11, y: at + 4.4, w: SLOT.w - 11, hex: SOFT });
      });
      y += 0.6;
    }
  }
  pages.forEach((p, n) =>
    p.push({ kind: 'text', x: MARGIN, y: h - 9, size: 2.8, face: 'text', text: `${title}, page ${n + 1} of ${pages.length}`, hex: SOFT }),
  );
  return pages;
}

/** A box to tick, full when it is ticked. */
function box(page: Mark[], x: number, y: number, done: boolean): void {
  page.push({ kind: 'rect', x, y, w: TICK, h: TICK, hex: INK });
  if (!done) page.push({ kind: 'rect', x: x + 0.35, y: y + 0.35, w: TICK - 0.7, h: TICK - 0.7, hex: '#FFFFFF' });
}
