import type { Intake, StationEntry } from '../file';
import { stationKind } from '../stations';
import type { Style } from './style';

const larder = (key: string, g: number, words?: string): Intake => ({
  id: key,
  origin: { from: 'larder', key },
  amount: { g, ...(words === undefined ? {} : { words }) },
});
/** The usual jug for the pods of some small bottles (common practice, no source). */
const jug = () => [larder('vinegar_cider', 300), larder('garlic', 12, '3 cloves')];
const STATIONS = ['prep', 'salt', 'ferment', 'drain', 'blend', 'strain', 'bottle'] as const;

/** Pods in brine, soured, blended with vinegar, strained and bottled. */
export const brineFerment: Style = {
  id: 'brine-ferment',
  name: 'brine ferment',
  strands: (goal) => {
    const stations = STATIONS.map((name): StationEntry => {
      const kind = stationKind(name);
      return { id: name, kind: name, intakes: kind.usual === 'larder' ? jug() : [], params: kind.defaults(), log: {} };
    });
    return [{ id: 'main', name: 'Sauce', stations, goal }];
  },
};
