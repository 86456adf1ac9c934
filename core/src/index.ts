/** Roskel's science: pure functions on plain data. */
export * from './acid';
export * from './caution';
export * from './cook';
export * from './ferment';
export * from './file';
export * from './heat';
export * from './keep';
export * from './line';
export * from './matter';
export * from './pantry';
export * from './parcel';
export * from './plan';
export * from './quantity';
export * from './salt';
export * from './solve';
export * from './stat';
export * from './stations';
