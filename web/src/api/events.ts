import type { ChangeEvent, DeviceState } from '@roskel/contract';

type Listener = (event: ChangeEvent) => void;
const listeners = new Set<Listener>();
let source: EventSource | null = null;
function opened(): EventSource {
  if (source) return source;
  source = new EventSource('/api/events');
  let broke = false;
  source.onerror = () => (broke = true);
  source.onopen = () => {
    // A page that began without its server has heard nothing yet.
    if (broke) for (const l of listeners) l({ topic: 'all', id: '' });
    broke = false;
  };
  source.onmessage = (m) => {
    const event = JSON.parse(m.data as string) as ChangeEvent;
    for (const l of listeners) l(event);
  };
  return source;
}

/**
 * Hears of changes made in other windows; returns the way to stop listening. The browser reconnects by itself and says
 * what it heard last; when too much was missed meanwhile, the topic is "all".
 */
export function onChange(listener: Listener): () => void {
  listeners.add(listener);
  opened();
  return () => listeners.delete(listener);
}

/** Hears what the devices of the house read, as they read it. */
export function onDevice(hearer: (state: DeviceState) => void): void {
  opened().addEventListener('device', (m) => hearer(JSON.parse(m.data as string) as DeviceState));
}

/** Whether an announcement is about a topic. */
export const concerns = (event: ChangeEvent, topic: ChangeEvent['topic']): boolean => event.topic === topic || event.topic === 'all';
