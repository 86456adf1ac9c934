/** The open batch file: what stands in it and in which shape, older versions of it, and what changes in it. Knows no station. */
export * from './parts';
export * from './intake';
export * from './stored';
export * from './tool';
export * from './batch';
export * from './v1';
export * from './upgrade';
export * from './change';
