import { onBeforeUnmount, onMounted, type Ref } from 'vue';

/** What may take the focus of a part of it that went: regions and forms that have a name, the page in the end. */
const TAKES = 'section[aria-label], section[aria-labelledby], [role="region"], [role="dialog"], [role="tabpanel"], form[aria-label], main';

/**
 * Keeps the keyboard somewhere. What had the focus may go (a button of a station that is done, a row that was taken out, a
 * form that was sent): the focus then goes to the nearest named part around it that is still there, else to the page.
 */
export function useKeptFocus(page: Ref<HTMLElement | undefined>): void {
  /** What had the focus last, and the named parts around it, from the inside. */
  let last: { at: HTMLElement; around: HTMLElement[] } | null = null;
  let asked = 0;
  /** The last act was one of the keyboard: only then what takes the focus is outlined. */
  let byKey = false;
  const keyed = () => (byKey = true);
  const pointed = () => (byKey = false);
  const nowhere = () => document.activeElement === null || document.activeElement === document.body;

  function noted(e: FocusEvent) {
    const at = e.target as HTMLElement;
    const around: HTMLElement[] = [];
    for (let up = at.parentElement?.closest<HTMLElement>(TAKES); up; up = up.parentElement?.closest<HTMLElement>(TAKES)) around.push(up);
    last = { at, around };
  }
  const gone = (at: HTMLElement) => !at.isConnected || at.matches(':disabled') || !at.checkVisibility();
  function mend() {
    if (!last || !nowhere() || !gone(last.at)) return;
    const to = last.around.find((x) => x.isConnected && x.checkVisibility()) ?? page.value;
    last = null;
    if (!to) return;
    if (!to.hasAttribute('tabindex')) to.setAttribute('tabindex', '-1');
    to.toggleAttribute('data-quiet', !byKey);
    to.focus({ preventScroll: true });
  }
  /** What is left by a click beside it is nobody's loss. */
  function left() {
    asked = requestAnimationFrame(() => {
      if (!nowhere()) return;
      mend();
      if (nowhere()) last = null;
    });
  }
  const watching = new MutationObserver(mend);
  onMounted(() => {
    document.addEventListener('keydown', keyed, true);
    document.addEventListener('pointerdown', pointed, true);
    document.addEventListener('focusin', noted);
    document.addEventListener('focusout', left);
    watching.observe(document.body, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] });
  });
  onBeforeUnmount(() => {
    cancelAnimationFrame(asked);
    document.removeEventListener('keydown', keyed, true);
    document.removeEventListener('pointerdown', pointed, true);
    document.removeEventListener('focusin', noted);
    document.removeEventListener('focusout', left);
    watching.disconnect();
  });
}
