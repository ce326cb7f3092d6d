import request from 'supertest';
import { FREE_TRIES, triesWithin } from '../../src/core/shop/auth';
import { CONFIRMED } from '../../src/server/auth/rights';
import { passkeyStore } from '../../src/server/db/passkey-store';
import { closedShop, makeSecrets, onClock, PEOPLE } from './closed-shop';

beforeAll(makeSecrets);

const WRONG = '846120';

/** A closed shop whose addresses are what a header says. */
const shopOfAddresses = () => {
  const shop = closedShop();
  shop.app.set('trust proxy', true);
  const from = (address: string, secret: string, who = PEOPLE.fitter.who) =>
    request(shop.app).post('/api/session').set('X-Forwarded-For', address).send({ who, secret });
  return { ...shop, from };
};

describe('guessing', () => {
  test('at one person from many addresses is let through fewer than 100 times an hour, also when it comes at once', async () => {
    await onClock(async (move) => {
      const { from } = shopOfAddresses();
      let address = 0;
      const guess = () => from(`198.51.100.${address++ % 250}`, WRONG);
      const burst = await Promise.all(Array.from({ length: 18 }, guess));
      let tried = burst.filter((r) => r.status === 401).length;
      expect(tried).toBe(FREE_TRIES);
      // An attacker who asks every half minute, from a new address each time.
      for (let halves = 0; halves < 120; halves++) {
        if ((await guess()).status === 401) tried++;
        move(0.5);
      }
      expect(tried).toBeLessThanOrEqual(triesWithin(1) + 1);
      expect(tried).toBeGreaterThan(FREE_TRIES);
      // The right one is not told among them either.
      await from('198.51.100.251', PEOPLE.fitter.secret).expect(429);
    });
  });

  test('from elsewhere does not keep a person out of a device they signed in on before', async () => {
    const { app, from, signIn } = shopOfAddresses();
    const osk = await signIn('fitter');
    for (let i = 0; i < 2 * FREE_TRIES; i++) await from(`198.51.100.${i}`, WRONG);
    await from('198.51.100.99', PEOPLE.fitter.secret).expect(429);
    await osk.post('/api/session/lock').expect(200);
    await osk.post('/api/session').send(PEOPLE.fitter).expect(201);
    // The cookie of that device helps no one who only claims one.
    await request(app)
      .post('/api/session')
      .set('Cookie', 'rimstone-device=made-up')
      .send(PEOPLE.fitter)
      .expect(429);
  });

  test('on a known device has an allowance of its own, and one person’s device is not another’s', async () => {
    await onClock(async (move) => {
      const { signIn } = closedShop();
      const osk = await signIn('fitter');
      const guess = (who: string) => osk.post('/api/session').send({ who, secret: WRONG });
      for (let i = 0; i < FREE_TRIES; i++)
        expect((await guess(PEOPLE.fitter.who)).status).toBe(401);
      const waits = await guess(PEOPLE.fitter.who).expect(429);
      expect(waits.body.error.expected).toMatch(/^Try again in 1 minute/);
      expect((await guess(PEOPLE.learner.who)).status).toBe(401);
      move(1.1);
      await osk.post('/api/session').send(PEOPLE.fitter).expect(201);
      // Right once, the count starts over.
      expect((await guess(PEOPLE.fitter.who)).status).toBe(401);
    });
  });

  test('waits survive a restart, and a clock set back makes none longer than an hour', async () => {
    await onClock(async (move) => {
      const { from, db } = shopOfAddresses();
      for (let i = 0; i < FREE_TRIES; i++) await from(`198.51.100.${i}`, WRONG);
      expect(db.prepare('SELECT sum(wrong) FROM sign_in_tries').pluck().get()).toBe(FREE_TRIES);
      move(-600);
      await from('198.51.100.9', PEOPLE.fitter.secret).expect(429);
      move(61);
      // Still before the try that was noted: at most an hour from now on, asked again.
      await from('198.51.100.9', PEOPLE.fitter.secret).expect(429);
      move(600);
      await from('198.51.100.9', PEOPLE.fitter.secret).expect(201);
    });
  });

  test('spread over many addresses is seen as well', async () => {
    const { from, signIn } = shopOfAddresses();
    const juna = await signIn('owner');
    for (let i = 0; i < FREE_TRIES; i++) await from(`198.51.100.${i}`, WRONG);
    const { body } = await juna.get('/api/sessions/guessing').expect(200);
    expect(body.guessing).toHaveLength(FREE_TRIES);
  });

  test('is shown to owners by where it comes from, who end it; sign-ins and wrong tries are in the change log', async () => {
    const { from, signIn } = shopOfAddresses();
    const [juna, osk] = [await signIn('owner'), await signIn('fitter')];
    for (let i = 0; i < FREE_TRIES; i++) await from('198.51.100.7', WRONG);
    await osk.get('/api/sessions/guessing').expect(403);
    // One mistake from another address is none of it; spread over many, guesses are seen all the
    // same.
    await from('198.51.100.8', WRONG, PEOPLE.learner.who);
    const { body } = await juna.get('/api/sessions/guessing').expect(200);
    expect(body.guessing).toEqual([
      expect.objectContaining({
        who: PEOPLE.fitter.who,
        wrong: FREE_TRIES,
        isKnown: false,
        isBlocked: false,
      }),
    ]);
    expect(body.guessing[0].from).toContain('198.51.100.7');
    const path = `/api/sessions/guessing/${body.guessing[0].id}`;
    await osk.put(path).send({ isBlocked: true }).expect(403);
    await juna.put(path).send({ isBlocked: true }).expect(200);
    const blocked = await from('198.51.100.7', PEOPLE.fitter.secret).expect(403);
    expect(blocked.body.error.message).toBe('An owner has blocked sign-in from here.');
    await juna.delete(path).expect(200);
    await from('198.51.100.7', PEOPLE.fitter.secret).expect(201);
    const { changes } = (await juna.get('/api/changes?limit=100').expect(200)).body;
    const noted = changes.filter((c: { kind: string }) => c.kind === 'sign-ins');
    expect(noted.filter((c: { field: string }) => c.field === 'wrong try')).toHaveLength(
      FREE_TRIES + 1,
    );
    expect(noted[0]).toMatchObject({ who: PEOPLE.fitter.who, field: 'signed in' });
    expect(JSON.stringify(changes)).not.toContain(PEOPLE.fitter.secret);
  });
});

