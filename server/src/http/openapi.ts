import { ProblemAnswer } from '@roskel/contract';
import type { Route } from './route';

const problem = (description: string) => ({ description, content: { 'application/problem+json': { schema: ProblemAnswer } } });

/** What the addresses under a name are about. */
const ABOUT: Record<string, string> = {
  batches: 'Batches and their lines',
  pods: 'Pod lots, their stock and what their heat is taken for',
  larder: 'Everything else that can go in',
  varieties: 'Own varieties beside the table',
  ingredients: 'Own ingredients beside the table',
  shelf: 'What is bottled',
  heat: 'What was tasted and measured of heat',
  settings: 'How this kitchen counts and writes',
  photos: 'Pictures of jars',
  'stand-ins': 'Simulated devices, held to something by hand',
  devices: 'Scales, pens and thermometers, by the line protocol of docs/formats/devices.md',
  season: 'What ripens, what is wished, and the plan that is kept',
  learnt: 'What other kitchens learnt, read in from files, and what this one did',
  scores: 'What was foretold against what was measured',
  kitchen: 'All of it, as a backup',
};

/** "post /pods/{id}/turn" as a name: postPodsIdTurn. */
const nameOf = (method: string, path: string) =>
  method + path.replace(/:(\w+)/g, '$1').replace(/\/(\w)/g, (_, c: string) => c.toUpperCase());

function answersOf(r: Route): Record<string, object> {
  const found = r.path.includes(':');
  const stale = JSON.stringify(r.body ?? {}).includes('"revision"') || (r.method === 'post' && r.status === 201);
  return {
    [r.status ?? 200]: {
      description: 'Done',
      content:
        'file' in r.answer
          ? { [String(r.answer.file)]: { schema: { type: 'string', format: 'binary' } } }
          : { 'application/json': { schema: r.answer } },
    },
    403: problem('Not sent from this machine, or a change that lacks our header'),
    ...(found ? { 404: problem('Nothing has that id') } : {}),
    ...(stale ? { 409: problem('Changed elsewhere since, or there already; "current" is what is there now') } : {}),
    ...(r.body || r.takes ? { 422: problem('Some of it cannot be; "errors" names the fields') } : {}),
    default: problem('Anything else that went wrong'),
  };
}

/** Schemas as the outside reads them: what is ours alone gets the prefix that the standard keeps for it. */
function published(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(published);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => [key === 'unit' && typeof inner === 'string' ? 'x-unit' : key, published(inner)]),
  );
}

/** The API in OpenAPI 3.1, drawn from the routes and the schemas they check with. */
export function openapi(routes: readonly Route[]): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const r of routes) {
    const path = `/api${r.path.replace(/:(\w+)/g, '{$1}')}`;
    const names = [...r.path.matchAll(/:(\w+)/g)].map((m) => m[1]);
    const content = r.takes
      ? { [r.takes]: { schema: { type: 'string', format: 'binary' } } }
      : { 'application/json': { schema: r.body ?? {} } };
    (paths[path] ??= {})[r.method] = {
      operationId: nameOf(r.method, r.path),
      summary: r.summary,
      tags: [r.path.split('/')[1]],
      ...(names.length ? { parameters: names.map((name) => ({ name, in: 'path', required: true, schema: { type: 'string' } })) } : {}),
      ...(r.body || r.takes ? { requestBody: { required: true, content } } : {}),
      responses: answersOf(r),
    };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Roskel',
      version: '1',
      description:
        'The kitchen on this machine. Changes need the header "X-Roskel: 1". Every answer says in "X-Roskel-Kitchen" which kitchen it is of; a request that names another one there is refused (412).',
      license: { name: 'MIT', identifier: 'MIT' },
    },
    servers: [{ url: '/', description: 'this machine' }],
    tags: [...new Set(routes.map((r) => r.path.split('/')[1]!))].map((name) => ({ name, description: ABOUT[name] ?? name })),
    paths: published(paths),
  };
}
