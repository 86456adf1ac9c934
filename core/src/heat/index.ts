/** Heat: pungency arithmetic, levels, the knife, how sure one may be, and what tasting teaches. */
export * from './pungency';
export * from './level';
export * from './preparation';
export * from './lotHeat';
export * from './blur';
export * from './monteCarlo';
export * from './doubt';
export * from './scale';
export * from './dilution';
export * from './learn';
export * from './events';
export * from './eaten';
