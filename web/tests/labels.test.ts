import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import jsQR from 'jsqr';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  allergenWords,
  giftCard,
  giftHtml,
  ingredientRuns,
  labelOf,
  mainEnd,
  mapStations,
  newBatch,
  nutritionLine,
  type Label,
} from '@roskel/core';
import { LEAST_TYPE, layoutLabel, TooSmall, wrap, type Mark, type Measure } from '../src/labels/layout';
import { labelsPdf, measureWith, type Fonts } from '../src/labels/pdf';
import { qrModules } from '../src/labels/qr';
import { SHEETS } from '../src/labels/sheets';

const require = createRequire(import.meta.url);
// An independent reader of PDF text (Mozilla's pdf.js inside).
const readPdf = require('pdf-parse/lib/pdf-parse.js') as (data: Buffer) => Promise<{ numpages: number; text: string }>;
const font = (name: string) => new Uint8Array(readFileSync(require.resolve(`@fontsource/${name}`)));
const FONTS: Fonts = {
  head: font('bricolage-grotesque/files/bricolage-grotesque-latin-700-normal.woff'),
  text: font('hanken-grotesk/files/hanken-grotesk-latin-400-normal.woff'),
  bold: font('hanken-grotesk/files/hanken-grotesk-latin-700-normal.woff'),
};
let measure: Measure;
beforeAll(async () => {
  measure = await measureWith(FONTS);
});

const LABEL: Label = {
  name: 'Slipway Red',
  heat: { word: 'medium', level: 3.9 },
  madeOn: '2026-10-01',
  date: { kind: 'use by', on: '2026-10-08' },
  keep: 'Keep in the fridge',
  opened: 'once open: fridge, 7 days',
  live: false,
  netMl: 100,
  code: 'SR261001-A7K',
  measured: false,
  reason: 'No evidence of acid.',
  listed: [
    { name: 'cider vinegar', g: 500, strong: false, parts: [] },
    { name: 'fresno chilli', g: 300, strong: false, parts: [] },
    {
      name: 'mustard',
      g: 60,
      strong: false,
      parts: [
        { name: 'water', strong: false },
        { name: 'mustard seed', strong: true },
      ],
    },
    { name: 'salt', g: 10, strong: false, parts: [] },
  ],
  allergens: ['mustard'],
  perhaps: ['sulphite'],
  lookUp: [],
};
const wish = (qr: string | null = null) => ({ list: 'eu' as const, day: (d: string) => d, qr: qr === null ? null : qrModules(qr) });
const words = (marks: readonly Mark[]) => marks.flatMap((m) => (m.kind === 'text' ? [m.text.trim()] : [])).join(' ');
const squeeze = (t: string) => t.replace(/\s+/g, '');

