/** Making a batch again, and batches side by side. */
export * from './lessons';
export * from './again';
export * from './compare';
