import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import type { Banded, BatchFile, LineReport, Props } from '@roskel/core';

const USAGE = 'npm run --silent line -- FILE.json [--json] [--today YYYY-MM-DD] [--members N]';

function stop(message: string): never {
  console.error(message);
  process.exit(2);
}

function read(path: string): unknown {
  let text: string;
  try {
    text = readFileSync(path, 'utf8');
  } catch {
    return stop(`${path} cannot be read.`);
  }
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    return stop(`${path} is not JSON: ${(error as Error).message}`);
  }
}

const figures: Record<Banded, (x: number) => string> = {
  massG: (x) => x.toFixed(1),
  heatShu: (x) => x.toFixed(0),
  pH: (x) => x.toFixed(2),
  saltPct: (x) => x.toFixed(2),
  sweetPct: (x) => x.toFixed(2),
  body: (x) => x.toFixed(1),
};

function cell(report: LineReport, i: number, key: Banded): string {
  const s = report.stations[i]!;
  const value = (s.now as Props)[key];
  if (value === null) return '-';
  const band = s.band[key];
  return figures[key](value) + (band ? ` (${figures[key](band.p10)}..${figures[key](band.p90)})` : '');
}

function table(rows: string[][]): string {
  const widths = rows[0]!.map((_, c) => Math.max(...rows.map((r) => r[c]!.length)));
  return rows
    .map((r) =>
      r
        .map((x, c) => x.padEnd(widths[c]!))
        .join('  ')
        .trimEnd(),
    )
    .join('\n');
}

/** Where a strand goes to, in words. */
function goesTo(report: LineReport, strandId: string): string {
  const { into, leftG } = report.strands.find((s) => s.id === strandId)!;
  const takers = into.map((t) => `${t.massG.toFixed(1)} g into ${stationOf(report, t.stationId).name} (${t.stationId})`);
  return [...takers, ...(leftG > 0.05 ? [`${leftG.toFixed(1)} g left over`] : [])].join(', ');
}

function print(file: BatchFile, report: LineReport): void {
  const head = ['station', 'date', 'in g', 'added g', 'left g', 'out g', 'heat SHU', 'pH', 'salt %', 'sugar %', 'body'];
  console.log(file.name);
  for (const strand of report.strands) {
    const rows = strand.stationIds.map((id) => {
      const i = report.stations.findIndex((s) => s.id === id);
      const s = report.stations[i]!;
      return [
        s.name + (s.done ? ' (done)' : ''),
        s.to,
        s.inG.toFixed(1),
        s.additions.map((a) => `${a.name} ${a.massG.toFixed(1)}`).join(', ') || '-',
        s.sides.map((x) => `${x.name} ${x.massG.toFixed(1)}`).join(', ') || '-',
        s.now.massG.toFixed(1),
        ...(['heatShu', 'pH', 'saltPct', 'sweetPct', 'body'] as const).map((k) => cell(report, i, k)),
      ];
    });
    const to = goesTo(report, strand.id);
    console.log(`\n${strand.name}${to ? `: ${to}` : ''}`);
    console.log(table([head, ...rows]));
  }
  console.log(`\nIn brackets: 10 to 90 % of ${report.members} runs. Predicted values are not measurements.`);
  console.log('Body runs from 1 (like water) to 7 (stands up).');
  for (const end of report.ends) {
    const b = end.bottles;
    console.log(`\n${end.name}: ${b.filled} of ${b.wanted} bottles, ${b.bottleMl} ml each, ${b.overMl.toFixed(0)} ml left over.`);
    console.log(`Inside the heat bracket: ${Math.round(end.odds * 100)} in 100.`);
    if (end.keeping) console.log(`Keep: ${end.keeping.text}`);
  }
  console.log('');
  for (const c of report.cautions) console.log(`${c.severity.toUpperCase()} (${c.stationId}): ${c.text} ${c.why} [${c.authority}]`);
}

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { json: { type: 'boolean', default: false }, today: { type: 'string' }, members: { type: 'string' } },
});
if (positionals.length !== 1) stop(USAGE);
const path = positionals[0]!;
const said = read(path);
// Only now: what is no file at all is answered at once.
const { LineProblem, reportLine, stationOf } = await import('@roskel/core');
const { checkBatchFile } = await import('@roskel/contract/validate');
const checked = checkBatchFile(said);
if (!checked.ok)
  stop(`${path} is not a batch that can be run:\n${checked.errors.map((e) => `  ${e.path || 'file'}: ${e.message}`).join('\n')}`);
try {
  const today = values.today ?? new Date().toISOString().slice(0, 10);
  const report = reportLine(checked.file, { today, ...(values.members ? { members: Number(values.members) } : {}) });
  if (values.json) console.log(JSON.stringify(report, null, 2));
  else print(checked.file, report);
} catch (error) {
  if (!(error instanceof LineProblem)) throw error;
  stop(`${path}: ${error.stationId}${error.field ? `/${error.field}` : ''}: ${error.message}`);
}
