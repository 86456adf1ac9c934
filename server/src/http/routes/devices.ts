import { DevicesAnswer, DoneAnswer, StandInAnswer, StandInSchema } from '@roskel/contract';
import { Empty, param, type Route } from '../route';

export const deviceRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/devices',
    summary: 'Scales, pens and thermometers that are heard, what they read, and the stand-ins',
    answer: DevicesAnswer,
    run: async (k) => k.devices.all(),
  },
  {
    method: 'post',
    path: '/devices/:id/tare',
    summary: 'Set a scale to zero with what lies on it',
    body: Empty,
    answer: DoneAnswer,
    run: async (k, req) => {
      k.devices.tare(param(req, 'id'));
      return { done: true };
    },
  },
  {
    method: 'put',
    path: '/stand-ins/:id',
    summary: 'Hold a stand-in to something else, plug it in or out, or break it',
    body: StandInSchema,
    answer: StandInAnswer,
    run: async (k, req) => k.devices.change(param(req, 'id'), req.body),
  },
];
