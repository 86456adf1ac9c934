/** Where things came from and went, and what was measured on the way. */
export * from './csv';
export * from './measured';
export * from './nutrition';
export * from './trace';
