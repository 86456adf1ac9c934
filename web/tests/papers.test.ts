import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { fileURLToPath } from 'node:url';
import { beforeAll, describe, expect, it } from 'vitest';
import { recipeCard, reportLine, type BatchFile, type StationReport } from '@roskel/core';
import { marksPdf, measureWith, type Fonts } from '../src/labels/pdf';
import type { Measure } from '../src/labels/layout';
import { benchBlocks, cardBlocks, type Block } from '../src/papers/blocks';
import { layoutPaper, PAPERS } from '../src/papers/flow';
import { JAR_LABEL, jarLabelOf, layoutJarLabel } from '../src/papers/jarLabel';
import { qrModules } from '../src/labels/qr';
import jsQR from 'jsqr';

const readPdf = createRequire(import.meta.url)('pdf-parse/lib/pdf-parse.js') as (
  data: Buffer,
) => Promise<{ text: string; numpages: number }>;
const font = (name: string) => readFileSync(fileURLToPath(new URL(`../../node_modules/@fontsource/${name}`, import.meta.url)));
const FONTS: Fonts = {
  head: font('bricolage-grotesque/files/bricolage-grotesque-latin-700-normal.woff'),
  text: font('hanken-grotesk/files/hanken-grotesk-latin-400-normal.woff'),
  bold: font('hanken-grotesk/files/hanken-grotesk-latin-700-normal.woff'),
};
let measure: Measure;
beforeAll(async () => {
  measure = await measureWith(FONTS);
});
const TODAY = '2026-11-20';
const example = (name: string) =>
  JSON.parse(readFileSync(fileURLToPath(new URL(`../../examples/${name}.json`, import.meta.url)), 'utf8')) as BatchFile;
const squeeze = (s: string) => s.replace(/\s+/g, '').replaceAll('\u2019', "'");
const wordsOf = (blocks: readonly Block[]) =>
  blocks.flatMap((b) => (b.kind === 'lines' ? [] : [`${'bold' in b && b.bold ? b.bold : ''}${b.text}`]));

describe('papers', () => {
  it.each(['slipway-red', 'four-coves', 'harbour-dark', 'spring-tide'])(
    'bench sheet and recipe card of %s: another program reads every word off them, on A4 and letter',
    async (name) => {
      const file = example(name);
      const report = reportLine(file, { today: TODAY, forecast: false, members: 60 });
      for (const [blocks, title] of [
        [benchBlocks(file, report), 'Bench sheet'],
        [cardBlocks(recipeCard(file, TODAY)), 'Card'],
      ] as const)
        for (const size of Object.values(PAPERS)) {
          const pages = layoutPaper(blocks, size, title, measure);
          const read = await readPdf(Buffer.from(await marksPdf(pages, size, FONTS, title)));
          expect(read.numpages).toBe(pages.length);
          const text = squeeze(read.text);
          for (const said of wordsOf(blocks)) for (const word of said.split(/\s+/)) expect(text, word).toContain(squeeze(word));
          // Amounts that are weighed out are there whole.
          for (const i of recipeCard(file, TODAY).ingredients.slice(0, 3)) if (title === 'Card') expect(text).toContain(squeeze(i));
        }
    },
  );
  it('nothing lies outside the paper, on top of the foot, or under another line, however long it is', () => {
    const blocks: Block[] = [
      { kind: 'title', text: 'Long' },
      ...Array.from({ length: 40 }, (_, n): Block[] => [
        { kind: 'head', text: `Part ${n}` },
        { kind: 'tick', bold: 'Step', text: ' word'.repeat(1 + ((n * 17) % 60)), done: n % 2 === 0, write: ['weighed', 'pH', 'day'] },
        { kind: 'text', text: 'and so on '.repeat(1 + ((n * 7) % 30)) },
      ]).flat(),
      { kind: 'lines', count: 30 },
    ];
    for (const size of Object.values(PAPERS)) {
      const pages = layoutPaper(blocks, size, 'Long', measure);
      expect(pages.length).toBeGreaterThan(2);
      for (const marks of pages)
        for (const m of marks) {
          expect(m.x).toBeGreaterThanOrEqual(17.9);
          const right = m.kind === 'text' ? m.x + measure(m.text.trimEnd(), m.face, m.size) : m.kind === 'dot' ? m.x + m.r : m.x + m.w;
          expect(right).toBeLessThanOrEqual(size[0] - 17.5);
          expect(m.y).toBeLessThanOrEqual(size[1] - 8.9);
        }
      // No heading is the last thing on its page.
      for (const marks of pages) {
        const heads = marks.filter((m) => m.kind === 'text' && m.face === 'head');
        for (const head of heads)
          expect(marks.some((m) => m.kind === 'text' && m.face !== 'head' && m.size > 3 && m.y > head.y)).toBe(true);
      }
    }
  });
});

