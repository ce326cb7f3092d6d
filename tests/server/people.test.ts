import type { AddressInfo } from 'node:net';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { join } from 'node:path';
import pino from 'pino';
import request from 'supertest';
import { mayDo, ROLES } from '../../src/core/shop/auth';
import { createApp } from '../../src/server/app';
import { openDb } from '../../src/server/db/open-db';
import { linePoster } from '../../src/server/devices/line-poster';
import { NEEDED, rightFor } from '../../src/server/auth/rights';
import { CODE_MINUTES } from '../../src/server/auth/sign-in-codes';
import { isTriedFirst } from '../../src/server/auth/common-secrets';
import { hashSecret, isSecret } from '../../src/server/auth/secret-hash';
import { routesOf } from '../routes-of';
import { closedShop, hashes, makeSecrets, onClock, PEOPLE } from './closed-shop';
import { note, testApp } from './test-app';

beforeAll(makeSecrets);

describe('a secret', () => {
  test.each([
    ['qwertyuiop123', true],
    ['iloveyou12345', true],
    ['OskTarrow2024', true],
    ['271828', true],
    ['123123', true],
    ['730418', false],
    ['three cold mornings', false],
    ['x'.repeat(60) + ' and more of it', false],
  ])('%s is tried first: %s', async (secret, is) =>
    expect(await isTriedFirst(secret, ['Osk Tarrow', 'Spring Wheelworks'])).toBe(is),
  );

  test('that is tried first is refused in words, by whoever sets it', async () => {
    const { signIn } = closedShop();
    const owner = await signIn('owner');
    const wayIn = (secret: string) =>
      owner
        .put('/api/people/Osk%20Tarrow/way-in')
        .send({ role: 'fitter', secret })
        .then((r) => r);
    const { status, body } = await wayIn('271828');
    expect([status, body.error.message]).toEqual([422, 'This is too easy to guess.']);
    expect((await wayIn('604938')).status).toBe(200);
    const own = await owner
      .put('/api/session/secret')
      .send({ old: PEOPLE.owner.secret, secret: 'iloveyou12345' });
    expect([own.status, own.body.error.expected]).toEqual([422, 'Choose a few unrelated words']);
  });

  test('takes its time to be tried, for a name that nobody has as well, and is salted', async () => {
    const [one, two] = await Promise.all([hashSecret('730418'), hashSecret('730418')]);
    expect(one).toMatch(/^scrypt\$14\$8\$5\$/);
    expect(one).not.toBe(two);
    expect(await isSecret('730418', one)).toBe(true);
    expect(await isSecret('730419', one)).toBe(false);
    expect(await isSecret('730418', null)).toBe(false);
    // The best of several, as a ratio: whatever else the machine does, a name that no one has costs
    // about as much.
    const bestOf = async (kept: string | null) => {
      const times: number[] = [];
      for (let i = 0; i < 7; i++) {
        const at = performance.now();
        await isSecret('999999', kept);
        times.push(performance.now() - at);
      }
      return Math.min(...times);
    };
    const wrong = await bestOf(two);
    expect(await bestOf(null)).toBeGreaterThan(wrong / 4);
  });

  // RFC 7914, 12, test vector: N = 1024, r = 8, p = 16, salt `NaCl`, its first 32 bytes.
  test('is made by scrypt as published', async () => {
    const hash = Buffer.from(
      'fdbabe1c9d3472007856e7190d01e9fe7c6ad7cbc8237830e77376634b373162',
      'hex',
    );
    const kept = `scrypt$10$8$16$${Buffer.from('NaCl').toString('base64')}$${hash.toString('base64')}`;
    expect(await isSecret('password', kept)).toBe(true);
  });

  test('is the same in whatever way its letters were put together', async () => {
    expect(
      await isSecret(
        've\u0301lo',
        await hashSecret('v\u00e9lo', { logN: 4, block: 8, parallel: 1 }),
      ),
    ).toBe(true);
  });
});

