import { afterEach, expect, it, vi } from 'vitest';
import { mapStations } from '@roskel/core';
import { exampleFile } from '../../core/tests/helpers';
import { working, workBeside } from '../src/working';
import { heatsOf, workedOut } from '../src/working/out';

const DAY = '2026-11-27';
let end = () => {};
afterEach(() => {
  end();
  vi.restoreAllMocks();
});

const bottled = () => mapStations(exampleFile(), (s) => ({ ...s, log: { ...s.log, doneOn: '2026-11-20' } }));
const broken = () => mapStations(exampleFile(), (s) => ({ ...s, intakes: [] }));

it('a worker works out what would be worked out here, trouble and bottles too, while this thread goes on', async () => {
  const beside = workBeside();
  end = beside.end;
  await beside.begun;
  for (const file of [exampleFile(), bottled(), broken()]) expect(await working.workedOut(file, DAY)).toEqual(workedOut(file, DAY));
  expect((await working.workedOut(bottled(), DAY)).bottles).toHaveLength(1);
  let turns = 0;
  const turning = setInterval(() => turns++, 1);
  expect(await working.heatsOf(bottled(), DAY)).toEqual(heatsOf(bottled(), DAY));
  clearInterval(turning);
  expect(turns).toBeGreaterThan(5);
});

it('a worker that cannot go on is told, and what it was to do is done here', async () => {
  const told = vi.spyOn(console, 'error').mockReturnValue(undefined);
  const beside = workBeside('/not/there.js');
  end = beside.end;
  await expect(beside.begun).rejects.toThrow();
  expect(told).toHaveBeenCalledOnce();
  expect(await working.workedOut(exampleFile(), DAY)).toEqual(workedOut(exampleFile(), DAY));
});

it('ended in the middle, what waits for it fails and waits no longer; what comes after is done here', async () => {
  const beside = workBeside();
  await beside.begun;
  const waiting = working.heatsOf(bottled(), DAY);
  beside.end();
  await expect(waiting).rejects.toThrow('has ended');
  expect(await working.workedOut(exampleFile(), DAY)).toEqual(workedOut(exampleFile(), DAY));
});

it('ended, it is done here', async () => {
  workBeside().end();
  expect(await working.workedOut(exampleFile(), DAY)).toEqual(workedOut(exampleFile(), DAY));
});
