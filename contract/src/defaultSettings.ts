import type { Settings } from './records';

/** A kitchen that nobody has set up. */
export const DEFAULT_SETTINGS: Settings = {
  kitchen: 'metric',
  school: 'dry',
  temperature: 'C',
  weight: 'g',
  dates: 'browser',
  weekStart: 'browser',
  hob: 'coil',
  tariff: null,
  currency: '',
  threshold: null,
  palate: {},
};
