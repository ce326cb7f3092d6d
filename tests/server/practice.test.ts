import {
  advisedLevers,
  advisedTruing,
  hiddenBead,
  hiddenHeavy,
  hiddenSpokes,
} from '../../src/core/practice';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import request from 'supertest';
import { authStore } from '../../src/server/db/auth-store';
import { openDb } from '../../src/server/db/open-db';
import { practiceStore } from '../../src/server/db/practice-store';
import { testApp } from './test-app';

const round = (more: Record<string, unknown> = {}) => ({
  id: 'round-1',
  who: 'Juna Birk',
  kind: 'balance',
  level: 'usual stand, full shelf',
  seed: 3,
  acts: [[{ massG: 20, deg: 10 }]],
  tookS: 95,
  ...more,
});

describe('practice', () => {
  test('a round is scored here, kept once, and listed with its learner’s others, the newest first', async () => {
    const { ask } = testApp({ empty: true });
    const sent = await ask.post('/api/practice').send(round()).expect(201);
    expect(sent.body.score).toMatchObject({ cost: 1, good: false, tookS: 95 });
    expect(sent.body.working.result.heavy).toEqual(hiddenHeavy(3));
    await ask.post('/api/practice').send(round()).expect(201);
    await ask
      .post('/api/practice')
      .send(round({ id: 'round-2', acts: [] }))
      .expect(201);
    await ask
      .post('/api/practice')
      .send(round({ id: 'round-3', who: 'Osk Tarrow' }))
      .expect(201);
    const { body } = await ask.get('/api/practice?who=Juna%20Birk').expect(200);
    expect(body.rounds.map((r: { id: string }) => r.id)).toEqual(['round-2', 'round-1']);
  });

  test('every kind of work is scored by its own working, beside the advice', async () => {
    const { ask } = testApp({ empty: true });
    const levers = [...advisedLevers(hiddenBead(8, 'shallow rim'))];
    const nipples = [...advisedTruing(hiddenSpokes(8, 'a wobble'))].flat();
    const cases = [
      { id: 'a', kind: 'levers', level: 'shallow rim', seed: 8, acts: levers },
      { id: 'b', kind: 'true', level: 'a wobble', seed: 8, acts: nipples },
    ];
    for (const it of cases) {
      const { body } = await ask.post('/api/practice').send(round(it)).expect(201);
      expect(body.score).toMatchObject({
        good: true,
        cost: it.acts.length,
        advisedCost: it.acts.length,
      });
    }
  });

  test('what does not fit is refused by name, and nothing is kept', async () => {
    const { ask } = testApp({ empty: true });
    const cases: [Record<string, unknown>, string][] = [
      [{ kind: 'sewing' }, 'kind'],
      [{ level: 'none' }, 'level'],
      [{ kind: 'levers' }, 'level'],
      [{ seed: 1.5 }, 'seed'],
      [{ acts: 'x' }, 'acts'],
      [{ acts: [[{ massG: -5, deg: 0 }]] }, 'acts[0][0].massG'],
      [{ who: '' }, 'who'],
      [{ cost: 0 }, 'cost'],
      [{ id: '../x' }, 'id'],
    ];
    for (const [more, field] of cases) {
      const { body } = await ask.post('/api/practice').send(round(more)).expect(422);
      expect(body.error.field).toBe(field);
      expect(body.error.expected).toBeTruthy();
    }
    expect((await ask.get('/api/practice?who=Juna%20Birk')).body.rounds).toEqual([]);
    await ask.get('/api/practice').expect(422);
    // The same id for another wheel is another round.
    await ask.post('/api/practice').send(round()).expect(201);
    await ask
      .post('/api/practice')
      .send(round({ seed: 4 }))
      .expect(422);
  });
});

