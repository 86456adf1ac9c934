// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, expect, it, vi } from 'vitest';
import { effectScope } from 'vue';
import { useIdeas } from '../src/ideas/useIdeas';
import { keepHere } from '../src/ui/keepHere';

vi.mock('vue', async (real) => ({ ...(await real<typeof import('vue')>()), onBeforeUnmount: () => {} }));
beforeEach(() => setActivePinia(createPinia()));
const blank = { when: 'any', heat: 'medium', bottles: 4, bottleMl: 100, order: 'soon' };
const begun = (kept: unknown) => {
  keepHere('roskel-ideas', kept);
  return { ...effectScope().run(useIdeas)!.form };
};

it('what the browser kept of a wish is taken where it is one, else the usual', () => {
  expect(begun(null)).toEqual(blank);
  const mine = { when: 'today', heat: 'hot', bottles: 12, bottleMl: 250, order: 'keeps' };
  expect(begun(mine)).toEqual(mine);
  for (const spoilt of [
    7,
    'soon',
    [1, 2],
    { bottles: '4', bottleMl: null },
    { bottles: 0.5, bottleMl: 1e9 },
    { bottles: {}, order: 'toString' },
  ])
    expect(begun(spoilt), JSON.stringify(spoilt)).toMatchObject(blank);
  expect(begun({ when: '__proto__', heat: 'lukewarm', order: 4, bottles: 6 })).toEqual({ ...blank, bottles: 6 });
});
