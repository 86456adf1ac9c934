/** The craft and its dangers in plain words, and ten short cases to try oneself on. */
export * from './topic';
export * from './topics';
export * from './search';
export * from './trainer';
