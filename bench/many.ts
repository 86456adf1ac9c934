import { faultsOf, type Fault } from '../core/tests/faults';
import { dice, randomBatch } from '../core/tests/random';

/**
 * Runs random batches (all kinds of lots, kept and bought things, own rows with and without allergens; measured and
 * unmeasured, done and planned, with days between the steps and jars ended early) and counts what must not be. Usage:
 * `npm run many`, or with a count, members and a seed: `npm run many -- 2000 60 7`. Exits with 1 when a count is above 0.
 */
const [count = 2000, members = 60, seed = 7] = process.argv.slice(2).map(Number);
const d = dice(seed);
const bad: Record<Fault | 'throws', number> = {
  ...{ throws: 0, 'not finite': 0, disordered: 0, 'cupboard without evidence': 0, clock: 0, 'told twice': 0 },
};
let [ran, refused, apart, bands] = [0, 0, 0, 0];
for (let i = 0; i < count; i++) {
  const file = randomBatch(d);
  try {
    const found = faultsOf(file, { today: '2026-12-01', members, forecast: i % 10 === 0, card: i % 4 === 0 });
    if (!found) {
      refused++;
      continue;
    }
    ran++;
    apart += found.apart;
    bands += found.bands;
    for (const [fault, what] of found.faults) {
      bad[fault]++;
      if (bad[fault] <= 5) console.error(`batch ${i}: ${fault}: ${what}`);
    }
  } catch (error) {
    bad.throws++;
    console.error(`batch ${i}:`, error);
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
