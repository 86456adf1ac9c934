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
export { readTempLog, type BadRow, type TempLog } from './tempLog';
