import type { RecordRow } from '@roskel/core';
import type { Block } from './blocks';

const HEADS: Readonly<Record<RecordRow['part'], string>> = {
  'made of': 'What it was made of',
  measured: 'Measured, seen and done',
  'went into': 'What it went into',
  bottles: 'Bottles',
};

/** The record as a paper: what the books of the kitchen say, and nothing that was only planned or worked out. */
export function recordBlocks(title: string, printed: string, rows: readonly RecordRow[]): Block[] {
  const parts = (Object.keys(HEADS) as RecordRow['part'][]).filter((part) => rows.some((r) => r.part === part));
  return [
    { kind: 'title', text: title },
    {
      kind: 'text',
      text: `Printed ${printed}. Measurements are as they were read or written down in this kitchen; none is worked out. Grams of what went in are what steps that are done took out of its stores, by the scale or as they were planned. It is no proof of safety: the rules of your food office go before it.`,
    },
    ...parts.flatMap((part): Block[] => [
      { kind: 'head', text: HEADS[part] },
      ...rows
        .filter((r) => r.part === part)
        .map((r): Block => {
          const rest = [r.value, r.by].filter((x) => x !== '').join('; ');
          return { kind: 'text', bold: `${r.on.slice(0, 16).replace('T', ' ')} ${r.what}`.trim(), text: rest === '' ? '' : `: ${rest}` };
        }),
    ]),
  ];
}