describe('the label of a jar', () => {
  const label = {
    name: 'Slipway Red no. 3',
    started: '20 Nov 2026',
    salt: '3.1 % of its water',
    contents: 'cayenne, red pointed, fatalii, garlic, salt',
    next: 'read ph and temperature again, 28 Nov',
  };
  const address = 'http://localhost:4000/batches/slipway-red-3';
  it('says what is in the jar, and what comes next with its pH written as one writes it', () => {
    const file = example('slipway-red');
    const jar = reportLine(file, { today: file.startDate, members: 60 }).stations.find(
      (s) => s.kind === 'ferment',
    ) as StationReport<'ferment'>;
    const duties = [{ key: 'read-3', does: 'read' as const, text: 'Read the pH at the middle', why: '', due: jar.from }];
    const label = jarLabelOf(file, { ...jar, duties }, 2.9);
    expect(label.contents).toMatch(/\w, \w/);
    expect(label.next).toContain('read the pH at the middle, ');
  });
  it('another program reads its words off the PDF, and another one its code, also where much is in it', async () => {
    for (const contents of [label.contents, Array.from({ length: 40 }, (_, i) => `thing number ${i}`).join(', ')]) {
      const modules = qrModules(address);
      const marks = layoutJarLabel({ ...label, contents }, modules, measure);
      const [w, h] = JAR_LABEL;
      for (const m of marks) {
        const right = m.kind === 'text' ? m.x + measure(m.text.trimEnd(), m.face, m.size) : m.kind === 'rect' ? m.x + m.w : m.x;
        expect(right).toBeLessThanOrEqual(w - 3.9);
        expect(m.y).toBeLessThanOrEqual(h - 3.9);
      }
      const read = await readPdf(Buffer.from(await marksPdf([marks], JAR_LABEL, FONTS, 'Jar')));
      expect(read.numpages).toBe(1);
      for (const said of [label.name, label.started, label.salt]) expect(squeeze(read.text)).toContain(squeeze(said));
      if (contents === label.contents) for (const said of [label.contents, label.next]) expect(squeeze(read.text)).toContain(squeeze(said));
      // The code as it lies on the label, painted into pixels.
      const scale = 12;
      const [W, H] = [Math.round(w * scale), Math.round(h * scale)];
      const pixels = new Uint8ClampedArray(W * H * 4).fill(255);
      for (const m of marks) {
        if (m.kind !== 'rect') continue;
        for (let y = Math.round(m.y * scale); y < Math.round((m.y + m.h) * scale); y++)
          for (let x = Math.round(m.x * scale); x < Math.round((m.x + m.w) * scale); x++)
            pixels.fill(0, (y * W + x) * 4, (y * W + x) * 4 + 3);
      }
      expect(jsQR(pixels, W, H)?.data).toBe(address);
      // Where no other device finds the kitchen there is no code, rather than one that leads nowhere.
      expect(layoutJarLabel({ ...label, contents }, null, measure).some((m) => m.kind === 'rect')).toBe(false);
    }
  });
});