describe('the idle lock', () => {
  test('is the server’s: a session no hand was on for that long answers nothing, whatever it loads', async () => {
    await onClock(async (move) => {
      const { signIn } = closedShop();
      const juna = await signIn('owner');
      const lockMinutes = (await juna.get('/api/session')).body.lockAfterMinutes;
      // Loading keeps no screen open.
      for (let minutes = 0; minutes < lockMinutes - 1; minutes += 5) {
        await juna.get('/api/shop').expect(200);
        move(5);
      }
      move(2);
      const { body } = await juna.get('/api/shop').expect(401);
      expect(body.error.field).toBe('lock');
      await juna.post('/api/session/touch').send({ agoS: 0 }).expect(401);
      await juna.get('/api/photos/' + '0'.repeat(64)).expect(401);
      await juna.post('/api/session').send(PEOPLE.owner).expect(201);
      await juna.get('/api/shop').expect(200);
    });
  });

  test('a hand on the screen keeps it open; a report from the future does not keep it open for longer', async () => {
    await onClock(async (move) => {
      const { signIn, db } = closedShop();
      const osk = await signIn('fitter');
      for (let i = 0; i < 8; i++) {
        move(15);
        await osk.post('/api/session/touch').send({ agoS: 10 }).expect(204);
      }
      await osk.get('/api/shop').expect(200);
      await osk.post('/api/session/touch').send({ agoS: -3600 }).expect(422);
      move(15);
      await osk
        .post('/api/session/touch')
        .send({ agoS: 14 * 60 })
        .expect(204);
      move(7);
      await osk.get('/api/shop').expect(401);
      expect(db.prepare('SELECT count(*) FROM sessions WHERE is_locked = 1').pluck().get()).toBe(1);
    });
  });
});

describe('what an owner has to prove again', () => {
  test.each(CONFIRMED)(
    '%s %s is asked for after a while, and by a code at once',
    async (method, address) => {
      await onClock(async (move) => {
        const { app, signIn } = closedShop();
        const juna = await signIn('owner');
        const path = '/api' + address.replace(/:\w+/g, 'no-such-thing');
        const send = (agent: typeof juna) =>
          (method === 'PUT' ? agent.put(path) : agent.post(path)).send({});
        expect((await send(juna)).status).not.toBe(401);
        const { code } = (await juna.post('/api/session/codes').expect(201)).body;
        const second = request.agent(app);
        await second.post('/api/session').send({ code }).expect(201);
        expect((await send(second)).body.error.field).toBe('confirm');
        move(6);
        expect((await send(juna)).body.error.field).toBe('confirm');
        await juna.post('/api/session/confirm').send({ secret: 'not the passphrase' }).expect(401);
        expect((await send(juna)).body.error.field).toBe('confirm');
        await juna.post('/api/session/confirm').send({ secret: PEOPLE.owner.secret }).expect(204);
        expect((await send(juna)).status).not.toBe(401);
      });
    },
  );

  test('passkeys are for owners, after a proof, and by host name', async () => {
    const { signIn } = closedShop();
    const [juna, osk] = [await signIn('owner'), await signIn('fitter')];
    await osk.post('/api/session/passkeys/challenge').send({}).expect(403);
    const challenge = await juna
      .post('/api/session/passkeys/challenge')
      .set('Host', 'localhost')
      .send({})
      .expect(201);
    expect(challenge.body).toMatchObject({
      rp: { id: 'localhost' },
      authenticatorSelection: { userVerification: 'required' },
    });
    const byAddress = await juna
      .post('/api/session/passkeys/challenge')
      .set('Host', '127.0.0.1')
      .send({})
      .expect(422);
    expect(byAddress.body.error.message).toContain('belongs to a host name');
    const made = {
      label: 'a key',
      passkey: { id: 'AAAA', rawId: 'AAAA', type: 'public-key', response: {} },
    };
    await juna.post('/api/session/passkeys').set('Host', 'localhost').send(made).expect(401);
    await juna
      .post('/api/session')
      .set('Host', 'localhost')
      .send({ passkey: made.passkey })
      .expect(401);
  });

  test('a person has at most ten passkeys, and a new passphrase removes them', async () => {
    const { signIn, db } = closedShop();
    const juna = await signIn('owner');
    const store = passkeyStore(db);
    const key = {
      who: PEOPLE.owner.who,
      publicKey: Buffer.from('key'),
      counter: 0,
      transports: [],
    };
    for (let i = 0; i < 10; i++)
      store.add({ ...key, id: `key-${i}`, label: `key ${i}` }, new Date().toISOString());
    const challenge = () =>
      juna.post('/api/session/passkeys/challenge').set('Host', 'localhost').send({});
    expect((await challenge().expect(422)).body.error.message).toContain('10 passkeys');
    await juna
      .put('/api/session/secret')
      .send({ old: PEOPLE.owner.secret, secret: 'water over nine stone steps' })
      .expect(200);
    expect(store.of(PEOPLE.owner.who)).toEqual([]);
    await challenge().expect(201);
  });
});