describe('a sheet of labels', () => {
  it('holds 24 of them, and another program reads off it what the label says', async () => {
    const sheet = SHEETS.find((s) => s.id === 'a4-24')!;
    const marks = layoutLabel(LABEL, ...sheet.label, wish('code'), measure);
    const pdf = await labelsPdf(marks, sheet, 24, 0, FONTS, 'Labels');
    const read = await readPdf(Buffer.from(pdf));
    expect(read.numpages).toBe(1);
    const text = squeeze(read.text);
    const said = [
      'Slipway Red',
      'Ingredients: cider vinegar, fresno chilli, mustard (water, mustard seed), salt.',
      'Contains: mustard.',
      'May contain sulphur dioxide and sulphites: check the packet of what went in.',
      'Use by 2026-10-08',
      'Keep in the fridge; once open: fridge, 7 days',
      '100 ml, made 2026-10-01, SR261001-A7K',
      'medium',
    ];
    for (const s of said) expect(squeeze(words(marks)), s).toContain(squeeze(s));
    // The reader goes by lines, so that words of one line stand together.
    for (const s of ['SlipwayRed', 'Useby2026-10-08', 'mustardseed', 'SR261001-A7K'])
      expect(text.split(s).length - 1, s).toBeGreaterThanOrEqual(24);
  });
  it('what lives is told to be opened over the sink', () => {
    const sheet = SHEETS.find((s) => s.id === 'a4-24')!;
    expect(words(layoutLabel({ ...LABEL, live: true }, ...sheet.label, wish(), measure))).toContain('Live: open it over the sink');
    expect(words(layoutLabel(LABEL, ...sheet.label, wish(), measure))).not.toContain('Live');
  });
  it('nutrition stands on it by wish only, as an estimate', () => {
    const sheet = SHEETS.find((s) => s.id === 'a4-8')!;
    const line = nutritionLine({ kcal: 26, kJ: 108, fat: 0.3, carbohydrate: 1.7, sugars: 1.3, fibre: 1.8, protein: 1.2, salt: 1.9 });
    expect(line).toMatch(/^In 100 g \(an estimate\): energy 110 kJ, 25 kcal; fat 0\.3 g; .*; salt 1\.9 g\.$/);
    expect(squeeze(words(layoutLabel(LABEL, ...sheet.label, { ...wish(), nutrition: line }, measure)))).toContain(squeeze(line));
    expect(words(layoutLabel(LABEL, ...sheet.label, wish(), measure))).not.toContain('estimate');
  });
  it('begins at the first free place and goes on to the next sheet', async () => {
    const sheet = SHEETS.find((s) => s.id === 'a4-8')!;
    const marks = layoutLabel(LABEL, ...sheet.label, wish(), measure);
    for (const [count, first, pages] of [
      [8, 0, 1],
      [8, 1, 2],
      [1, 7, 1],
      [17, 0, 3],
    ] as const)
      expect((await readPdf(Buffer.from(await labelsPdf(marks, sheet, count, first, FONTS, 'L')))).numpages).toBe(pages);
  });
  it('sheets lie on their pages', () => {
    for (const s of SHEETS) {
      expect(s.margin[0] + (s.across - 1) * s.pitch[0] + s.label[0]).toBeLessThanOrEqual(s.page[0] + 0.5);
      expect(s.margin[1] + (s.down - 1) * s.pitch[1] + s.label[1]).toBeLessThanOrEqual(s.page[1] + 0.8);
      expect(s.pitch[0]).toBeGreaterThanOrEqual(s.label[0] - 0.01);
      expect(s.pitch[1]).toBeGreaterThanOrEqual(s.label[1] - 0.01);
    }
  });
});

