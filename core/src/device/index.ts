export * from './quantity';
export * from './line';
export * from './hold';
