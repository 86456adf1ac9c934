import { PhotoAnswer, PhotoSchema } from '@roskel/contract';
import { addPhoto, getPhoto } from '../../store/photos';
import { FileAnswer, param, type Route } from '../route';

export const photoRoutes: readonly Route[] = [
  {
    method: 'post',
    path: '/batches/:id/photos',
    summary: 'Keep a picture of a jar, a JPEG in base64',
    body: PhotoSchema,
    answer: PhotoAnswer,
    status: 201,
    run: (k, req) => addPhoto(k.db, param(req, 'id'), (req.body as { jpeg: string }).jpeg),
  },
  {
    method: 'get',
    path: '/photos/:id',
    summary: 'A picture of a jar',
    answer: { file: 'image/jpeg' },
    run: async (k, req) => new FileAnswer(`${param(req, 'id')}.jpg`, 'image/jpeg', await getPhoto(k.db, param(req, 'id'))),
  },
];
