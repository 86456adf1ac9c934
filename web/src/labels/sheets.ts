/** Sheets of labels as they are sold, and single labels; mm (common sizes, no source). */
export interface Sheet {
  id: string;
  name: string;
  /** The page, mm. */
  page: readonly [width: number, height: number];
  across: number;
  down: number;
  label: readonly [width: number, height: number];
  /** From the page's edge to the first label, and from one label to the next. */
  margin: readonly [left: number, top: number];
  pitch: readonly [across: number, down: number];
}

const A4 = [210, 297] as const;
const LETTER = [215.9, 279.4] as const;
export const SHEETS: readonly Sheet[] = [
  {
    id: 'a4-21',
    name: 'A4, 21 of 63.5 × 38.1 mm',
    page: A4,
    across: 3,
    down: 7,
    label: [63.5, 38.1],
    margin: [7.2, 15.1],
    pitch: [66, 38.1],
  },
  { id: 'a4-24', name: 'A4, 24 of 70 × 37 mm', page: A4, across: 3, down: 8, label: [70, 37], margin: [0, 0.5], pitch: [70, 37] },
  {
    id: 'a4-14',
    name: 'A4, 14 of 99.1 × 38.1 mm',
    page: A4,
    across: 2,
    down: 7,
    label: [99.1, 38.1],
    margin: [4.7, 15.1],
    pitch: [101.6, 38.1],
  },
  {
    id: 'a4-8',
    name: 'A4, 8 of 99.1 × 67.7 mm',
    page: A4,
    across: 2,
    down: 4,
    label: [99.1, 67.7],
    margin: [4.7, 13.1],
    pitch: [101.6, 67.7],
  },
  {
    id: 'letter-10',
    name: 'Letter, 10 of 4 × 2 in',
    page: LETTER,
    across: 2,
    down: 5,
    label: [101.6, 50.8],
    margin: [4, 12.7],
    pitch: [106.4, 50.8],
  },
  {
    id: 'letter-30',
    name: 'Letter, 30 of 2 5/8 × 1 in',
    page: LETTER,
    across: 3,
    down: 10,
    label: [66.7, 25.4],
    margin: [4.8, 12.7],
    pitch: [69.9, 25.4],
  },
  { id: 'single-90', name: 'One label, 90 × 50 mm', page: [90, 50], across: 1, down: 1, label: [90, 50], margin: [0, 0], pitch: [90, 50] },
  { id: 'single-60', name: 'One label, 60 × 40 mm', page: [60, 40], across: 1, down: 1, label: [60, 40], margin: [0, 0], pitch: [60, 40] },
];
