/** Heat on purpose: boiling by altitude and sterilising times. */
export * from './sterilise';
export * from './thickness';
