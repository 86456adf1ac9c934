import type { Topic } from '../topic';
import { ACID } from './acid';
import { DANGER } from './danger';
import { HEAT } from './heat';
import { JAR } from './jar';
import { KEEP } from './keep';
import { PAGE } from './page';
import { POT } from './pot';
import { SALT } from './salt';

/** Every topic of the guide, in its order. */
export const TOPICS: readonly Topic[] = [...DANGER, ...HEAT, ...ACID, ...SALT, ...JAR, ...POT, ...KEEP, ...PAGE];

export const topicOf = (id: string): Topic | null => TOPICS.find((t) => t.id === id) ?? null;