describe('signing in', () => {
  test('without an owner nobody has to', async () => {
    const { ask } = testApp({ empty: true });
    const { body } = await ask.get('/api/session').expect(200);
    expect(body).toEqual({
      areClosed: false,
      me: null,
      people: [],
      lockAfterMinutes: 20,
      forgottenAt: null,
    });
    await ask.get('/api/shop').expect(200);
    const refused = await ask.post('/api/session').send(PEOPLE.owner).expect(422);
    expect(refused.body.error.expected).toBe('Set up an owner first');
  });

  test('the first who gets a way in is an owner, with a passphrase; then sign-in is on', async () => {
    const { ask, app, db } = testApp({ empty: true });
    for (const { who } of Object.values(PEOPLE))
      db.prepare('INSERT INTO people (name) VALUES (?)').run(who);
    const wayIn = (name: string, body: object) =>
      ask.put(`/api/people/${encodeURIComponent(name)}/way-in`).send(body);
    const first = await wayIn('Osk Tarrow', { role: 'fitter', secret: '730418' }).expect(422);
    expect(first.body.error.field).toBe('role');
    const weak = await wayIn('Juna Birk', { role: 'owner', secret: '730418' }).expect(422);
    expect(weak.body.error.message).toBe('It is a PIN, and an owner can do everything.');
    await wayIn('Nobody Here', { role: 'owner', secret: PEOPLE.owner.secret }).expect(404);
    await wayIn('Juna Birk', { role: 'owner' }).expect(422);
    await ask.get('/api/shop').expect(200);
    await wayIn('Juna Birk', { role: 'owner', secret: PEOPLE.owner.secret }).expect(200);
    await ask.get('/api/shop').expect(401);
    await wayIn('Osk Tarrow', { role: 'owner', secret: 'another passphrase' }).expect(401);
    const juna = request.agent(app);
    const { body } = await juna.post('/api/session').send(PEOPLE.owner).expect(201);
    expect(body.me).toEqual({ who: 'Juna Birk', role: 'owner', isLocked: false });
    const alone = { role: 'fitter', secret: '730418' };
    const last = await juna.put('/api/people/Juna%20Birk/way-in').send(alone).expect(422);
    expect(last.body.error.message).toBe('This would leave no owner who can sign in.');
    await juna
      .put('/api/people/Juna%20Birk/way-in')
      .send({ role: 'owner', secret: null })
      .expect(422);
    // A fitter is no owner by a word alone.
    await juna.put('/api/people/Osk%20Tarrow/way-in').send(alone).expect(200);
    const up = await juna
      .put('/api/people/Osk%20Tarrow/way-in')
      .send({ role: 'owner' })
      .expect(422);
    expect(up.body.error.field).toBe('secret');
    await juna.put('/api/people/Osk%20Tarrow/way-in').send({ role: 'learner' }).expect(200);
    const { body: all } = await juna.get('/api/people').expect(200);
    expect(all.people).toContainEqual({ name: 'Osk Tarrow', role: 'learner', canSignIn: true });
    expect(JSON.stringify(all)).not.toMatch(/scrypt/);
  });

  test('the token is for the browser alone, by its hash in the database, and another at each time', async () => {
    const { app, ask, db } = closedShop();
    const { headers } = await ask.post('/api/session').send(PEOPLE.fitter).expect(201);
    const [cookie = ''] = headers['set-cookie'] as unknown as string[];
    expect(cookie).toMatch(
      /^rimstone=[\w-]{43}; Max-Age=1209600; Path=\/; HttpOnly; SameSite=Strict$/,
    );
    const token = /=([\w-]+)/.exec(cookie)![1]!;
    // Over TLS it is never sent without.
    app.set('trust proxy', true);
    const over = await ask
      .post('/api/session')
      .set('X-Forwarded-Proto', 'https')
      .send(PEOPLE.fitter)
      .expect(201);
    expect(over.headers['set-cookie']![0]).toMatch(
      /^__Host-rimstone=[\w-]{43}; .*; Secure; SameSite=Strict$/,
    );
    app.set('trust proxy', false);
    const again = await ask
      .post('/api/session')
      .set('Cookie', `rimstone=${token}`)
      .send(PEOPLE.fitter)
      .expect(201);
    expect(again.headers['set-cookie']![0]).not.toContain(token);
    // The one before is ended.
    await ask.get('/api/shop').set('Cookie', `rimstone=${token}`).expect(401);
    const kept = db.serialize().toString('latin1');
    expect(kept).not.toContain(token);
    for (const { secret } of Object.values(PEOPLE)) expect(kept).not.toContain(secret);
  });

  test('a session ends by its age, by signing out, from elsewhere, and with another secret', async () => {
    await onClock(async (move) => {
      const { signIn } = closedShop();
      const [one, two] = [await signIn('fitter'), await signIn('fitter')];
      const { body } = await one.get('/api/sessions').expect(200);
      expect(body.sessions).toHaveLength(2);
      expect(body.sessions[0].from).toMatch(/^a program at /);
      const other = body.sessions.find((s: { isThis: boolean }) => !s.isThis) as { id: string };
      await one.delete(`/api/sessions/${other.id}`).expect(204);
      await two.get('/api/shop').expect(401);
      await one.delete(`/api/sessions/${other.id}`).expect(404);
      const three = await signIn('fitter');
      await one
        .put('/api/session/secret')
        .send({ old: 'wrong 12345', secret: '604937' })
        .expect(401);
      await one
        .put('/api/session/secret')
        .send({ old: PEOPLE.fitter.secret, secret: '222222' })
        .expect(422);
      await one
        .put('/api/session/secret')
        .send({ old: PEOPLE.fitter.secret, secret: '604937' })
        .expect(200);
      await three.get('/api/shop').expect(401);
      await one.get('/api/shop').expect(200);
      await one.post('/api/session').send(PEOPLE.fitter).expect(401);
      await one.delete('/api/session').expect(200);
      await one.get('/api/shop').expect(401);
      const juna = await signIn('owner');
      move(14 * 24 * 60 - 1);
      // Locked by now, and still the same session.
      expect((await juna.get('/api/session')).body.me).toMatchObject({ isLocked: true });
      move(2);
      await juna.get('/api/shop').expect(401);
    });
  });

  test('an owner sees and ends the sessions of all, others their own', async () => {
    const { signIn } = closedShop();
    const [juna, osk] = [await signIn('owner'), await signIn('fitter')];
    const names = async (of: typeof juna) =>
      (await of.get('/api/sessions').expect(200)).body.sessions
        .map((s: { who: string }) => s.who)
        .sort() as string[];
    expect(await names(juna)).toEqual(['Juna Birk', 'Osk Tarrow']);
    expect(await names(osk)).toEqual(['Osk Tarrow']);
    const { body } = await juna.get('/api/sessions');
    const [mine] = body.sessions.filter((s: { who: string }) => s.who === 'Juna Birk') as {
      id: string;
    }[];
    await osk.delete(`/api/sessions/${mine!.id}`).expect(404);
    await juna.get('/api/shop').expect(200);
    await juna
      .put('/api/people/Osk%20Tarrow/way-in')
      .send({ role: 'fitter', secret: null })
      .expect(200);
    await osk.get('/api/shop').expect(401);
    await osk.post('/api/session').send(PEOPLE.fitter).expect(401);
  });

  test('a locked screen answers nothing until its secret is given, and only then goes on', async () => {
    const { signIn } = closedShop();
    const osk = await signIn('fitter');
    await osk.post('/api/session/lock').expect(200);
    const { body } = await osk.get('/api/shop').expect(401);
    expect(body.error).toMatchObject({
      field: 'lock',
      message: 'The screen of Osk Tarrow is locked.',
    });
    await osk.get('/api/sessions').expect(401);
    await osk.post('/api/session/codes').expect(401);
    await osk
      .put('/api/session/secret')
      .send({ old: PEOPLE.fitter.secret, secret: '604937' })
      .expect(401);
    expect((await osk.get('/api/session').expect(200)).body.me.isLocked).toBe(true);
    // Someone else goes on at this bench.
    const { body: next } = await osk.post('/api/session').send(PEOPLE.learner).expect(201);
    expect(next.me).toMatchObject({ who: 'Wil Penhallow', isLocked: false });
    await osk.get('/api/shop').expect(200);
  });

  test('a code signs in a second browser once, soon, and while the first one is signed in', async () => {
    await onClock(async (move) => {
      const { app, signIn } = closedShop();
      const osk = await signIn('fitter');
      const codeOf = async () =>
        (await osk.post('/api/session/codes').expect(201)).body.code as string;
      const by = (code: string) => request(app).post('/api/session').send({ code });
      const first = await codeOf();
      const second = await codeOf();
      await by(first).expect(401);
      expect((await by(second).expect(201)).body.me).toMatchObject({
        who: 'Osk Tarrow',
        role: 'fitter',
      });
      await by(second).expect(401);
      const late = await codeOf();
      move(CODE_MINUTES + 0.1);
      await by(late).expect(401);
      const locked = await codeOf();
      await osk.post('/api/session/lock').expect(200);
      await by(locked).expect(401);
    });
  });

  test('a calendar program reads the calendar by its key, and nothing else; another key ends it', async () => {
    const { ask, signIn } = closedShop();
    const [osk, juna] = [await signIn('fitter'), await signIn('owner')];
    await ask.get('/api/rechecks.ics').expect(401);
    await ask.get('/api/rechecks.ics?key=').expect(401);
    const { key } = (await osk.get('/api/calendar-key').expect(200)).body as { key: string };
    expect((await osk.get('/api/calendar-key')).body.key).toBe(key);
    const by = (path: string, k = key) => ask.get(`${path}?key=${k}`);
    expect((await by('/api/rechecks.ics').expect(200)).text).toMatch(/^BEGIN:VCALENDAR/);
    for (const path of [
      '/api/rechecks',
      '/api/shop',
      '/api/jobs/demo-job-1/rechecks.ics',
      '/api/calendar-key',
    ])
      await by(path).expect(401);
    await by('/api/rechecks.ics', `${key.slice(1)}x`).expect(401);
    await osk.post('/api/calendar-key').expect(403);
    await juna.post('/api/calendar-key').expect(201);
    await by('/api/rechecks.ics').expect(401);
  });

  test('the bridge of the instruments signs in by itself, and again once its session is over', async () => {
    const { app, auth } = closedShop();
    const server = createServer(app).listen(0, '127.0.0.1');
    await once(server, 'listening');
    try {
      const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
      const post = (who: string | undefined, secret: string) =>
        linePoster(url, { passphrase: undefined, who, secret });
      const line = readFileSync(join(__dirname, '../../docs/devices/gauge.ndjson'), 'utf8').split(
        '\n',
      )[0]!;
      const bridge = post(PEOPLE.learner.who, PEOPLE.learner.secret);
      for (let i = 0; i < 3; i++) expect((await bridge(line)).taken).toBe(1);
      expect(auth.sessions(Date.now())).toHaveLength(1);
      auth.endAll();
      expect((await bridge(line)).taken).toBe(1);
      await expect(post(PEOPLE.learner.who, 'wrong')(line)).rejects.toThrow(
        'it does not let Wil Penhallow in, and answered 401',
      );
      await expect(post(undefined, '')(line)).rejects.toThrow('it answered 401');
    } finally {
      server.closeAllConnections();
      server.close();
    }
  });

  test('what streams to somebody ends with the session', async () => {
    const { app, signIn } = closedShop();
    const server = createServer(app).listen(0, '127.0.0.1');
    await once(server, 'listening');
    const osk = await signIn('fitter');
    const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    const { headers } = await request(app).post('/api/session').send(PEOPLE.fitter);
    const cookie = headers['set-cookie']![0]!.split(';')[0]!;
    const stream = await fetch(`${url}/api/live`, { headers: { cookie } });
    const ended = (async () => {
      for await (const _ of stream.body as unknown as AsyncIterable<Uint8Array>);
      return 'ended';
    })();
    const { body } = await osk.get('/api/sessions');
    const other = body.sessions.find((s: { isThis: boolean }) => !s.isThis) as { id: string };
    await osk.delete(`/api/sessions/${other.id}`).expect(204);
    expect(await ended).toBe('ended');
    server.closeAllConnections();
    server.close();
  });

  test('refusals are in the log; secrets, tokens and cookies never', async () => {
    const said: string[] = [];
    const logger = pino({ level: 'trace' }, { write: (line: string) => void said.push(line) });
    const db = openDb(':memory:');
    db.prepare("INSERT INTO people (name, role, secret) VALUES ('Juna Birk', 'owner', ?)").run(
      hashes.owner,
    );
    const app = createApp(db, { photosDir: 'nowhere', logger });
    await request(app)
      .post('/api/session')
      .send({ who: 'Juna Birk', secret: 'a wrong guess of it' })
      .expect(401);
    const { headers } = await request(app).post('/api/session').send(PEOPLE.owner).expect(201);
    const cookie = headers['set-cookie']![0]!.split(';')[0]!;
    await request(app).get('/api/shop').set('Cookie', cookie).expect(200);
    await request(app)
      .get('/api/shop')
      .set('Cookie', cookie)
      .auth('anyone', 'some passphrase')
      .expect(200);
    await request(app)
      .post('/api/records/tires')
      .set('Cookie', cookie)
      .send({ id: 'x'.repeat(300) })
      .expect(422);
    const log = said.join('');
    expect(log).toMatch(/refused to sign in/);
    for (const secret of [
      'wrong guess',
      PEOPLE.owner.secret,
      cookie.split('=')[1]!,
      'some passphrase',
      'c29tZS',
      'YW55b25l',
    ])
      expect(log).not.toContain(secret);
  });
});