describe('what the shop may see of it', () => {
  test('nothing until they agree, then how they get on in each kind, and nothing again', async () => {
    const { ask } = testApp({ empty: true });
    await ask.post('/api/people').send({ name: 'Wil Penhallow' }).expect(201);
    await ask
      .post('/api/practice')
      .send(round({ who: 'Wil Penhallow' }))
      .expect(201);
    const shown = async () => (await ask.get('/api/practice/shown').expect(200)).body.people;
    const agree = (isShown: unknown, who = 'Wil Penhallow') =>
      ask.put('/api/practice/shown').send({ who, isShown });
    expect(await shown()).toEqual([]);
    expect((await ask.get('/api/practice?who=Wil%20Penhallow')).body.isShown).toBe(false);
    expect((await agree(true).expect(200)).body).toEqual({ isShown: true });
    const [one, ...more] = await shown();
    expect(more).toEqual([]);
    expect(one).toMatchObject({
      who: 'Wil Penhallow',
      rounds: 1,
      lastAt: expect.stringMatching(/^20/),
    });
    const balance = one.kinds.find((k: { kind: string }) => k.kind === 'balance');
    expect(balance).toMatchObject({
      standing: { rounds: 1, good: 0 },
      next: { level: 'light stand, full shelf' },
    });
    await agree(false).expect(200);
    expect(await shown()).toEqual([]);
    await agree('yes').expect(422);
    await agree(true, 'Nobody').expect(404);
  });

  test('where people sign in: nobody else reads rounds that are not shown, nor agrees for another', async () => {
    const { ask, db, app } = testApp({ empty: true });
    const auth = authStore(db);
    const people = [
      ['Juna Birk', 'owner'],
      ['Osk Tarrow', 'fitter'],
      ['Wil Penhallow', 'learner'],
    ] as const;
    for (const [who, role] of people) {
      db.prepare('INSERT INTO people (name) VALUES (?) ON CONFLICT DO NOTHING').run(who);
      auth.setPerson(who, role, 'kept');
    }
    const as = (who: string) => {
      const cookie = `rimstone=${auth.begin(who, 'a test', 1, Date.now(), true).token}`;
      return {
        get: (at: string) => request(app).get(`/api${at}`).set('Cookie', cookie),
        put: (at: string, body: object) =>
          request(app).put(`/api${at}`).set('Cookie', cookie).send(body),
      };
    };
    await ask.get('/api/practice/shown').expect(401);
    const [osk, wil] = [as('Osk Tarrow'), as('Wil Penhallow')];
    const kept = await osk.get('/practice?who=Wil%20Penhallow').expect(403);
    expect(kept.body.error.message).toBe('Wil Penhallow doesn’t share practice results.');
    await as('Juna Birk').get('/practice?who=Wil%20Penhallow').expect(403);
    await wil.get('/practice?who=Wil%20Penhallow').expect(200);
    await osk.put('/practice/shown', { who: 'Wil Penhallow', isShown: true }).expect(403);
    await wil.put('/practice/shown', { who: 'Wil Penhallow', isShown: true }).expect(200);
    await osk.get('/practice?who=Wil%20Penhallow').expect(200);
    expect((await osk.get('/practice/shown').expect(200)).body.people).toMatchObject([
      { who: 'Wil Penhallow' },
    ]);
    // One learner does not look at another.
    await wil.get('/practice/shown').expect(403);
  });
});

test('rounds of an earlier program stay with who played them, as rounds of balance', () => {
  const dir = mkdtempSync(join(tmpdir(), 'practice-'));
  const file = join(dir, 'shop.sqlite');
  const folder = 'src/server/db/migrations';
  const old = new Database(file);
  for (const name of readdirSync(folder).sort().slice(0, 22))
    old.exec(readFileSync(join(folder, name), 'utf8'));
  old.pragma('user_version = 22');
  old.exec(`INSERT INTO practice_rounds VALUES ('p', 'Ada Marl', '2026-04-30T09:00:00.000Z', 7, 'heavy', 'few',
    '[[{"massG":20,"deg":25}]]', 1, 3.5, 1, 2, 1.5, 80)`);
  old.close();
  const db = openDb(file);
  try {
    expect(practiceStore(db).latest('Ada Marl', 9)).toEqual([
      {
        id: 'p',
        who: 'Ada Marl',
        at: '2026-04-30T09:00:00.000Z',
        kind: 'balance',
        level: 'heavy stand, few shelf',
        seed: 7,
        good: true,
        cost: 1,
        advisedCost: 2,
        tookS: 80,
      },
    ]);
    expect(db.prepare('SELECT acts FROM practice_runs').pluck().get()).toBe(
      '[[{"massG":20,"deg":25}]]',
    );
  } finally {
    db.close();
    rmSync(dir, { recursive: true });
  }
});
