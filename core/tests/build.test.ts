import { expect, it } from 'vitest';
import { buildLot, lotOfVariety, turned, variety, type LotSaid } from '@roskel/core';

const SAY: LotSaid = { name: '', form: 'fresh', said: null, saltPct: null, oilPct: null, pH: null };
const habanero = variety('habanero-orange');

it('a new lot is that of its variety under the name given', () => {
  expect(buildLot('a', habanero, SAY)).toEqual(lotOfVariety(habanero, { id: 'a' }));
  expect(buildLot('a', habanero, { ...SAY, name: ' Quay ' }).name).toBe('Quay');
  expect(() => buildLot('a', null, SAY)).toThrow(RangeError);
});
it('a stated heat keeps its basis, and is not counted anew while it stays as stated', () => {
  const said = { value: 3000, basis: 'asIs' as const, source: 'label' as const };
  const lot = buildLot('a', habanero, { ...SAY, said });
  // 3,000 SHU of the pod as it is, at 89 % water.
  expect(lot.heat!.dryShu).toBeCloseTo(3000 / (1 - lot.waterPct / 100), 6);
  const narrowed = { ...lot, heat: { ...lot.heat!, sigma: 0.05 } };
  expect(buildLot('a', habanero, { ...SAY, said }, narrowed).heat!.sigma).toBe(0.05);
  expect(buildLot('a', habanero, { ...SAY, said: { ...said, value: 4000 } }, narrowed).heat!.sigma).not.toBe(0.05);
});
it('what was learnt stays while the variety does; water and sugar while the form does too', () => {
  const learnt = { ...lotOfVariety(habanero, { id: 'a' }), heat: { dryShu: 99_000, sigma: 0.1, source: 'taste' as const } };
  expect(buildLot('a', habanero, { ...SAY, form: 'frozen' }, learnt).heat!.dryShu).toBe(99_000);
  expect(buildLot('a', variety('cayenne-red'), SAY, learnt).heat!.dryShu).not.toBe(99_000);
  const { lot: dried } = turned(learnt, 'dried', 'b');
  const own = { ...dried, waterPct: 7.5 };
  expect(buildLot('b', habanero, { ...SAY, form: 'dried' }, own).waterPct).toBe(7.5);
});
it('salt, oil and pH belong to pastes and ferments; of an archived variety only the name changes', () => {
  const salty = { ...SAY, saltPct: 8, oilPct: 20, pH: 3.6 };
  expect(buildLot('a', habanero, { ...salty, form: 'paste' })).toMatchObject({ saltPct: 8, oilPct: 20, pH: 3.6 });
  expect(buildLot('a', habanero, salty)).not.toHaveProperty('oilPct');
  const kept = lotOfVariety(habanero, { id: 'a', name: 'Old' });
  expect(buildLot('a', null, { ...SAY, name: 'New', form: 'dried' }, kept)).toEqual({ ...kept, name: 'New' });
});