describe('what each role may do', () => {
  test('every route that writes is named, and every name is a route', () => {
    const routes = routesOf(testApp({ empty: true }).app)
      .map(([method, address]) => `${method} ${address.replace('/api', '')}`)
      .filter((route) => !/ \/(session|sessions|health)\b/.test(route));
    const named = NEEDED.map(([method, address]) => `${method} ${address}`);
    expect(routes.filter((r) => !r.startsWith('GET ')).filter((r) => !named.includes(r))).toEqual(
      [],
    );
    expect(named.filter((n) => !routes.includes(n))).toEqual([]);
    expect(rightFor('POST', '/something/new')).toBe('govern');
    expect(rightFor('PATCH', '/jobs')).toBe('govern');
    expect(rightFor('POST', '/JOBS/')).toBe('trade');
    expect(rightFor('HEAD', '/backups/x.zip')).toBe('govern');
    expect(rightFor('GET', '/jobs')).toBe('read');
  });

  test('on every route: nobody is let in unsigned, and each role to what it may do', async () => {
    const { app, auth } = closedShop();
    const server = createServer(app).listen(0, '127.0.0.1');
    await once(server, 'listening');
    const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    const cookies = Object.fromEntries(
      ROLES.map((role) => [
        role,
        `rimstone=${auth.begin(PEOPLE[role].who, 'a test', 1, Date.now(), true).token}`,
      ]),
    );
    const statusOf = async (method: string, address: string, cookie?: string) => {
      const stop = new AbortController();
      const body =
        method === 'GET' ? {} : { body: '{}', headers: { 'content-type': 'application/json' } };
      const headers = { ...body.headers, ...(cookie ? { cookie } : {}) };
      const path = address.replace(/:(\w+)/g, (_, name) =>
        name === 'kind' ? 'tires' : 'no-such-thing',
      );
      const { status } = await fetch(url + path, { method, ...body, headers, signal: stop.signal });
      stop.abort();
      return status;
    };
    const routes = routesOf(app).filter(
      ([, address]) => !/^\/api\/(session|sessions|health)\b/.test(address),
    );
    expect(routes.length).toBeGreaterThan(50);
    const wrong: string[] = [];
    for (const [method, address] of routes) {
      for (const cookie of [undefined, 'rimstone=no-such-token', `other=${cookies.owner}`]) {
        const status = await statusOf(method, address, cookie);
        if (status !== 401) wrong.push(`${method} ${address}, not signed in: ${status}`);
      }
      const right = rightFor(method, address.replace('/api', ''));
      for (const role of ROLES) {
        const status = await statusOf(method, address, cookies[role]);
        const isLetIn = status !== 401 && status !== 403;
        if (isLetIn !== mayDo(role, right)) wrong.push(`${method} ${address}, ${role}: ${status}`);
      }
    }
    expect(wrong).toEqual([]);
    server.closeAllConnections();
    server.close();
  });

  test('nobody writes in another name', async () => {
    const { signIn, db } = closedShop({ isDemo: true });
    const osk = await signIn('fitter');
    const jobId = db
      .prepare('SELECT id FROM jobs WHERE handed_over = 0 LIMIT 1')
      .pluck()
      .get() as string;
    const seqOf = () =>
      db.prepare('SELECT last_seq FROM jobs WHERE id = ?').pluck().get(jobId) as number;
    const append = (...entries: object[]) =>
      osk.post(`/api/jobs/${jobId}/entries`).send({ expectedSeq: seqOf(), entries });
    const other = await append(note('mine', { who: 'Osk Tarrow' }), note('not mine')).expect(403);
    expect(other.body.error).toMatchObject({
      field: 'who',
      expected: expect.stringContaining('Osk Tarrow'),
    });
    await append(note('mine', { who: 'Osk Tarrow' })).expect(201);
    const order = {
      id: 'o-1',
      what: 'a tube',
      stockId: null,
      count: 1,
      supplier: '',
      jobIds: [],
      who: 'Juna Birk',
    };
    await osk.post('/api/orders').send(order).expect(403);
    await osk
      .post('/api/orders')
      .send({ ...order, who: 'Osk Tarrow' })
      .expect(201);
  });

  test('a learner neither hands over nor takes that back; a fitter sets no price', async () => {
    const { signIn, db } = closedShop({ isDemo: true });
    const [wil, osk, juna] = [
      await signIn('learner'),
      await signIn('fitter'),
      await signIn('owner'),
    ];
    const jobId = db
      .prepare('SELECT id FROM jobs WHERE handed_over = 1 LIMIT 1')
      .pluck()
      .get() as string;
    const seq = db.prepare('SELECT last_seq FROM jobs WHERE id = ?').pluck().get(jobId) as number;
    const handed = db
      .prepare("SELECT id FROM entries WHERE job_id = ? AND kind = 'handed-over'")
      .pluck()
      .get(jobId);
    const by = (agent: typeof wil, who: string, kind: string, data: object) =>
      agent
        .post(`/api/jobs/${jobId}/entries`)
        .send({ expectedSeq: seq, entries: [note('', { who, kind, data })] });
    const refused = await by(wil, 'Wil Penhallow', 'handed-over', { to: 'the rider' }).expect(403);
    expect(refused.body.error.message).toBe(
      'Wil Penhallow is signed in as learner and can’t release a wheel or take a release back.',
    );
    await by(wil, 'Wil Penhallow', 'undo', { entryId: handed }).expect(403);
    await by(osk, 'Osk Tarrow', 'undo', { entryId: handed }).expect(201);
    const tube = (await osk.get('/api/records/tubes').expect(200)).body.records[0];
    const dearer = { ...tube, priceMinor: (tube.priceMinor ?? 0) + 100 };
    const price = await osk.put(`/api/records/tubes/${tube.id}`).send(dearer).expect(403);
    expect(price.body.error.expected).toBe('Ask an owner');
    await osk
      .put(`/api/records/tubes/${tube.id}`)
      .send({ ...tube, note: 'counted again' })
      .expect(200);
    await osk
      .post('/api/records/tubes')
      .send({ ...dearer, id: 'another-tube' })
      .expect(403);
    const file = (await osk.get('/api/records/tubes/file.csv').expect(200)).text;
    const raised = file.replaceAll(',1890,', ',9990,');
    expect(raised).not.toBe(file);
    await osk.post('/api/records/tubes/import?apply=yes').type('text/csv').send(raised).expect(403);
    await juna
      .put(`/api/records/tubes/${tube.id}`)
      .send({ ...dearer, version: tube.version + 1 })
      .expect(200);
  });
});
