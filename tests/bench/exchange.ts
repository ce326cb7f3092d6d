/**
 * A whole shop out and in: how long each job takes, and how long others wait meanwhile.
 *   npm run bench -- exchange; BENCH_JOBS for another size
 */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { manyJobs } from '../many-jobs';

const JOBS = Number(process.env.BENCH_JOBS ?? 2000);
const MACHINES = Math.ceil(JOBS / 4);
const dir = mkdtempSync(join(tmpdir(), 'rimstone-exchange-'));

const started = async (file: string) => {
  const child = spawn('node', ['dist/server/main.cjs', '--new'], {
    env: { ...process.env, PORT: '0', RIMSTONE_DB: file },
  });
  const url = await new Promise<string>((resolve) => {
    child.stdout.on('data', (chunk: Buffer) => {
      const found = /ready: (http:\/\/\S+)/.exec(chunk.toString());
      if (found) resolve(found[1]!);
    });
  });
  return { url, stop: () => child.kill() };
};

/** Runs while someone else asks again and again; says how long both took, in milliseconds. */
const watched = async <T>(url: string, run: () => Promise<T>) => {
  const waits: number[] = [];
  let isOver = false;
  const asking = (async () => {
    while (!isOver) {
      const sinceMs = performance.now();
      await fetch(`${url}/api/health`);
      waits.push(performance.now() - sinceMs);
    }
  })();
  const sinceMs = performance.now();
  const result = await run();
  const tookMs = performance.now() - sinceMs;
  isOver = true;
  await asking;
  waits.sort((a, b) => a - b);
  return { result, tookMs, p99Ms: waits[Math.floor(waits.length * 0.99)]!, mostMs: waits.at(-1)! };
};
const line = (
  what: string,
  { tookMs, p99Ms, mostMs }: { tookMs: number; p99Ms: number; mostMs: number },
) =>
  console.log(
    `${what}: ${(tookMs / JOBS).toFixed(1)} ms a job; others wait ${p99Ms.toFixed(0)} ms (99%), ${mostMs.toFixed(0)} ms at most`,
  );

const main = async (): Promise<void> => {
  manyJobs(join(dir, 'from.sqlite'), JOBS, MACHINES);
  const from = await started(join(dir, 'from.sqlite'));
  const out = await watched(from.url, async () =>
    (await fetch(`${from.url}/api/exchange/shop`)).arrayBuffer(),
  );
  console.log(
    `${JOBS} jobs, ${MACHINES} machines: a file of ${(out.result.byteLength / 1e6).toFixed(1)} MB`,
  );
  line('out', out);
  from.stop();
  const to = await started(join(dir, 'to.sqlite'));
  const headers = { 'content-type': 'application/zip' };
  const looked = await watched(to.url, async () => {
    const body = new Uint8Array(out.result);
    const res = await fetch(`${to.url}/api/exchange/brought`, { method: 'PUT', headers, body });
    return (await res.json()) as { id: string; error?: object };
  });
  if (looked.result.error) throw new Error(JSON.stringify(looked.result.error));
  line('looked into', looked);
  const taken = await watched(to.url, async () => {
    const url = `${to.url}/api/exchange/brought/${looked.result.id}/take-in`;
    return (
      await fetch(url, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: '{}',
      })
    ).status;
  });
  line(`taken in (${taken.result})`, taken);
  to.stop();
  rmSync(dir, { recursive: true, force: true });
};

void main();
