import { readFileSync } from 'node:fs';
import {
  acidWork,
  choosePods,
  goalOf,
  knownSauce,
  labelOf,
  mainEnd,
  makeAgain,
  mapStations,
  reportTypical,
  solvePh,
  poolOf,
  type BatchFile,
  type LinearSolver,
} from '@roskel/core';
import { layoutLabel } from '../web/src/labels/layout';
import { labelsPdf, marksPdf, measureWith, type Fonts } from '../web/src/labels/pdf';
import { qrModules } from '../web/src/labels/qr';
import { SHEETS } from '../web/src/labels/sheets';
import { measure, type Line } from './measure';

const ROOT = process.cwd();
const font = (name: string) => readFileSync(`${ROOT}/node_modules/@fontsource/${name}`);
const FONTS: Fonts = {
  head: font('bricolage-grotesque/files/bricolage-grotesque-latin-700-normal.woff'),
  text: font('hanken-grotesk/files/hanken-grotesk-latin-400-normal.woff'),
  bold: font('hanken-grotesk/files/hanken-grotesk-latin-700-normal.woff'),
};
const TODAY = '2026-11-20';

/** The brine ferment, made, filled and read. */
function made(): BatchFile {
  const file = JSON.parse(readFileSync(`${ROOT}/examples/slipway-red.json`, 'utf8')) as BatchFile;
  return mapStations(file, (e) => ({
    ...e,
    log: {
      doneOn: ['prep', 'salt'].includes(e.kind) ? file.startDate : '2026-11-10',
      ...(e.kind === 'ferment' || e.kind === 'bottle' ? { pH: 3.5, instrument: 'meter' as const } : {}),
    },
  }));
}

/** The same over an async piece of work. */
async function measureLater(run: () => Promise<unknown>, times: number, warm = 2): Promise<{ median: number; p90: number }> {
  const ms: number[] = [];
  for (let i = -warm; i < times; i++) {
    const start = performance.now();
    await run();
    if (i >= 0) ms.push(performance.now() - start);
  }
  ms.sort((a, b) => a - b);
  return { median: ms[Math.floor(times / 2)]!, p90: ms[Math.floor(times * 0.9)]! };
}

/** From the taste to the shelf: 24 labels, a batch made again, what it takes to reach a pH. */
export async function shelfLines(highs: LinearSolver): Promise<Line[]> {
  const file = made();
  const end = mainEnd(file).id;
  const sheet = SHEETS.find((s) => s.id === 'a4-24')!;
  const words = { list: 'eu' as const, day: (d: string) => d };
  const page = async () => {
    const label = labelOf(file, end, TODAY);
    const marks = layoutLabel(label, ...sheet.label, { ...words, qr: qrModules(label.code) }, await measureWith(FONTS));
    return labelsPdf(marks, sheet, 24, 0, FONTS, 'Labels');
  };
  const empty = await measureLater(
    () => marksPdf([[{ kind: 'text', x: 10, y: 10, size: 3, face: 'text', text: 'Labels', hex: '#000000' }]], sheet.page, FONTS, 'x'),
    8,
  );
  const lots = file.lots.map((lot) => ({
    lot: lot.heat ? { ...lot, heat: { ...lot.heat, dryShu: lot.heat.dryShu * 1.5 } } : lot,
    freeG: 2000,
  }));
  const wish = { name: 'Again', startDate: TODAY, goal: goalOf(file, end), without: [] };
  const choices = lots.map((l) => ({ lot: l.lot, stockG: l.freeG, prep: 'whole' as const, useFirst: false }));
  const known = knownSauce({ massG: 500, pH: 4.1, shu: 3000, saltPct: 2, sugarPct: 4, body: 4, aceticPct: 0.6 });
  reportTypical(file, TODAY);
  return [
    {
      what: '24 labels from the batch to the PDF, fonts embedded',
      ours: await measureLater(page, 8),
      reference: empty,
      against: 'a page with one word and the same three fonts, by the same library',
      wantedMs: 1000,
    },
    {
      what: 'make again, pods chosen anew',
      ours: measure(() => makeAgain(highs, file, 'b', wish, { lots, rows: [], stored: [], school: 'dry', today: TODAY }), 6, 1),
      reference: measure(() => choosePods(highs, file, choices), 6, 1),
      against: 'one choosing of the same pods',
      wantedMs: 1000,
    },
    {
      what: 'what it takes to reach a pH: five things and water',
      ours: measure(() => acidWork(known.stream, 3.5, 4), 20),
      reference: measure(() => solvePh(poolOf(known.stream)), 20),
      against: 'one pH of the same sauce',
    },
  ];
}
