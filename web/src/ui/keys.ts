import { onBeforeUnmount, onMounted } from 'vue';

/** One key and what it does; the help sheet lists them all. */
export interface Key {
  key: string;
  says: string;
  run(): void;
}

const active = new Map<symbol, { where: string; keys: Key[] }>();

/** True while the maker types somewhere, or a dialog has the keyboard. */
function typing(target: EventTarget | null): boolean {
  const el = target as HTMLElement | null;
  if (!el?.closest) return false;
  if (el instanceof HTMLInputElement && el.type === 'radio') return false;
  return Boolean(el.closest('input, textarea, [contenteditable]'));
}

/** A dialog has the keyboard, unless it is just fading out. */
function dialogOpen(): boolean {
  return [...document.querySelectorAll('[aria-modal="true"]')].some((d) => !d.closest('[class*="leave-active"]'));
}

/** Binds keys while a component is on screen. */
export function useKeys(where: string, keys: Key[]): void {
  const me = Symbol(where);
  onMounted(() => active.set(me, { where, keys }));
  onBeforeUnmount(() => active.delete(me));
}

/** All keys that work now, for the help sheet. */
export function keysNow(): { where: string; keys: Key[] }[] {
  return [...active.values()];
}

window.addEventListener('keydown', (e) => {
  if (e.defaultPrevented || e.altKey || typing(e.target) || dialogOpen()) return;
  const chord = e.ctrlKey || e.metaKey;
  const name = (chord ? 'ctrl+' : '') + (chord && e.shiftKey ? 'shift+' : '') + e.key.toLowerCase();
  for (const { keys } of [...active.values()].reverse()) {
    const found = keys.find((k) => k.key === name);
    if (found) {
      e.preventDefault();
      found.run();
      return;
    }
  }
});
