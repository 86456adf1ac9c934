import type { BatchRow } from '@roskel/contract';
import { api } from '../api/client';

/** Whether this browser can keep the program and the kitchen: it does so over TLS, or on the machine itself. */
export const canKeep = (): boolean => 'serviceWorker' in navigator && window.isSecureContext;
export const isKept = async (): Promise<boolean> => canKeep() && (await navigator.serviceWorker.getRegistration('/')) !== undefined;

/** What every page begins with; read once so that it is there. */
const LISTS = [
  '/settings',
  '/batches',
  '/today',
  '/needs',
  '/pods',
  '/larder',
  '/stored',
  '/shelf',
  '/varieties',
  '/ingredients',
  '/tools',
  '/makers',
  '/heat',
  '/log?most=60',
];
/** So many batches, the newest first, are read in ahead. */
const MOST_BATCHES = 60;

/** Keeps the program, the lists and the batches on this device, for when the server is away. */
export async function keepOnDevice(): Promise<void> {
  await navigator.serviceWorker.register('/sw.js', { scope: '/' });
  await navigator.serviceWorker.ready;
  if (!navigator.serviceWorker.controller)
    await new Promise<void>((taken) => navigator.serviceWorker.addEventListener('controllerchange', () => taken(), { once: true }));
  for (const path of LISTS) await api.get(path);
  const rows = await api.get<BatchRow[]>('/batches');
  for (const { id } of rows.slice(0, MOST_BATCHES)) await api.get(`/batches/${id}`);
}

/** Looks so often, and so far apart, whether an answer that was on its way was put there after all, ms. */
const LOOKS = 3;
const BETWEEN_MS = 200;

/** Takes everything that was kept off this device. */
export async function forgetOnDevice(): Promise<void> {
  if (!canKeep()) return;
  const kept = await navigator.serviceWorker.getRegistration('/');
  // It goes on answering this page until that is left, but keeps nothing any more.
  kept?.active?.postMessage(__FORGET__);
  await kept?.unregister();
  for (let look = 0; look < LOOKS; look++) {
    for (const name of await caches.keys()) await caches.delete(name);
    await new Promise((later) => setTimeout(later, BETWEEN_MS));
  }
}
