/** Heat: pungency arithmetic, levels, what the knife does, and how sure one may be. */
export * from './pungency';
export * from './level';
export * from './preparation';
export * from './blur';
