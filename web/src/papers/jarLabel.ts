import { jarContents, type BatchFile, type Run, type StationReport } from '@roskel/core';
import { day, fullDay, inManner, percent, within } from '../format';
import { wrap, type Mark, type Measure } from '../labels/layout';

/** The label of a jar, mm: larger than a bottle's, for it is read across the kitchen. */
export const JAR_LABEL = [90, 58] as const;
const INK = '#22201C';
const RIM = '#1D3A5F';
const PAD = 4;
const QR = 22;
const LEADING = 1.22;
/** Smallest type that is tried, mm; what then still does not fit is cut at a whole line. */
const LEAST = 2.2;

/** What stands on a jar. */
export interface JarLabel {
  name: string;
  started: string;
  salt: string;
  contents: string;
  next: string;
}

/** What goes on the jar of a station, from the batch and its report. */
export function jarLabelOf(file: BatchFile, s: StationReport<'ferment'>, salt: number | null): JarLabel {
  const next = s.duties.find((d) => d.does === 'read') ?? s.duties[0];
  return {
    name: file.name,
    started: fullDay(s.from),
    salt: salt === null ? 'not packed yet' : `${percent(salt)} of its water`,
    contents: jarContents(file, s.id)
      .listed.map((l) => l.name)
      .join(', '),
    next: next ? `${within(inManner(next.text))}, ${day(next.due)}` : 'nothing',
  };
}

/** The label as marks: name, start, salt, contents, next duty, and a code that leads to its page; null: none. */
export function layoutJarLabel(label: JarLabel, qr: readonly (readonly boolean[])[] | null, measure: Measure): Mark[] {
  const [w, h] = JAR_LABEL;
  for (let size = 3.6; ; size -= 0.2) {
    const marks: Mark[] = [];
    const head = Math.min(7, (7 * (w - 2 * PAD)) / Math.max(1, measure(label.name, 'head', 7)));
    marks.push({ kind: 'text', x: PAD, y: PAD + head, size: head, face: 'head', text: label.name, hex: RIM });
    marks.push({ kind: 'line', x: PAD, y: PAD + head * 1.3, w: w - 2 * PAD, hex: RIM });
    let y = PAD + head * 1.3 + 1.5;
    let fits = true;
    const lines: [string, string][] = [
      ['Begun ', label.started],
      ['Salt ', label.salt],
      ['In it: ', label.contents],
      ['Next: ', label.next],
    ];
    for (const [bold, text] of lines) {
      const runs: Run[] = [
        { text: bold, strong: true },
        { text, strong: false },
      ];
      for (const line of wrap(runs, w - 2 * PAD - (qr ? QR + 3 : 0), size, measure)) {
        if (y + size > h - PAD) {
          fits = false;
          break;
        }
        let x = PAD;
        for (const run of line) {
          const face = run.strong ? 'bold' : 'text';
          marks.push({ kind: 'text', x, y: y + size, size, face, text: run.text, hex: INK });
          x += measure(run.text, face, size);
        }
        y += size * LEADING;
      }
      y += 0.8;
    }
    if (!fits && size - 0.2 >= LEAST) continue;
    const cell = QR / (qr?.length ?? 1);
    qr?.forEach((row, r) =>
      row.forEach((dark, c) => {
        if (dark)
          marks.push({ kind: 'rect', x: w - PAD - QR + c * cell, y: h - PAD - QR + r * cell, w: cell * 1.02, h: cell * 1.02, hex: INK });
      }),
    );
    return marks;
  }
}
