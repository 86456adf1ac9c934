/** Heat on purpose: boiling by altitude and sterilising times. */
export * from './sterilise';
export * from './thickness';
export * from './evaporate';
export * from './steep';
export * from './fry';
export * from './cool';
export * from './temper';
export * from './starch';
export * from './soften';
export * from './blender';
export * from './weighIn';
export * from './lethality';
export * from './energy';
export { readTempLog, TIME_UNITS, type BadRow, type TempLog, type TimeUnit } from './tempLog';
