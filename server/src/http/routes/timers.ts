import { TimerSchema, TimersSchema, type Timer, type Timers } from '@roskel/contract';
import { Unfit } from '../../store/errors';
import { listTimers, putTimer } from '../../store/timers';
import { param, type Route } from '../route';

const told = (...timers: Timer[]): Timers => ({ now: Date.now(), timers });

export const timerRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/timers',
    summary: 'The timers of the kitchen, and the clock they run by',
    answer: TimersSchema,
    run: async (k) => told(...(await listTimers(k.db))),
  },
  {
    method: 'put',
    path: '/timers/:id',
    summary: 'Set, hold, end or take off a timer; of two devices the later change counts',
    body: TimerSchema,
    answer: TimersSchema,
    run: async (k, req) => {
      if (req.body.id !== param(req, 'id'))
        throw new Unfit('This is another timer.', [{ path: 'id', message: 'The address names another.' }]);
      const now = told(await putTimer(k.db, req.body as Timer, Date.now()));
      // Without the time: who was away hears of it later.
      k.say({ topic: 'timers', id: req.body.id, record: { timers: now.timers } });
      return now;
    },
  },
];
