/** The jar: kinetics of a lactic ferment, its forecast as a band, and the ready window. */
export * from './constants';
export * from './rates';
export * from './jarPh';
export * from './lively';
export * from './priors';
export * from './model';
export * from './forecast';
export * from './signs';
export * from './gas';
export * from './rise';
export * from './judge';
export * from './drift';
export * from './learn';
export * from './ready';
export * from './warmth';
export * from './pressure';
export * from './wrong';
