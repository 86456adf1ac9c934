import { HouseAnswer, SettingsSchema } from '@roskel/contract';
import { getSettings, putSettings } from '../../store/settings';
import type { Route } from '../route';

export const settingsRoutes: readonly Route[] = [
  { method: 'get', path: '/settings', summary: 'Settings of this kitchen', answer: SettingsSchema, run: (k) => getSettings(k.db) },
  {
    method: 'get',
    path: '/house',
    summary: 'Where others in the house find this kitchen',
    answer: HouseAnswer,
    run: (k) => Promise.resolve(k.house),
  },
  {
    method: 'put',
    path: '/settings',
    summary: 'Change the settings',
    body: SettingsSchema,
    answer: SettingsSchema,
    run: async (k, req) => {
      const value = await putSettings(k.db, req.body);
      k.say({ topic: 'settings', id: 'maker' });
      k.log({ topic: 'settings', itemId: 'maker', name: '', did: 'changed' });
      return value;
    },
  },
];
