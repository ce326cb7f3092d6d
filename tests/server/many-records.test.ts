import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import { importAnswer, type ImportRow } from '../../src/core/shop/records';
import { runningShop } from '../../src/server/running-shop';
import { workHere } from '../../src/server/work/work-here';

const MANY = 6000;
const CSV = `id,label,count,note\n${Array.from({ length: MANY }, (_, i) => `tube-${i},${(i % 7) + 2}.50-17,${i % 9},"no ""${i}"", wide"`).join('\n')}\n`;

let dir = '';
let shop: ReturnType<typeof runningShop>;
let server: Server;
let url = '';
beforeEach(async () => {
  dir = mkdtempSync(join(tmpdir(), 'rimstone-many-'));
  shop = runningShop(join(dir, 'shop.sqlite'), {
    logger: pino({ level: 'silent' }),
    work: workHere(),
  });
  server = createServer(shop.answer).listen(0, '127.0.0.1');
  await once(server, 'listening');
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`;
});
afterEach(async () => {
  server.closeAllConnections();
  server.close();
  await once(server, 'close');
  shop.close();
  rmSync(dir, { recursive: true, force: true });
});

const send = (query: string, body: string, signal?: AbortSignal) =>
  fetch(`${url}/records/tubes/import?${query}`, {
    method: 'POST',
    headers: { 'content-type': 'text/csv' },
    body,
    signal: signal ?? null,
  });
const total = async () =>
  ((await (await fetch(`${url}/records/tubes`)).json()) as { total: number }).total;

test('a list of thousands comes in as it goes out, and says how far it is', async () => {
  const answer = await send('apply=yes&progress=yes', CSV);
  const lines = (await answer.text())
    .trimEnd()
    .split('\n')
    .map(
      (line) =>
        JSON.parse(line) as {
          phase?: string;
          done: number;
          of: number;
          status?: number;
          answer?: object;
        },
    );
  const steps = lines.slice(0, -1);
  expect(
    steps.every(({ phase, done, of }) => /^(looking|taking)$/.test(phase!) && done <= of),
  ).toBe(true);
  expect(steps.some(({ phase, done }) => phase === 'taking' && done > 0)).toBe(true);
  const { status, answer: said } = lines.at(-1)!;
  expect(status).toBe(200);
  expect(said).toMatchObject({
    applied: true,
    counts: { add: MANY, change: 0, nothing: 0, faulty: 0 },
  });
  expect((said as { rows: object[] }).rows).toHaveLength(1000);
  expect(await total()).toBe(MANY);

  const out = await (await fetch(`${url}/records/tubes/file.csv`)).text();
  expect(out.split('\r\n')).toHaveLength(MANY + 2);
  const again = (await (await send('apply=yes', out)).json()) as { counts: object };
  expect(again.counts).toEqual({ add: 0, change: 0, nothing: MANY, faulty: 0 });
  expect(await (await fetch(`${url}/records/tubes/file.csv`)).text()).toBe(out);
  // No copy of the shop is left for each file.
  expect(readdirSync(dir).filter((name) => name.includes('before'))).toEqual([]);
  expect(readdirSync(join(dir, 'shop-backups'))).toEqual([]);
});

test('given up in the middle, nothing of it stays; a refusal is the last line', async () => {
  const stop = new AbortController();
  const answer = await send('apply=yes&progress=yes', CSV, stop.signal);
  const reader = answer.body!.getReader();
  for (let text = ''; !text.includes('"taking"');)
    text += new TextDecoder().decode((await reader.read()).value);
  stop.abort();
  await reader.closed.catch(() => undefined);
  // Anyone who writes waits until it is given up, and not longer.
  const rename = async () => {
    const headers = { 'content-type': 'application/json' };
    return (await fetch(`${url}/shop/name`, { method: 'PUT', body: '{"name":"Open"}', headers }))
      .status;
  };
  let status = await rename();
  for (let n = 0; n < 100 && status === 503; n++) {
    await new Promise((done) => setTimeout(done, 20));
    status = await rename();
  }
  expect(status).toBe(200);
  expect(await total()).toBe(0);
  expect(readdirSync(join(dir, 'shop-backups'))).toEqual([]);

  const last = async (body: string) =>
    JSON.parse(
      (await (await send('apply=yes&progress=yes', body)).text()).trimEnd().split('\n').at(-1)!,
    ) as object;
  expect(await last('label\n"half')).toMatchObject({
    status: 422,
    answer: { error: { field: 'file' } },
  });
  expect(await last(`${CSV}x,no size,1,\n`)).toMatchObject({
    status: 422,
    answer: { applied: false, counts: { add: MANY, faulty: 1 } },
  });
  expect(await total()).toBe(0);
});

test('of very many rows the faulty ones are told, and all are counted', () => {
  const rows = Array.from({ length: 3000 }, (_, i): ImportRow => ({
    line: i + 2,
    does: i % 2 === 0 ? 'add' : i % 3 === 0 ? 'faulty' : 'change',
    about: '',
    problems: [],
  }));
  const answer = importAnswer({ rows, problems: [], add: [], change: [] }, true);
  expect(answer.counts).toEqual({ add: 1500, change: 1000, nothing: 0, faulty: 500 });
  expect(answer.applied).toBe(false);
  expect(answer.rows.filter((r) => r.does === 'faulty')).toHaveLength(500);
  expect(answer.rows).toHaveLength(1000);
  expect(answer.rows.map((r) => r.line)).toEqual(
    [...answer.rows.map((r) => r.line)].sort((a, b) => a - b),
  );
});
