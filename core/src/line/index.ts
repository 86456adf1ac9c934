/** The line: batch files, running them in one world or many, dates, and the report that everything shows. */
export * from './reading';
export * from './worlds';
export * from './run';
export * from './schedule';
export * from './ensemble';
export * from './report';
export * from './summary';
export * from './compose';
export * from './balance';
export * from './why';
export * from './taste';
export * from './added';
export * from './leftover';
export * from './news';
