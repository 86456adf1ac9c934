import { ref } from 'vue';
import { ANOTHER_KITCHEN, KEY_HEADER, MAKER_HEADER, type Problem } from '@roskel/contract';
import { goToKitchen, heardKitchen, meansKitchen } from './kitchen';
import { makerHere } from './maker';

/** What the server refused, with its sentence and the fields it names. */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** The server, or the database behind it, cannot be reached; what was asked can be asked again. */
export class Offline extends Error {
  constructor(method: string) {
    const can = method === 'GET' ? 'Try again in a moment.' : 'This cannot be done now: try again when it does.';
    super(`The Roskel server does not answer. ${can}`);
  }
}

/** The server is there and its database is not (RFC 9110: 503). */
const AWAY = 503;
/** Nobody said the passphrase here, or it is another one now. */
const LOCKED = 401;

/** A server that says nothing for so long does not answer: what was asked can be asked again. */
const PATIENCE_MS = 15_000;
/** What makes or moves something is asked again after so long each, ms: its answer may be what was lost. */
const AGAIN_MS = [400, 1500];
/** A key for it, so that it is done once; by numbers that every page may have, also over plain HTTP. */
export const newKey = () => [...crypto.getRandomValues(new Uint32Array(4))].map((n) => n.toString(36)).join('-');

/**
 * Keys of what was sent and not answered, by what it was: said again at once it is the same thing. Later, or once its list was
 * read anew, its maker sees whether it was done, and the same said again is another.
 */
const unanswered = new Map<string, { key: string; since: number }>();
const AT_ONCE_MS = 20_000;
const listOf = (path: string) => path.split(/[/?]/)[1]!;
function seen(path: string): void {
  for (const what of unanswered.keys()) if (listOf(what) === listOf(path)) unanswered.delete(what);
}

/** The last answer was one that this device had kept: the server did not answer. */
export const fromHere = ref(false);

/** How something is sent that is kept until it is answered: under which key, by whom, and how long one waits, ms. */
interface Kept {
  key: string;
  maker: string | null;
  patienceMs: number;
}

async function call<T>(method: string, path: string, body?: unknown, kept?: Kept): Promise<T> {
  const what = kept ? kept.key : `${path}?${body instanceof Blob ? '' : JSON.stringify(body)}`;
  const before = unanswered.get(what);
  const fresh = () => (before && Date.now() - before.since < AT_ONCE_MS ? before.key : newKey());
  const key = kept?.key ?? (method === 'POST' ? fresh() : null);
  const maker = kept ? kept.maker : makerHere.value;
  // Two that are on their way at once are two.
  unanswered.delete(what);
  const away = () => {
    if (key && !kept) unanswered.set(what, { key, since: Date.now() });
    return new Offline(method);
  };
  const type = body === undefined ? null : body instanceof Blob ? 'application/zip' : 'application/json';
  const send = () =>
    fetch(`/api${path}`, {
      method,
      headers: {
        'X-Roskel': '1',
        ...(key ? { [KEY_HEADER]: key } : {}),
        ...meansKitchen(),
        ...(maker ? { [MAKER_HEADER]: maker } : {}),
        ...(type ? { 'Content-Type': type } : {}),
      },
      body: body === undefined ? null : body instanceof Blob ? body : JSON.stringify(body),
      // A whole kitchen takes as long as it takes.
      signal: body instanceof Blob || path.startsWith('/kitchen') ? null : AbortSignal.timeout(kept?.patienceMs ?? PATIENCE_MS),
    });
  /** No answer: the line broke, or nothing was said for too long; the latter is not waited for again. */
  const lost = (e: unknown): 'silent' | 'broken' => ((e as Error).name === 'TimeoutError' ? 'silent' : 'broken');
  let response: Response | 'silent' | 'broken' = await send().catch(lost);
  for (const ms of key ? AGAIN_MS : []) {
    if (response !== 'broken') break;
    await new Promise((later) => setTimeout(later, ms));
    response = await send().catch(lost);
  }
  if (typeof response === 'string') throw away();
  fromHere.value = response.headers.has(__KEPT_HEADER__);
  if (response.status === ANOTHER_KITCHEN) {
    void goToKitchen(response);
    // The page goes: nobody waits for an answer.
    return new Promise<T>(() => {});
  }
  heardKitchen(response);
  if (response.status === AWAY) throw away();
  if (method === 'GET' && response.ok && !fromHere.value) seen(path);
  if (response.status === LOCKED && !path.startsWith('/enter') && location.pathname !== '/enter')
    location.assign(`/enter?to=${encodeURIComponent(location.pathname + location.search)}`);
  const value: unknown = await response.json().catch(() => null);
  if (!response.ok) {
    throw new ApiProblem(
      (value as Problem | null) ?? {
        type: 'about:blank',
        title: 'Our fault',
        status: response.status,
        detail: 'The server gave no answer that can be read.',
      },
    );
  }
  return value as T;
}

/** Writes that were sent and not answered yet. */
const writing = new Set<Promise<unknown>>();
function write<T>(method: string, path: string, body?: unknown, kept?: Kept): Promise<T> {
  const answer = call<T>(method, path, body, kept);
  const settled = answer.catch(() => undefined).finally(() => writing.delete(settled));
  writing.add(settled);
  return answer;
}
/** Waits until every write is answered, and whoever asked for it has had its turn. */
export async function written(): Promise<void> {
  while (writing.size > 0) {
    await Promise.all(writing);
    await new Promise((next) => setTimeout(next));
  }
}

export const api = {
  get: <T>(path: string) => call<T>('GET', path),
  post: <T>(path: string, body: unknown, kept?: Kept) => write<T>('POST', path, body, kept),
  put: <T>(path: string, body: unknown) => write<T>('PUT', path, body),
  patch: <T>(path: string, body: unknown) => write<T>('PATCH', path, body),
  remove: <T>(path: string) => write<T>('DELETE', path),
};
