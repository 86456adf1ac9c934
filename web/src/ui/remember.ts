import type { RouteLocationNormalized, RouteLocationRaw, Router } from 'vue-router';

/** The way that was asked for while its page is still being fetched. */
const underway = new WeakMap<Router, RouteLocationNormalized>();

/** To be called once for a router, before its first way. */
export function watchWays(router: Router): void {
  router.beforeEach((to) => void underway.set(router, to));
  const ended = (to: RouteLocationNormalized) => underway.get(router) === to && underway.delete(router);
  router.afterEach(ended);
  router.onError((_, to) => ended(to));
}

/**
 * Notes in the address where one is on a page, so that back, reload and links lead there again. What the page notes by
 * itself never takes the place of a way that was asked for: the router knows one way at a time, and would drop it.
 * @returns whether it was noted
 */
export async function remember(router: Router, from: string, to: RouteLocationRaw): Promise<boolean> {
  const { name, path } = router.currentRoute.value;
  if (name !== from) return false;
  // The router tells of a way a few turns after it was asked for.
  await new Promise((turn) => setTimeout(turn));
  const heads = underway.get(router) ?? router.currentRoute.value;
  if (heads.path !== path) return false;
  return (await router.replace(to)) === undefined;
}
