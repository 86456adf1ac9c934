import { EditPodLotSchema, HistoryAnswer, listAnswer, MoveSchema, NewPodLotSchema, PodLotAnswer, TurnSchema } from '@roskel/contract';
import { addPod, archivedPods, archivePod, editPod, listPods, movePod, podHistory, turnPod, unturnPod } from '../../store/pods';
import { announced, announcedMore, moved, turned, archiveRoutes, Empty, param, type Route } from '../route';

export const podRoutes: readonly Route[] = [
  { method: 'get', path: '/pods', summary: 'Pod lots with their stock', answer: listAnswer(PodLotAnswer), run: (k) => listPods(k.db) },
  {
    method: 'post',
    path: '/pods',
    summary: 'Add a pod lot',
    body: NewPodLotSchema,
    answer: PodLotAnswer,
    status: 201,
    run: async (k, req) => announced(k, 'pods', await addPod(k.db, req.body, k.today()), { did: 'added' }),
  },
  {
    method: 'put',
    path: '/pods/:id',
    summary: 'Change a pod lot; 409 when it was changed elsewhere',
    body: EditPodLotSchema,
    answer: PodLotAnswer,
    run: async (k, req) =>
      announced(k, 'pods', await editPod(k.db, param(req, 'id'), req.body.revision, req.body.input, k.today()), { did: 'changed' }),
  },
  {
    method: 'post',
    path: '/pods/:id/moves',
    summary: 'Move stock in or out',
    body: MoveSchema,
    answer: PodLotAnswer,
    run: async (k, req) => announced(k, 'pods', await movePod(k.db, param(req, 'id'), req.body), moved(req.body)),
  },
  {
    method: 'get',
    path: '/pods/:id/history',
    summary: 'Stock moves and heat history of a lot',
    answer: HistoryAnswer,
    run: (k, req) => podHistory(k.db, param(req, 'id')),
  },
  {
    method: 'post',
    path: '/pods/:id/turn',
    summary: 'Dry, freeze or grind some of a lot into a new one',
    body: TurnSchema,
    answer: PodLotAnswer,
    status: 201,
    run: async (k, req) => announcedMore(k, 'pods', await turnPod(k.db, param(req, 'id'), req.body, k.today()), turned(req.body)),
  },
  {
    method: 'post',
    path: '/pods/:id/unturn',
    summary: 'Take such a turning back',
    body: Empty,
    answer: PodLotAnswer,
    run: async (k, req) => announcedMore(k, 'pods', await unturnPod(k.db, param(req, 'id')), { did: 'unturned' }),
  },
  ...archiveRoutes('pods', { put: archivePod, list: archivedPods, answer: PodLotAnswer }),
];
