/** Heat on purpose: boiling by altitude and sterilising times. */
export * from './sterilise';
export * from './thickness';
export * from './evaporate';
export * from './steep';
export * from './fry';
