import type { Route } from '../route';
import { batchRoutes } from './batches';
import { deviceRoutes } from './devices';
import { heatRoutes } from './heat';
import { kitchenRoutes } from './kitchen';
import { larderRoutes } from './larder';
import { logRoutes } from './log';
import { ownRoutes } from './own';
import { photoRoutes } from './photos';
import { podRoutes } from './pods';
import { settingsRoutes } from './settings';
import { shelfRoutes } from './shelf';
import { scoreRoutes } from './scores';
import { timerRoutes } from './timers';
import { storedRoutes } from './stored';
import { traceRoutes } from './trace';

/** The API: one file of routes for each thing it is about. */
export const ROUTES: readonly Route[] = [
  ...batchRoutes,
  ...photoRoutes,
  ...podRoutes,
  ...larderRoutes,
  ...ownRoutes,
  ...storedRoutes,
  ...shelfRoutes,
  ...heatRoutes,
  ...deviceRoutes,
  ...logRoutes,
  ...traceRoutes,
  ...scoreRoutes,
  ...timerRoutes,
  ...settingsRoutes,
  ...kitchenRoutes,
];
