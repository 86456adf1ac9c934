import type { ChangeEvent, DeviceState } from '@roskel/contract';

type Listener = (event: ChangeEvent) => void;
const listeners = new Set<Listener>();
const hearers = new Set<(state: DeviceState) => void>();

/** What is heard, and passed on to the other windows of the browser; `last`: the number to come back with. */
type Told = { kind: 'change'; event: ChangeEvent; last: string } | { kind: 'device'; state: DeviceState };
let last = '';
function hear(told: Told): void {
  if (told.kind === 'device') for (const h of hearers) h(told.state);
  else {
    last = told.last || last;
    for (const l of listeners) l(told.event);
  }
}
const ALL: Told = { kind: 'change', event: { topic: 'all', id: '' }, last: '' };

/** From one try to the next, where the server refused the stream, ms. */
const AGAIN_MS = 4000;
/** Listens to what the server announces, from where one last heard; gives the way to stop. */
function stream(tell: (told: Told) => void, broken = false): () => void {
  const source = new EventSource(`/api/events${last ? `?last=${encodeURIComponent(last)}` : ''}`);
  let broke = broken;
  let next: (() => void) | null = null;
  let again: ReturnType<typeof setTimeout> | undefined;
  source.onerror = () => {
    broke = true;
    // A browser comes back by itself where the line broke, and never where it was refused (a locked door, a fault).
    if (source.readyState === EventSource.CLOSED) again = setTimeout(() => (next = stream(tell, true)), AGAIN_MS);
  };
  source.onopen = () => {
    // A page that began without its server has heard nothing yet.
    if (broke) tell(ALL);
    broke = false;
  };
  source.onmessage = (m) => tell({ kind: 'change', event: JSON.parse(m.data as string) as ChangeEvent, last: m.lastEventId });
  source.addEventListener?.('hello', (m) => (last ||= m.lastEventId));
  source.addEventListener?.('device', (m) => tell({ kind: 'device', state: JSON.parse(m.data as string) as DeviceState }));
  return () => {
    source.close();
    clearTimeout(again);
    next?.();
  };
}

const ONE = 'roskel-events';
/**
 * One stream for all windows of a browser: it allows six connections to one server, and a stream takes one for good. The
 * window that holds the lock listens and tells the others; where it is closed the next takes over.
 */
function listenForAll(): void {
  const channel = new BroadcastChannel(ONE);
  channel.onmessage = (m: MessageEvent<Told>) => hear(m.data);
  const tell = (told: Told) => {
    hear(told);
    channel.postMessage(told);
  };
  const hold = () => new Promise<never>(() => void stream(tell));
  void navigator.locks.request(ONE, { ifAvailable: true }, (lock) => {
    if (lock) return hold();
    void navigator.locks.request(ONE, () => {
      // Whoever heard nothing yet cannot say from where on it missed something.
      if (!last) tell(ALL);
      return hold();
    });
    return undefined;
  });
}
/** Over plain HTTP a browser has no locks: then only the window that is seen listens. */
function listenWhileSeen(): void {
  let stop: (() => void) | null = null;
  const follow = () => {
    if (document.hidden) {
      stop?.();
      stop = null;
    } else stop ??= stream(hear);
  };
  document.addEventListener('visibilitychange', follow);
  follow();
}
let begun = false;
function begin(): void {
  if (begun) return;
  begun = true;
  if (navigator.locks && 'BroadcastChannel' in globalThis) listenForAll();
  else listenWhileSeen();
}

/**
 * Hears of changes made in other windows; returns the way to stop listening. The browser reconnects by itself and says
 * what it heard last; when too much was missed meanwhile, the topic is "all".
 */
export function onChange(listener: Listener): () => void {
  listeners.add(listener);
  begin();
  return () => listeners.delete(listener);
}

/** Hears what the devices of the house read, as they read it. */
export function onDevice(hearer: (state: DeviceState) => void): void {
  hearers.add(hearer);
  begin();
}

/** Whether an announcement is about a topic. */
export const concerns = (event: ChangeEvent, topic: ChangeEvent['topic']): boolean => event.topic === topic || event.topic === 'all';
