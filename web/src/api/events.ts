import type { ChangeEvent } from '@roskel/contract';

type Listener = (event: ChangeEvent) => void;
const listeners = new Set<Listener>();
let source: EventSource | null = null;

/**
 * Hears of changes made in other windows; returns the way to stop listening. The browser reconnects by itself and says
 * what it heard last; when too much was missed meanwhile, the topic is "all".
 */
export function onChange(listener: Listener): () => void {
  listeners.add(listener);
  if (!source) {
    source = new EventSource('/api/events');
    source.onmessage = (m) => {
      const event = JSON.parse(m.data as string) as ChangeEvent;
      for (const l of listeners) l(event);
    };
  }
  return () => listeners.delete(listener);
}

/** Whether an announcement is about a topic. */
export const concerns = (event: ChangeEvent, topic: ChangeEvent['topic']): boolean => event.topic === topic || event.topic === 'all';