describe('the card for whoever gets a bottle', () => {
  const day = (d: string) => d;
  const text = (card: ReturnType<typeof giftCard>) =>
    [card.title, ...card.parts.flatMap((p) => [p.head, p.text.map((r) => r.text).join(''), ...p.lines]), card.foot].join('\n');
  it('says what the label says, in sentences; care with what burns, and with what lives', () => {
    const card = text(giftCard(LABEL, 'eu', day, null));
    for (const said of [
      'medium, about 4 of 10.',
      'Begin with a drop',
      'cider vinegar, fresno chilli, mustard (water, mustard seed), salt.',
      'Contains: mustard.',
      'May contain sulphur dioxide and sulphites',
      'Use it by 2026-10-08. Keep in the fridge; once open: fridge, 7 days.',
      'throw it away',
      '100 ml, made at home on 2026-10-01, SR261001-A7K.',
    ])
      expect(card).toContain(said);
    expect(card).not.toMatch(/live|In 100 g/);
    expect(text(giftCard({ ...LABEL, live: true }, 'eu', day, 'In 100 g: much'))).toMatch(/It is live.*over the sink[^]*|In 100 g: much/);
    expect(text(giftCard({ ...LABEL, heat: { word: 'mild', level: 1 } }, 'eu', day, null))).not.toContain('drop');
    expect(text(giftCard(LABEL, 'us', day, null))).not.toContain('Contains');
  });
  it('as a page needs nothing from elsewhere, and a name is only a name', () => {
    const html = giftHtml(giftCard({ ...LABEL, name: '<img src=x onerror=alert(1)> "&\'' }, 'eu', day, null));
    expect(html).not.toMatch(/<(img|script|link|iframe)|src=x[^ ]*>|https?:|url\(|@import/);
    expect(html.match(/&#60;img/g)).toHaveLength(2);
    expect(html).toContain('<b>mustard seed</b>');
    expect(html).toMatch(/^<!doctype html>\n<html lang="en">/);
  });
});

describe('the QR code', () => {
  it.each(['Slipway Red\nmade 2026-10-01\nuse by 2026-10-08\nSR261001-A7K', 'ä ñ ☂ 42', 'x'.repeat(300)])(
    'is read by another decoder: %s',
    (text) => {
      const modules = qrModules(text);
      const [cell, quiet] = [4, 16];
      const side = modules.length * cell + 2 * quiet;
      const pixels = new Uint8ClampedArray(side * side * 4).fill(255);
      modules.forEach((row, r) =>
        row.forEach((on, c) => {
          if (!on) return;
          for (let y = 0; y < cell; y++)
            for (let x = 0; x < cell; x++)
              pixels.fill(
                0,
                ((quiet + r * cell + y) * side + quiet + c * cell + x) * 4,
                ((quiet + r * cell + y) * side + quiet + c * cell + x) * 4 + 3,
              );
        }),
      );
      expect(jsQR(pixels, side, side)?.data).toBe(text);
    },
  );
});

describe('layout', () => {
  it('keeps every mark on the label, in type no smaller than is allowed, and loses no word; or says that it does not fit', () => {
    let seed = 7;
    const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647;
    const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
    const names = ['vinegar', 'habanero chilli', 'long pointed sweet red pepper', 'Æ–ø “quoted”', 'x'.repeat(30), 'sel ☂'];
    let fits = 0;
    let small = 0;
    for (let n = 0; n < 250; n++) {
      const label: Label = {
        ...LABEL,
        name: pick(['Red', 'Slipway Red no. 2', 'A very long name of a sauce that goes on and on', '1', 'Ünïcode ☃ sauce']),
        listed: Array.from({ length: 1 + Math.floor(random() * 16) }, () => ({ ...pick(LABEL.listed), name: pick(names) })),
        perhaps: random() < 0.4 ? ['gluten', 'celery', 'fish'] : [],
        lookUp: random() < 0.2 ? ['a kept sauce'] : [],
      };
      const [w, h] = pick(SHEETS).label;
      let marks: Mark[];
      try {
        marks = layoutLabel(label, w, h, wish(random() < 0.5 ? 'text in a code' : null), measure);
      } catch (e) {
        expect(e).toBeInstanceOf(TooSmall);
        small++;
        continue;
      }
      fits++;
      for (const m of marks) {
        const [left, right, top, bottom] =
          m.kind === 'text'
            ? [m.x, m.x + measure(m.text.trimEnd(), m.face, m.size), m.y - m.size, m.y + m.size * 0.3]
            : m.kind === 'dot'
              ? [m.x - m.r, m.x + m.r, m.y - m.r, m.y + m.r]
              : m.kind === 'rect'
                ? [m.x, m.x + m.w, m.y, m.y + m.h]
                : [m.x, m.x + m.w, m.y, m.y];
        expect(left, `${n}`).toBeGreaterThanOrEqual(0);
        expect(right, `${n} ${JSON.stringify(m)}`).toBeLessThanOrEqual(w + 0.05);
        expect(top, `${n}`).toBeGreaterThanOrEqual(-0.3);
        expect(bottom, `${n}`).toBeLessThanOrEqual(h + 0.3);
        if (m.kind === 'text') expect(m.size).toBeGreaterThanOrEqual(LEAST_TYPE - 1e-6);
      }
      const said = squeeze(words(marks));
      for (const r of ingredientRuns(label.listed)) expect(said).toContain(squeeze(r.text));
      for (const t of allergenWords(label, 'eu')) expect(said).toContain(squeeze(t));
    }
    expect(fits).toBeGreaterThan(80);
    expect(small).toBeGreaterThan(5);
  });
  it('breaks lines where they must be broken and nowhere else', () => {
    const flat: Measure = (t) => t.length;
    const lines = wrap([{ text: 'one two three four', strong: false }], 8, 1, flat);
    expect(
      lines.map((l) =>
        l
          .map((r) => r.text)
          .join('')
          .trim(),
      ),
    ).toEqual(['one two', 'three', 'four']);
  });
});

it('a batch that is not filled has no label to print', () => {
  const file = newBatch('Empty', '2026-10-01');
  expect(() => labelOf(file, mainEnd(file).id, '2026-11-01')).toThrow(/Mark the bottles as done first/);
  const odd = mapStations(file, (s) => (s.kind === 'bottle' ? { ...s, log: { doneOn: '2026-10-20' } } : s));
  expect(() => labelOf(odd, mainEnd(odd).id, '2026-11-01')).toThrow();
});
