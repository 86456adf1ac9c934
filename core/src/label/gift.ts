import { allergenWords, ingredientRuns, type Label, type Run } from './label';

/** What goes with a bottle to whoever gets it: how hot it is, what is in it, how to keep it. */
export interface GiftCard {
  title: string;
  parts: { head: string; text: Run[]; lines: string[] }[];
  foot: string;
}
/** From here up, of 10, a sauce is handled with care (our judgement). */
const CARE_LEVEL = 4;

/** The card of a label: the same date, place and list, in whole sentences. `day` writes a date; `nutrition` is one line or none. */
export function giftCard(label: Label, list: 'eu' | 'us', day: (on: string) => string, nutrition: string | null): GiftCard {
  const level = Math.round(label.heat.level);
  const date = label.date.kind === 'use by' ? 'Use it by' : 'Best before';
  return {
    title: label.name,
    parts: [
      {
        head: 'How hot',
        text: [
          { text: label.heat.word, strong: true },
          { text: `, about ${level} of 10.`, strong: false },
        ],
        lines:
          level >= CARE_LEVEL
            ? [
                'Begin with a drop. Wash your hands after it, and keep it away from eyes and from children.',
                'If it burns: milk, yoghurt or bread. Water does not help.',
              ]
            : [],
      },
      {
        head: 'What is in it',
        text: [...ingredientRuns(label.listed), { text: '.', strong: false }],
        lines: [...allergenWords(label, list), ...(nutrition === null ? [] : [nutrition])],
      },
      {
        head: 'How to keep it',
        text: [
          { text: `${date} ${day(label.date.on)}.`, strong: true },
          { text: ` ${label.keep}; ${label.opened}.`, strong: false },
        ],
        lines: [
          ...(label.live ? ['It is live: keep it cold, open it slowly and over the sink.'] : []),
          'If the lid bulges, if it foams, smells off or shows mould: throw it away, and do not taste it.',
        ],
      },
    ],
    foot: `${label.netMl} ml, made at home on ${day(label.madeOn)}, ${label.code}. Not made in an inspected kitchen.`,
  };
}

const escaped = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);
const STYLE =
  'body{font:17px/1.45 system-ui,sans-serif;max-width:34em;margin:2em auto;padding:0 1em;color:#22201c;background:#fffef8}h1{font-size:1.7em;color:#1d3a5f;border-bottom:3px solid #c2371f}h2{font-size:1.1em;margin:1.2em 0 .2em}p{margin:.2em 0}footer{margin-top:1.6em;color:#5c564a;font-size:.85em}@media(prefers-color-scheme:dark){body{color:#f1ede2;background:#181d24}h1{color:#a9c4e6}footer{color:#b5ad9d}}@media print{body{margin:0;background:#fff;color:#000}}';

/** The card as one page that needs nothing else: no script, no font, no picture from elsewhere. */
export function giftHtml(card: GiftCard): string {
  const runs = (all: readonly Run[]) => all.map((r) => (r.strong ? `<b>${escaped(r.text)}</b>` : escaped(r.text))).join('');
  const parts = card.parts.map(
    (p) => `<h2>${escaped(p.head)}</h2>\n${[runs(p.text), ...p.lines.map(escaped)].map((x) => `<p>${x}</p>`).join('\n')}`,
  );
  return [
    '<!doctype html>',
    `<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">`,
    `<title>${escaped(card.title)}</title><style>${STYLE}</style></head><body><main>`,
    `<h1>${escaped(card.title)}</h1>`,
    ...parts,
    `</main><footer>${escaped(card.foot)}</footer></body></html>`,
    '',
  ].join('\n');
}
