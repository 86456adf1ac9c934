import type { Page } from '@playwright/test';
import { expect } from './test';

/** More stops than any page has between two things. */
const FAR = 150;

/** What has the keyboard: its name as a reader of the screen says it; "" where nothing has it. */
export function focused(page: Page): Promise<string> {
  return page.evaluate(() => {
    const at = document.activeElement as HTMLElement | null;
    if (!at || at === document.body || at === document.documentElement) return '';
    const by = at.getAttribute('aria-labelledby');
    const labels = (at as HTMLInputElement).labels;
    const said =
      at.getAttribute('aria-label') ??
      (by ? document.getElementById(by)?.textContent : null) ??
      (labels?.length ? labels[0]!.textContent : null) ??
      (at.matches('main, section, [role="dialog"]') ? null : at.textContent);
    return (said ?? '').replace(/\s+/g, ' ').trim() || at.tagName.toLowerCase();
  });
}

/** A maker with a keyboard and nothing else, who must never be left with the focus nowhere. */
export class Hands {
  constructor(private readonly page: Page) {}

  /** Tabs on to what is called so. The end of a page leads once through the browser to its beginning. */
  async to(name: RegExp, key: 'Tab' | 'Shift+Tab' = 'Tab'): Promise<void> {
    const stops: string[] = [];
    for (let nowhere = 0; stops.length < FAR;) {
      const at = await focused(this.page);
      if (name.test(at)) return;
      stops.push(at);
      if (at === '') nowhere++;
      if (nowhere > 2) break;
      await this.page.keyboard.press(key);
    }
    throw new Error(`The keyboard does not come to ${name}. It came to: ${stops.join(' | ')}`);
  }

  /** A key that acts; what had the focus may go, but the focus is somewhere afterwards. */
  async press(key: string): Promise<void> {
    await this.page.keyboard.press(key);
    await this.held(`after ${key}`);
  }

  /** Tabs to a button or link, and presses it. */
  async act(name: RegExp): Promise<void> {
    await this.to(name);
    const what = await focused(this.page);
    await this.page.keyboard.press('Enter');
    await this.held(`after "${what}"`);
  }

  /** Tabs to a field and writes into it. */
  async write(name: RegExp, text: string): Promise<void> {
    await this.to(name);
    await this.page.keyboard.press('ControlOrMeta+a');
    await this.page.keyboard.type(text);
  }

  /** The focus is somewhere, as soon as the page has settled. */
  private async held(when: string): Promise<void> {
    await expect.poll(() => focused(this.page), { message: `focus ${when}` }).not.toBe('');
  }
}
