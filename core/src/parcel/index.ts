/** What flows: a stream and its past, how parcels join and part, and what one may ask of them. */
export * from './body';
export * from './foods';
export * from './parcel';
export * from './past';
export * from './props';
export * from './stored';
