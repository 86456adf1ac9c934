import { allergenWords, ingredientRuns, type Label, type Run } from '@roskel/core';

export type Face = 'head' | 'text' | 'bold';
/** What is drawn on a label, in mm from its upper left corner; sizes of type in mm too. */
export type Mark =
  | { kind: 'text'; x: number; y: number; size: number; face: Face; text: string; hex: string }
  | { kind: 'rect'; x: number; y: number; w: number; h: number; hex: string }
  | { kind: 'dot'; x: number; y: number; r: number; hex: string }
  | { kind: 'line'; x: number; y: number; w: number; hex: string };

/** Width of a text, mm, at a size in mm. */
export type Measure = (text: string, face: Face, size: number) => number;

export interface LabelWish {
  list: 'eu' | 'us';
  /** How dates are written. */
  day(date: string): string;
  /** Modules of the QR code, row by row; none for a label without. */
  qr: readonly (readonly boolean[])[] | null;
  /** A line of nutrition; none unless it is wished. */
  nutrition?: string | null;
}

/** Words that do not fit on a label even in the smallest type. */
export class TooSmall extends Error {}

const INK = '#22201C';
const RIM = '#1D3A5F';
const HEAT = '#C2371F';
const PALE = '#D8D0BD';
/** Least size of type on a label: an x height of .9 mm (Regulation 1169/2011, Article 13 (3), from memory: small packages), as size in mm. */
export const LEAST_TYPE = 1.8;
const LEADING = 1.18;
/** Width of the mark of heat, mm. */
const MARK_W = 16;

/** Breaks runs into lines no wider than `width`. */
export function wrap(runs: readonly Run[], width: number, size: number, measure: Measure): Run[][] {
  const lines: Run[][] = [[]];
  let x = 0;
  const words = runs.flatMap((r) => r.text.split(/(?<=[\s])/).map((text) => ({ text, strong: r.strong })));
  for (const w of words) {
    const face = w.strong ? 'bold' : 'text';
    const wide = measure(w.text.trimEnd(), face, size);
    if (x > 0 && x + wide > width + 1e-6) {
      lines.push([]);
      x = 0;
    }
    const line = lines.at(-1)!;
    const last = line.at(-1);
    if (last && last.strong === w.strong) last.text += w.text;
    else line.push({ ...w });
    x += measure(w.text, face, size);
  }
  return lines.filter((l) => l.length > 0);
}

/** The label drawn on `w` by `h` mm, in the largest type in which all of it fits. Throws TooSmall. */
export function layoutLabel(label: Label, w: number, h: number, wish: LabelWish, measure: Measure): Mark[] {
  for (let size = Math.min(3.2, h / 11); size >= LEAST_TYPE - 1e-9; size -= 0.1) {
    const marks = tryLayout(label, w, h, wish, measure, size);
    if (marks) return marks;
  }
  throw new TooSmall('All that must stand on it does not fit on so small a label. Choose a larger one.');
}

function tryLayout(label: Label, w: number, h: number, wish: LabelWish, measure: Measure, size: number): Mark[] | null {
  const pad = Math.max(1.8, Math.min(w, h) * 0.05);
  const marks: Mark[] = [];
  const inner = w - 2 * pad;
  const qrSide = wish.qr ? Math.min(14, Math.max(9, h * 0.3)) : 0;
  const text = (x: number, y: number, t: string, face: Face = 'text', s = size, hex = INK) =>
    marks.push({ kind: 'text', x, y, size: s, face, text: t, hex });
  // Name, as large as it fits beside the mark of heat.
  let nameSize = Math.max(size, Math.min(h * 0.17, size * 2.4));
  while (nameSize > size && measure(label.name, 'head', nameSize) > inner - MARK_W - 2) nameSize = Math.max(size, nameSize - 0.2);
  if (measure(label.name, 'head', nameSize) > inner - MARK_W - 2) return null;
  let y = pad + nameSize * 0.85;
  text(pad, y, label.name, 'head', nameSize, RIM);
  const under = heatMark(marks, w - pad - MARK_W, pad, label, measure, size);
  y = Math.max(y + nameSize * 0.35, under + 0.3);
  marks.push({ kind: 'line', x: pad, y, w: inner, hex: RIM });
  y += size * 1.15;
  const foot = footLines(label, wish).flatMap((f) => wrap([f], inner - qrSide - (qrSide ? 1.5 : 0), size, measure));
  const footH = Math.max(foot.length * size * LEADING, qrSide);
  const bottom = h - pad;
  const runs: Run[] = [{ text: 'Ingredients: ', strong: false }, ...ingredientRuns(label.listed), { text: '.', strong: false }];
  const body = [
    runs,
    ...allergenWords(label, wish.list).map((t) => [{ text: t, strong: t.startsWith('Contains') }]),
    ...(wish.nutrition ? [[{ text: wish.nutrition, strong: false }]] : []),
  ];
  for (const part of body)
    for (const line of wrap(part, inner, size, measure)) {
      if (y > bottom - footH - size * 0.3) return null;
      let x = pad;
      for (const r of line) {
        text(x, y, r.text, r.strong ? 'bold' : 'text');
        x += measure(r.text, r.strong ? 'bold' : 'text', size);
      }
      y += size * LEADING;
    }
  let fy = bottom - (foot.length - 1) * size * LEADING - size * 0.2;
  for (const line of foot) {
    for (const r of line) text(pad, fy, r.text, r.strong ? 'bold' : 'text');
    fy += size * LEADING;
  }
  if (wish.qr) {
    const n = wish.qr.length;
    const cell = qrSide / n;
    wish.qr.forEach((row, r) =>
      row.forEach((on, c) => {
        if (on)
          marks.push({
            kind: 'rect',
            x: w - pad - qrSide + c * cell,
            y: bottom - qrSide + r * cell,
            w: cell * 1.02,
            h: cell * 1.02,
            hex: INK,
          });
      }),
    );
  }
  return marks;
}

function footLines(l: Label, wish: LabelWish): Run[] {
  const cap = l.date.kind === 'use by' ? 'Use by' : 'Best before';
  return [
    { text: `${cap} ${wish.day(l.date.on)}`, strong: true },
    { text: `${l.keep}; ${l.opened}`, strong: false },
    ...(l.live ? [{ text: 'Live: open it over the sink', strong: true }] : []),
    { text: `${l.netMl} ml, made ${wish.day(l.madeOn)}, ${l.code}`, strong: false },
  ];
}

/** A rail with a dot as far along as the heat goes, as on every page of the house, and its word above it. */
function heatMark(marks: Mark[], x: number, y: number, l: Label, measure: Measure, size: number): number {
  const small = Math.max(LEAST_TYPE, size * 0.85);
  const word = measure(l.heat.word, 'bold', small);
  marks.push({ kind: 'text', x: x + MARK_W - word, y: y + small * 0.8, size: small, face: 'bold', text: l.heat.word, hex: HEAT });
  const at = y + small + 1.3;
  const along = 0.8 + (MARK_W - 1.6) * Math.min(1, Math.max(0, l.heat.level / 10));
  marks.push({ kind: 'rect', x, y: at - 0.3, w: MARK_W, h: 0.6, hex: PALE });
  marks.push({ kind: 'rect', x, y: at - 0.3, w: along, h: 0.6, hex: HEAT });
  marks.push({ kind: 'dot', x: x + along, y: at, r: 0.8, hex: HEAT });
  return at + 1;
}
