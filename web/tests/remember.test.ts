import { describe, expect, it } from 'vitest';
import { createMemoryHistory, createRouter } from 'vue-router';
import { remember, watchWays } from '../src/ui/remember';

const Page = { template: '<p />' };

/** A router whose page "trim" comes when it is let. */
function house() {
  let come!: (page: typeof Page) => void;
  const coming = new Promise<typeof Page>((resolve) => (come = resolve));
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/batches/:id', name: 'batch', component: Page },
      { path: '/trim', name: 'trim', component: () => coming },
      { path: '/gone', name: 'gone', component: () => Promise.reject(new Error('not built any more')) },
    ],
  });
  watchWays(router);
  return { router, come: () => come(Page) };
}

describe('what a page notes in the address', () => {
  it('stands there for a reload', async () => {
    const { router } = house();
    await router.push('/batches/a');
    expect(await remember(router, 'batch', { query: { at: 'prep' } })).toBe(true);
    expect(router.currentRoute.value.fullPath).toBe('/batches/a?at=prep');
  });

  it('never takes the place of a way whose page is still coming', async () => {
    const { router, come } = house();
    await router.push('/batches/a');
    const way = router.push('/trim');
    expect(await remember(router, 'batch', { query: { at: 'prep' } })).toBe(false);
    come();
    await way;
    expect(router.currentRoute.value.name).toBe('trim');
    expect(await remember(router, 'batch', { query: { at: 'prep' } })).toBe(false);
    expect(router.currentRoute.value.name).toBe('trim');
  });

  it('is not noted on the way to another batch, and the last of two notes stands', async () => {
    const { router } = house();
    await router.push('/batches/a');
    const way = router.push('/batches/b');
    expect(await remember(router, 'batch', { query: { at: 'prep' } })).toBe(false);
    await way;
    await Promise.all(['prep', 'salt', 'jar'].map((at) => remember(router, 'batch', { query: { at } })));
    expect(router.currentRoute.value.fullPath).toBe('/batches/b?at=jar');
  });

  it('is noted again after a way that failed', async () => {
    const { router } = house();
    await router.push('/batches/a');
    await expect(router.push('/gone')).rejects.toThrow('not built any more');
    expect(await remember(router, 'batch', { query: { at: 'prep' } })).toBe(true);
  });
});
