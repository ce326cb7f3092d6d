import Database from 'better-sqlite3';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import request from 'supertest';
import { watchClock, type ClockJump } from '../../src/server/clock-watch';
import { ownFile } from '../../src/server/db/file-owner';
import { openDb } from '../../src/server/db/open-db';
import { runningShop } from '../../src/server/running-shop';
import { workHere } from '../../src/server/work/work-here';
import { note, testApp } from './test-app';

let dir = '';
const at = (name: string) => join(dir, name);
beforeEach(() => void (dir = mkdtempSync(join(tmpdir(), 'rimstone-one-'))));
afterEach(() => rmSync(dir, { recursive: true, force: true }));

const shopOn = (file: string) =>
  runningShop(file, { logger: pino({ level: 'silent' }), passphrase: undefined, work: workHere() });

describe('a second server on one file', () => {
  test('is refused, and told which one has it; after that one ends it may start', () => {
    const first = shopOn(at('shop.sqlite'));
    first.listensAt('http://127.0.0.1:4180');
    expect(() => shopOn(at('shop.sqlite'))).toThrow(
      new RegExp(
        `open in another server already \\(process ${process.pid} on .*, at http://127\\.0\\.0\\.1:4180\\)`,
      ),
    );
    // Another file is another shop.
    shopOn(at('other.sqlite')).close();
    first.close();
    shopOn(at('shop.sqlite')).close();
  });

  test('that was killed leaves nothing in the way', async () => {
    const script = `const D=require('better-sqlite3');const d=new D(process.argv[1]);d.exec('BEGIN EXCLUSIVE');console.log('held');setInterval(()=>0,1e6)`;
    const other = spawn(process.execPath, ['-e', script, `${at('shop.sqlite')}-owner`]);
    await once(other.stdout, 'data');
    expect(() => ownFile(at('shop.sqlite'))).toThrow('open in another server already');
    other.kill('SIGKILL');
    await once(other, 'exit');
    ownFile(at('shop.sqlite')).release();
  });
});

test('a lock that another program holds blocks no one: reading goes on, and a write is refused in words at once', async () => {
  const { db } = testApp();
  writeFileSync(at('shop.sqlite'), db.serialize());
  db.close();
  const shop = shopOn(at('shop.sqlite'));
  const ask = request(shop.answer);
  const { job } = (await ask.get('/api/jobs/demo-job-21').expect(200)).body;
  const other = new Database(at('shop.sqlite'));
  other.exec('BEGIN IMMEDIATE');
  const write = () =>
    ask
      .post('/api/jobs/demo-job-21/entries')
      .send({ expectedSeq: job.lastSeq, entries: [note('x')] });
  const refused = await write().expect(503);
  expect(refused.body.error.message).toMatch(/^Another program holds the shop’s database\./);
  await ask.get('/api/jobs/demo-job-21').expect(200);
  other.exec('ROLLBACK');
  other.close();
  await write().expect(201);
  shop.close();
  // SQLite waits inside the one thread that answers everyone.
  const opened = openDb(at('waits.sqlite'));
  expect(Number(opened.pragma('busy_timeout', { simple: true }))).toBeLessThanOrEqual(100);
  opened.close();
});

describe('the clock', () => {
  const run = (
    last: string | null,
    steps: readonly (readonly [clockS: number, steadyS: number])[],
  ): ClockJump[] => {
    jest.useFakeTimers();
    const start = Date.UTC(2026, 3, 30, 12);
    let [clock, steady] = [0, 0];
    const told: ClockJump[] = [];
    const stop = watchClock(last, (jump) => told.push(jump), {
      nowMs: () => start + clock * 1000,
      steadyMs: () => steady * 1000,
      lookMs: 10,
    });
    for (const [c, s] of steps) {
      clock += c;
      steady += s;
      jest.advanceTimersByTime(10);
    }
    stop();
    jest.useRealTimers();
    return told;
  };
  test('that jumps is named, forward and back; one that drifts a little is not', () => {
    expect(
      run(null, [
        [10, 10],
        [11, 10],
        [9, 10],
        [100, 10],
      ]),
    ).toEqual([]);
    expect(
      run(null, [
        [10, 10],
        [3610, 10],
        [10, 10],
      ]),
    ).toEqual([{ from: '2026-04-30T12:00:20.000Z', to: '2026-04-30T13:00:20.000Z' }]);
    expect(
      run(null, [
        [-7190, 10],
        [10, 10],
      ]),
    ).toEqual([{ from: '2026-04-30T12:00:10.000Z', to: '2026-04-30T10:00:10.000Z' }]);
  });
  test('that is behind the newest entry is named at the start', () => {
    expect(run('2026-04-30T12:01:00.000Z', [])).toEqual([]);
    expect(run('2026-05-02T12:00:00.000Z', [])).toEqual([
      { from: '2026-05-02T12:00:00.000Z', to: '2026-04-30T12:00:00.000Z' },
    ]);
  });
});
