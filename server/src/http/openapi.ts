import type { Route } from './route';

/** The API in OpenAPI 3.1, drawn from the routes and the schemas they check with. */
export function openapi(routes: readonly Route[]): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const r of routes) {
    const path = `/api${r.path.replace(/:(\w+)/g, '{$1}')}`;
    const names = [...r.path.matchAll(/:(\w+)/g)].map((m) => m[1]);
    (paths[path] ??= {})[r.method] = {
      summary: r.summary,
      parameters: names.map((name) => ({ name, in: 'path', required: true, schema: { type: 'string' } })),
      ...(r.body ? { requestBody: { required: true, content: { 'application/json': { schema: r.body } } } } : {}),
      responses: {
        [r.status ?? 200]: { description: 'Done' },
        default: { description: 'A problem', content: { 'application/problem+json': {} } },
      },
    };
  }
  return { openapi: '3.1.0', info: { title: 'Roskel', version: '1' }, paths };
}
