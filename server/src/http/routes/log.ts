import { LogAnswer, TOPICS } from '@roskel/contract';
import { listLog } from '../../store/log';
import { serialOf, type Route } from '../route';

/** Lines at once, at most. */
const MOST = 200;
const text = (value: unknown): string | undefined => (typeof value === 'string' && value !== '' ? value.slice(0, 200) : undefined);

export const logRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/log',
    summary:
      'What was done and by whom, newest first; of one thing (topic, item), by one maker (maker), before a line (before), so many (most)',
    answer: LogAnswer,
    run: (k, { query }) => {
      const topic = TOPICS.find((t) => t === query.topic);
      const most = Math.min(MOST, Math.max(1, serialOf(query.most) ?? MOST));
      return listLog(k.db, { topic, itemId: text(query.item), maker: text(query.maker), before: serialOf(query.before), most });
    },
  },
];
