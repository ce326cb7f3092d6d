import Ajv2019 from 'ajv/dist/2019';
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { NEEDED } from '../../src/server/auth/rights';
import { API_DOCS, openApi } from '../../src/server/openapi/document';
import { routesOf } from '../routes-of';
import { testApp } from './test-app';

interface Operation {
  operationId: string;
  parameters?: { name: string; in: string; schema: object }[];
  requestBody?: { content: Record<string, { schema: object; example?: unknown }> };
  responses: Record<string, object>;
  'x-right': string;
}
type Paths = Record<string, Record<string, Operation>>;

const document = openApi() as { paths: Paths };
const operations = Object.values(document.paths).flatMap((path) => Object.values(path));

const operationOf = (route: string): Operation => {
  const [method = '', address = ''] = route.split(' ');
  return document.paths[`/api${address.replace(/:(\w+)/g, '{$1}')}`]![method.toLowerCase()]!;
};

test('a validator finds nothing wrong with the document, and the published one is this one', async () => {
  const input = JSON.stringify(document);
  const { stdout, stderr } = spawnSync('node', [join(__dirname, '..', 'openapi-check.mjs')], {
    input,
  });
  expect(stderr.toString()).toBe('');
  expect(JSON.parse(stdout.toString())).toEqual({ valid: true, version: '3.1', errors: [] });
  const { body } = await testApp({ empty: true }).ask.get('/api/openapi.json').expect(200);
  expect(body).toEqual(document);
});

test('it says every route that the server answers, and no other', () => {
  const routes = routesOf(testApp({ empty: true }).app).map(
    ([method, address]) => `${method} ${address.replace('/api', '')}`,
  );
  expect(Object.keys(API_DOCS).sort()).toEqual([...routes].sort());
  const ids = operations.map((o) => o.operationId);
  expect(new Set(ids).size).toBe(ids.length);
  for (const [method, address, right] of NEEDED)
    expect(operationOf(`${method} ${address}`)['x-right']).toBe(right);
});

test('every schema in it is one that a validator can use, and every example fits its own', () => {
  const ajv = new Ajv2019({ strict: false, validateFormats: false });
  for (const { requestBody, parameters = [], operationId } of operations) {
    for (const { schema } of parameters) ajv.compile(schema);
    for (const { schema, example } of Object.values(requestBody?.content ?? {})) {
      const fits = ajv.compile(schema);
      if (example === undefined) continue;
      expect({ operationId, fits: fits(example), errors: fits.errors }).toEqual({
        operationId,
        fits: true,
        errors: null,
      });
    }
  }
});

/** Their bodies are read once someone is signed in. */
const OF_THE_SIGNED_IN = [
  'PUT /session/secret',
  'POST /session/approvals',
  'POST /session/confirm',
  'POST /session/passkeys',
  'POST /session/touch',
  'PUT /sessions/guessing/:id',
];

describe('what it says is what the server does', () => {
  const { ask } = testApp();
  const filled = (address: string): string =>
    `/api${address}`
      .replace(':kind', 'tubes')
      .replace(':part', 'troubles')
      .replace(':key', 'seat.tries')
      .replace('/workings/:name', '/workings/rim-code')
      .replace(/\/jobs\/:id/, '/jobs/demo-job-3')
      .replace(/\/visits\/:id/, '/visits/demo-job-3')
      .replace(/\/wheels\/:id/, '/wheels/w-orrin-r')
      .replace(/:\w+/, 'nothing');
  const streams = /stream|^GET \/live$|exchange\/shop|\/file$/;
  const send = (route: string, query: object, body?: object) => {
    const [method = '', address = ''] = route.split(' ');
    const verb = method.toLowerCase() as 'get' | 'post' | 'put' | 'delete';
    return ask[verb](filled(address)).query(query).send(body);
  };

  const asked = Object.entries(API_DOCS).filter(([route]) => !streams.test(route));
  test.each(asked.filter(([, { query }]) => query !== undefined))(
    '%s takes no other field in its query',
    async (route) => {
      const { parameters = [] } = operationOf(route);
      const needed = Object.entries({ rim: '17', name: 'Mara Tolling', who: 'Juna Birk' }).filter(
        ([name]) => parameters.some((p) => p.in === 'query' && p.name === name),
      );
      const { status, body } = await send(route, {
        ...Object.fromEntries(needed),
        somethingElse: 'x',
      });
      expect([status, (body as { error: { field: string } }).error.field]).toEqual([
        422,
        'somethingElse',
      ]);
    },
  );
  test.each(asked.filter(([route, { query }]) => route.startsWith('GET') && query === undefined))(
    '%s is not held to a query that is not said',
    async (route) => {
      const plain = (await send(route, {})).status;
      expect((await send(route, { somethingElse: 'x' })).status).toBe(plain);
    },
  );
  const jsonBodies = asked.filter(([, { body }]) => body !== undefined && typeof body !== 'string');
  const LOOSE = ['POST /workings/:name', 'PUT /devices/:name/hold'];
  test.each(jsonBodies.filter(([route]) => !LOOSE.includes(route)))(
    '%s takes no body that it does not say',
    async (route) => {
      const wrong = { somethingElse: 1 };
      const ajv = new Ajv2019({ strict: false, validateFormats: false });
      const said = operationOf(route);
      expect(ajv.compile(said.requestBody!.content['application/json']!.schema)(wrong)).toBe(false);
      // No one is signed in whose secret it could be.
      expect((await send(route, {}, wrong)).status).toBe(
        OF_THE_SIGNED_IN.includes(route) ? 401 : 422,
      );
    },
  );
});
