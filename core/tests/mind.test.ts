import { describe, expect, it } from 'vitest';
import { isIn, mapStations, toMind, withIn, withoutOldTicks, type Caution, type Severity } from '../src';
import { exampleFile } from './helpers';

const said = (...all: Severity[]): Caution[] =>
  all.map((severity, i) => ({ id: `${severity}-${i}`, severity, text: `${severity} ${i}`, why: '', authority: '', guide: 'keeping' }));
const line = (here: Severity[], working: Severity[], later: Severity[]) => [
  { id: 'later', name: 'Bottle', active: false, cautions: said(...later) },
  { id: 'here', name: 'Blend', active: false, cautions: said(...here) },
  { id: 'working', name: 'Ferment', active: true, cautions: said(...working) },
];

describe('what is told of danger in one line', () => {
  it.each([
    // Here, where somebody works, and later: what the line says, of where, which dangers it names besides, how many others.
    [['note', 'danger', 'caution'], ['danger'], [], 'Blend: danger 1', ['Ferment'], 3],
    [['caution'], ['danger'], ['danger'], 'Ferment: danger 0', ['Bottle'], 2],
    [['note', 'caution'], ['caution'], ['danger', 'note'], 'Blend: caution 1', ['Bottle'], 3],
    [['caution', 'caution'], [], [], 'Blend: caution 0', [], 1],
    [[], [], ['note', 'danger'], 'Bottle: danger 1', [], 1],
    [['note'], [], [], 'Blend: note 0', [], 0],
  ] as [Severity[], Severity[], Severity[], string, string[], number][])(
    'here %o, at work %o, later %o: %s',
    (here, working, later, first, dangers, others) => {
      const told = toMind(line(here, working, later), 'here')!;
      expect(`${told.first.name}: ${told.first.cautions[0]!.text}`).toBe(first);
      expect([told.dangers, told.others]).toEqual([dangers, others]);
    },
  );
  it('says nothing where nothing is, or only cautions of other places', () => {
    expect(toMind(line([], [], []), 'here')).toBeNull();
    expect(toMind(line([], ['caution'], ['note']), 'here')).toBeNull();
  });
});

describe('ticks of what is in', () => {
  const file = exampleFile();
  const blend = file.strands[0]!.stations.find((s) => s.id === 'blend')!;
  const thing = blend.intakes[0]!.id;
  it('stand and fall with the thing: put in again it is not in yet', () => {
    const ticked = withIn(withIn(withIn(file, 'blend', thing, true), 'blend', '+along', true), 'salt', '+water', true);
    expect([isIn(ticked, 'blend', thing), isIn(ticked, 'blend', '+along'), isIn(file, 'blend', thing)]).toEqual([true, true, false]);
    expect(withoutOldTicks(ticked)).toBe(ticked);
    const without = withoutOldTicks(mapStations(ticked, (s) => (s.id === 'blend' ? { ...s, intakes: s.intakes.slice(1) } : s)));
    const again = mapStations(without, (s) => (s.id === 'blend' ? blend : s));
    expect([isIn(again, 'blend', thing), isIn(again, 'blend', '+along'), isIn(again, 'salt', '+water')]).toEqual([false, true, true]);
  });
  it('of duties nothing is lost, but of stations that are gone', () => {
    const done = { ...file, dutiesDone: ['ferment/push-1', 'nowhere/push-1', 'nowhere/in-x'] };
    expect(withoutOldTicks(done).dutiesDone).toEqual(['ferment/push-1']);
  });
});
