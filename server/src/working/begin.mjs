// A worker reads TypeScript only when it is told how, as the process itself was.
import { register } from 'tsx/esm/api';

register();
await import('./worker.ts');
