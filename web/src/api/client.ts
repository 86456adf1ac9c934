import { ref } from 'vue';
import { ANOTHER_KITCHEN, MAKER_HEADER, type Problem } from '@roskel/contract';
import { goToKitchen, heardKitchen, meansKitchen } from './kitchen';
import { makerHere } from './maker';

/** What the server refused, with its sentence and the fields it names. */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** The server, or the database behind it, cannot be reached; nothing was lost, try again. */
export class Offline extends Error {
  constructor() {
    super('The Roskel server does not answer. Your work is kept in this window.');
  }
}

/** The server is there and its database is not (RFC 9110: 503). */
const AWAY = 503;
/** Nobody said the passphrase here, or it is another one now. */
const LOCKED = 401;

/**
 * A server that says nothing for so long does not answer: what was asked can be asked again. A POST that is done twice is two
 * things, and is waited for.
 */
const PATIENCE_MS = 15_000;

/** The last answer was one that this device had kept: the server did not answer. */
export const fromHere = ref(false);

async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
  let response: Response;
  const type = body === undefined ? null : body instanceof Blob ? 'application/zip' : 'application/json';
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: {
        'X-Roskel': '1',
        ...meansKitchen(),
        ...(makerHere.value ? { [MAKER_HEADER]: makerHere.value } : {}),
        ...(type ? { 'Content-Type': type } : {}),
      },
      body: body === undefined ? null : body instanceof Blob ? body : JSON.stringify(body),
      signal: method === 'POST' ? null : AbortSignal.timeout(PATIENCE_MS),
    });
  } catch {
    throw new Offline();
  }
  fromHere.value = response.headers.has(__KEPT_HEADER__);
  if (response.status === ANOTHER_KITCHEN) {
    void goToKitchen(response);
    // The page goes: nobody waits for an answer.
    return new Promise<T>(() => {});
  }
  heardKitchen(response);
  if (response.status === AWAY) throw new Offline();
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
function write<T>(method: string, path: string, body?: unknown): Promise<T> {
  const answer = call<T>(method, path, body);
  const kept = answer.catch(() => undefined).finally(() => writing.delete(kept));
  writing.add(kept);
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
  post: <T>(path: string, body: unknown) => write<T>('POST', path, body),
  put: <T>(path: string, body: unknown) => write<T>('PUT', path, body),
  patch: <T>(path: string, body: unknown) => write<T>('PATCH', path, body),
  remove: <T>(path: string) => write<T>('DELETE', path),
};
