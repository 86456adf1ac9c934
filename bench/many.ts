import { LineProblem, reportLine } from '@roskel/core';
import { dice, randomBatch } from '../core/tests/random';

/**
 * Runs random batches (all kinds of lots, measured and unmeasured, done and planned) and counts what must not be. Usage:
 * `npm run many`, or with a count, members and a seed: `npm run many -- 2000 60 7`. Exits with 1 when a count is above 0.
 */
const [count = 2000, members = 60, seed = 7] = process.argv.slice(2).map(Number);
const d = dice(seed);
const bad = { throws: 0, notFinite: 0, disordered: 0, cupboardWithoutEvidence: 0 };
let [ran, refused, apart, bands] = [0, 0, 0, 0];
for (let i = 0; i < count; i++) {
  const file = randomBatch(d);
  try {
    const report = reportLine(file, { today: '2026-12-01', members, forecast: i % 10 === 0 });
    ran++;
    for (const s of report.stations) {
      for (const [what, band] of Object.entries(s.band)) {
        if (!band) continue;
        if (![band.p10, band.p50, band.p90].every(Number.isFinite)) bad.notFinite++;
        if (band.p10 > band.p50 + 1e-9 || band.p50 > band.p90 + 1e-9) bad.disordered++;
        if (what !== 'pH' || s.now.pH === null) continue;
        bands++;
        if (Math.abs(band.p50 - s.now.pH) > 0.3) apart++;
      }
    }
    const [sauce] = report.ends;
    const end = report.stations.find((s) => s.id === sauce?.stationId) ?? report.stations.at(-1)!;
    const evidence = end.phMeasured && (end.log.pH ?? 9) <= 4 && end.log.instrument === 'meter';
    if (sauce?.keeping?.place === 'cupboard' && !evidence) bad.cupboardWithoutEvidence++;
  } catch (error) {
    if (error instanceof LineProblem) refused++;
    else {
      bad.throws++;
      console.error(`batch ${i}:`, error);
    }
  }
}
console.log(`${count} random batches: ${ran} ran, ${refused} refused with a sentence at a field.`);
console.log(`pH of ${bands} steps: ${apart} with the middle of the worlds more than 0.3 from the typical one.`);
console.log(
  Object.entries(bad)
    .map(([what, n]) => `${what}: ${n}`)
    .join(', '),
);
process.exitCode = Object.values(bad).some((n) => n > 0) ? 1 : 0;
