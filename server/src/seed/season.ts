import type { Db } from '../db/open';
import { addOwn } from '../store/own';

/** What the demo's garden and its friends ask for, as its cooks would write it. */
export async function seedSeason(db: Db): Promise<void> {
  await addOwn(db, 'season', {
    ...{ id: 'season', name: 'Season', perMonth: 1, bottleMl: 100, weekday: 6, freezerG: 3000 },
    ripens: [
      '20 fresnos from mid-August',
      '1 kg cayennes, July to September',
      '300 g habaneros in early September',
      '2 kg poblanos in late August',
    ].join('\n'),
    wishes: [
      '12 presents by 15 December, two kinds, one mild',
      '2 very hot ones for us by 1 November',
      '6 medium for the boat by 1 June',
    ].join('\n'),
    styles: ['brine-ferment', 'mash-ferment', 'simmered-vinegar', 'long-reduced'],
    ...{ pins: [], begun: [], kept: null },
  });
}
