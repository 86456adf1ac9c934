/** What stands ready: pod lots and ingredients, and how they become streams. */
export * from './lot';
export * from './build';
export * from './source';
export * from './school';
export * from './turn';
export * from './keeping';
export * from './hotRow';
export * from './larder';
export * from './swell';
export * from './cut';
export * from './stir';
