/** Solving: which pods and how much, as linear programs behind a small solver interface. */
export * from './linear';
export * from './blend';
export * from './gain';
export * from './made';
export * from './margin';
export * from './pods';
export { DEFAULT_POD_WISH, type Mix, type PodWish } from './podsAsk';
export type { PodAnswer } from './podsShort';
export { gainOfMix, useMix, withSomePods } from './putMix';
export * from './wholePods';
export * from './bench';
export * from './reach';
export * from './trim';
