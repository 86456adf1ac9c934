/** Solving: which pods and how much, as linear programs behind a small solver interface. */
export * from './linear';
export * from './blend';
export * from './gain';
export * from './pods';
export * from './wholePods';
export * from './bench';
