/** The first field inside a form or plate that holds a mistake. */
function mistakeIn(box: Element | null): HTMLElement | null {
  return box?.querySelector<HTMLElement>('[aria-invalid="true"]') ?? null;
}

/**
 * Nothing is kept while a field holds a mistake: the field gets the focus, its sentence stands beside it, and what was
 * typed stays. Holds for every form, and for buttons marked `data-keeps` within their form or section. Installed once.
 */
export function guardForms(page: Document): void {
  const stop = (event: Event, box: Element | null) => {
    const wrong = mistakeIn(box);
    if (!wrong) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    wrong.focus();
  };
  page.addEventListener('submit', (e) => stop(e, e.target as Element), true);
  page.addEventListener(
    'click',
    (e) => {
      const button = (e.target as Element).closest('button[data-keeps]');
      if (button) stop(e, button.closest('form, section'));
    },
    true,
  );
}
