/** The open batch file: what stands in it and in which shape. Knows no station. */
export * from './batch';
