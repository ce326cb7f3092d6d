import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { InputError } from '../../src/core/base/errors';
import { AskerGone, ServerBusy } from '../../src/server/errors';
import { workHere } from '../../src/server/work/work-here';
import { workPool, type WorkPool } from '../../src/server/work/work-pool';

/** A worker that is told by its input how it behaves. */
const WORKER = `
module.exports = ({ begun, input: { input } }) => {
  const from = Date.now();
  Atomics.store(begun, 0, BigInt(from));
  if (input.forMs) while (Date.now() - from < input.forMs);
  if (input.forever) for (;;);
  if (input.refuse) return { ok: false, problem: { field: 'massG', message: 'Too heavy.', expected: 'less' } };
  if (input.breaks) throw new TypeError('a defect');
  return { ok: true, value: input.give };
};`;
const file = join(mkdtempSync(join(tmpdir(), 'rimstone-work-')), 'worker.cjs');
writeFileSync(file, WORKER);

const ask = (pool: WorkPool, input: object, gone?: AbortSignal) =>
  pool.run('working', { name: 'any', input }, gone) as Promise<unknown>;

describe('the pool of threads', () => {
  const pool = workPool(file, { limitMs: 2000, mostWaiting: 3 });
  afterAll(() => pool.close());

  test('hands back what was worked out, and a refusal as bad input', async () => {
    expect(await ask(pool, { give: 7 })).toBe(7);
    await expect(ask(pool, { refuse: true })).rejects.toThrow(InputError);
    await expect(ask(pool, { refuse: true })).rejects.toMatchObject({
      field: 'massG',
      expected: 'less',
    });
    await expect(ask(pool, { breaks: true })).rejects.toThrow('a defect');
  });

  test('what takes too long is stopped and said so, and the next one is done', async () => {
    const refused = ask(pool, { forever: true });
    await expect(refused).rejects.toThrow('Stopped: it took longer than 2 seconds.');
    await expect(refused).rejects.toMatchObject({
      field: 'input',
      expected: expect.stringMatching(/^Ask for less at once/),
    });
    expect(await ask(pool, { give: 'next' })).toBe('next');
  });

  test('waiting for a thread is not counted as work', async () => {
    const all = [1, 2, 3].map((give) => ask(pool, { forMs: 800, give }));
    expect(await Promise.all(all)).toEqual([1, 2, 3]);
  });

  test('when whoever asked has gone, it is stopped at once', async () => {
    const gone = new AbortController();
    const left = ask(pool, { forever: true }, gone.signal);
    setTimeout(() => gone.abort(new AskerGone()), 50);
    // Were it not stopped, its own time would end it, as bad input.
    await expect(left).rejects.toThrow(AskerGone);
    expect(await ask(pool, { give: 1 })).toBe(1);
  });

  test('too many that wait are asked to come again', async () => {
    const pool = workPool(file, { limitMs: 300, mostWaiting: 3 });
    const all = await Promise.allSettled(
      Array.from({ length: 30 }, () => ask(pool, { forever: true })),
    );
    const why = all.map((one) => (one.status === 'rejected' ? (one.reason as Error) : null));
    expect(why.filter((e) => e instanceof ServerBusy).length).toBeGreaterThan(4);
    // Those that waited behind one that was stopped had their turn: each was stopped for its own
    // time.
    expect(why.filter((e) => e instanceof InputError).length).toBeGreaterThanOrEqual(4);
    expect(why.every((e) => e instanceof ServerBusy || e instanceof InputError)).toBe(true);
    expect(await ask(pool, { give: 2 })).toBe(2);
    await pool.close();
  });
});

test('without threads the same is worked out and refused', async () => {
  const here = workHere();
  const found = await here.run('working', { name: 'tire-size', input: { marking: '110/90-19' } });
  expect(found).toMatchObject({ name: 'tire-size', result: { rimDiameterIn: 19 } });
  await expect(here.run('working', { name: 'tire-size', input: { marking: 'x' } })).rejects.toThrow(
    InputError,
  );
  await here.close();
});
