import { ROLES, type Role } from '../../src/core/shop/auth';
import { closedShop, makeSecrets, onClock, PEOPLE } from './closed-shop';
import { note } from './test-app';

beforeAll(makeSecrets);

type Agents = Record<Role, Awaited<ReturnType<ReturnType<typeof closedShop>['signIn']>>>;

const MAY_RELEASE: Record<Role, boolean> = { owner: true, fitter: true, learner: false };
const REASON = { by: PEOPLE.owner.who, why: 'a test of permissions' };

/**
 * The demo shop with everyone signed in, and a job that was handed over with every safety check on
 * record.
 */
const shopAtWork = async () => {
  const shop = closedShop({ isDemo: true });
  const agents = Object.fromEntries(
    await Promise.all(ROLES.map(async (role) => [role, await shop.signIn(role)] as const)),
  ) as Agents;
  const one = <T>(sql: string, ...by: unknown[]) =>
    shop.db
      .prepare(sql)
      .pluck()
      .get(...by) as T;
  const seqOf = (jobId: string) => one<number>('SELECT last_seq FROM jobs WHERE id = ?', jobId);
  const append = (role: Role, jobId: string, kind: string, data: object, more = {}) =>
    agents[role]
      .post(`/api/jobs/${jobId}/entries`)
      .send({
        expectedSeq: seqOf(jobId),
        entries: [note('', { who: PEOPLE[role].who, kind, data, ...more })],
      });
  const handedOver = (jobId: string) =>
    one<number>('SELECT handed_over FROM jobs WHERE id = ?', jobId) === 1;
  const withdrawnBy = (jobId: string) =>
    one<string | null>('SELECT withdrawn_by FROM jobs WHERE id = ?', jobId);
  /** Handed over with nothing accepted as missing. */
  const provedJobs = shop.db
    .prepare<[], string>(
      `SELECT job_id FROM entries WHERE kind = 'handed-over' AND json_extract(data, '$.despite') IS NULL ORDER BY at DESC`,
    )
    .pluck()
    .all();
  const proved = provedJobs[0]!;
  const lastOf = (jobId: string, kind: string) =>
    one<string>(
      'SELECT id FROM entries WHERE job_id = ? AND kind = ? ORDER BY seq DESC LIMIT 1',
      jobId,
      kind,
    );
  return { ...shop, agents, append, handedOver, withdrawnBy, proved, provedJobs, lastOf, one };
};

describe('a release', () => {
  test.each(ROLES)(
    'undone by %s, and that undone by others, changes only by those who may release',
    async (first) => {
      const { append, handedOver, provedJobs, lastOf } = await shopAtWork();
      const chains = ROLES.flatMap((second) => ROLES.map((third) => [first, second, third]));
      for (const [i, chain] of chains.entries()) {
        const jobId = provedJobs[i]!;
        let target = lastOf(jobId, 'handed-over');
        let stands = true;
        for (const role of chain) {
          const answer = await append(role, jobId, 'undo', { entryId: target });
          // Each undo in the chain turns the release on or off: the same right, whatever the entry
          // is called.
          expect(answer.status).toBe(MAY_RELEASE[role] ? 201 : 403);
          if (answer.status === 201) {
            stands = !stands;
            target = answer.body.entries[0].id;
          } else expect(answer.body.error.field).toBe('role');
          expect(handedOver(jobId)).toBe(stands);
        }
      }
    },
  );

  test.each(ROLES)('replaced by %s is a release too', async (role) => {
    const { append, proved, lastOf } = await shopAtWork();
    const replaces = lastOf(proved, 'handed-over');
    const answer = await append(role, proved, 'handed-over', { to: 'another rider' }, { replaces });
    expect(answer.status).toBe(MAY_RELEASE[role] ? 201 : 403);
  });

  test('brought back by an undo passes the same safety checks as a new one', async () => {
    const { append, handedOver, proved, lastOf } = await shopAtWork();
    const undone = await append('fitter', proved, 'undo', {
      entryId: lastOf(proved, 'handed-over'),
    }).expect(201);
    await append('fitter', proved, 'undo', { entryId: lastOf(proved, 'pressure-set') }).expect(201);
    const back = await append('fitter', proved, 'undo', {
      entryId: undone.body.entries[0].id,
    }).expect(422);
    expect(back.body.error).toMatchObject({
      field: 'entries[0].data.entryId',
      message: expect.stringContaining('pressure set'),
    });
    expect(handedOver(proved)).toBe(false);
  });
});

describe('proof withdrawn after hand-over', () => {
  test('reopens the release, names who did it, and stays until it is released again', async () => {
    const { append, agents, handedOver, withdrawnBy, proved, lastOf, one } = await shopAtWork();
    const visitId = one<string>('SELECT visit_id FROM jobs WHERE id = ?', proved);
    const isVisitOpen = () =>
      one<number>('SELECT handed_over FROM visits WHERE id = ?', visitId) === 0;
    expect([isVisitOpen(), withdrawnBy(proved)]).toEqual([false, null]);
    const gone = await append('learner', proved, 'undo', {
      entryId: lastOf(proved, 'pressure-set'),
    }).expect(201);
    expect([handedOver(proved), withdrawnBy(proved), isVisitOpen()]).toEqual([
      true,
      PEOPLE.learner.who,
      true,
    ]);
    const today = await agents.owner.get('/api/visits?state=open&limit=100').expect(200);
    const row = today.body.visits.find((v: { id: string }) => v.id === visitId);
    expect(row.wheels.find((w: { jobId: string }) => w.jobId === proved).withdrawnBy).toBe(
      PEOPLE.learner.who,
    );
    // The proof comes back; the release does not.
    await append('learner', proved, 'undo', { entryId: gone.body.entries[0].id }).expect(201);
    expect(withdrawnBy(proved)).toBe(PEOPLE.learner.who);
    await append('learner', proved, 'handed-over', { to: 'the rider' }).expect(403);
    await append('fitter', proved, 'handed-over', { to: 'the rider' }).expect(201);
    expect([withdrawnBy(proved), isVisitOpen()]).toEqual([null, false]);
  });

  test('is not what a note, a photo or a recheck does', async () => {
    const { append, withdrawnBy, proved } = await shopAtWork();
    await append('learner', proved, 'note', { text: 'The rider called.' }).expect(201);
    await append('learner', proved, 'recheck', { what: 'pressure', onDate: '2026-05-09' }).expect(
      201,
    );
    expect(withdrawnBy(proved)).toBeNull();
  });

  test('is a bad finding just as well: the brake goes soft', async () => {
    const { append, withdrawnBy, proved } = await shopAtWork();
    await append('fitter', proved, 'brake', { firm: false, spin: 'free' }).expect(201);
    expect(withdrawnBy(proved)).toBe(PEOPLE.fitter.who);
  });
});

describe('a name', () => {
  const openJob = 'demo-job-22';
  const release = { to: 'Ned', despite: REASON };

  test('of the owner releases nothing without the owner', async () => {
    const { append, agents, one } = await shopAtWork();
    const refused = await append('fitter', openJob, 'handed-over', release).expect(403);
    expect(refused.body.error.field).toBe('approval');
    // Nor does a made-up name, or a learner's.
    for (const by of ['Ada Marl', PEOPLE.learner.who])
      await append('fitter', openJob, 'handed-over', {
        ...release,
        despite: { ...REASON, by },
      }).expect(403);
    const approve = (more: object) =>
      agents.fitter
        .post('/api/session/approvals')
        .send({ who: PEOPLE.owner.who, secret: PEOPLE.owner.secret, about: openJob, ...more });
    await approve({ secret: 'not the passphrase' }).expect(401);
    await append('fitter', openJob, 'handed-over', release).expect(403);
    await approve({ about: 'demo-job-23' }).expect(204);
    await append('fitter', openJob, 'handed-over', release).expect(403);
    await approve({}).expect(204);
    const made = await append('fitter', openJob, 'handed-over', release).expect(201);
    expect(one('SELECT who FROM entries WHERE id = ?', made.body.entries[0].id)).toBe(
      PEOPLE.fitter.who,
    );
    // Each approval is good once.
    await append('fitter', openJob, 'handed-over', release).expect(403);
  });

  test('approved more than two minutes ago is not approved anymore', async () => {
    await onClock(async (move) => {
      const { append, agents } = await shopAtWork();
      const approve = () =>
        agents.fitter
          .post('/api/session/approvals')
          .send({ ...PEOPLE.owner, about: openJob })
          .expect(204);
      await approve();
      move(2.1);
      await append('fitter', openJob, 'handed-over', release).expect(403);
      await approve();
      move(1.9);
      await append('fitter', openJob, 'handed-over', release).expect(201);
    });
  });

  test('approved at one screen is not approved at another', async () => {
    const { append, agents, signIn } = await shopAtWork();
    const other = await signIn('fitter');
    await other
      .post('/api/session/approvals')
      .send({ ...PEOPLE.owner, about: openJob })
      .expect(204);
    await append('fitter', openJob, 'handed-over', release).expect(403);
    expect(agents.fitter).not.toBe(other);
  });

  test('of a person who works here is not put to a ride or an approval of costs; the rider’s is', async () => {
    const { append, agents, one } = await shopAtWork();
    const ride = (by: string) =>
      append('fitter', openJob, 'test-ride', { how: 'ridden', by, shakesAtKmh: null, found: '' });
    await ride(PEOPLE.owner.who).expect(403);
    await ride(PEOPLE.fitter.who).expect(201);
    const visitId = one<string>('SELECT visit_id FROM jobs WHERE id = ?', openJob);
    const rider = one<string>('SELECT rider FROM visits WHERE id = ?', visitId);
    const agreed = (by: string) => {
      const expectedSeq = one<number>('SELECT last_seq FROM visits WHERE id = ?', visitId);
      const data = { amountMinor: 9000, currency: 'USD', by };
      const entries = [
        { id: `agreed-${by.length}-${expectedSeq}`, who: PEOPLE.fitter.who, kind: 'agreed', data },
      ];
      return agents.fitter.post(`/api/visits/${visitId}/entries`).send({ expectedSeq, entries });
    };
    expect((await agreed(PEOPLE.owner.who).expect(403)).body.error.field).toBe('approval');
    await agreed(rider).expect(201);
    await agreed('the rider’s sister').expect(201);
  });

  test('of another person: neither their step mode nor their practice, for a learner', async () => {
    const { agents } = await shopAtWork();
    const pace = (role: Role, whose: Role) =>
      agents[role]
        .put(`/api/people/${encodeURIComponent(PEOPLE[whose].who)}/pace`)
        .send({ pace: 'by station' });
    for (const role of ROLES)
      for (const whose of ROLES)
        expect((await pace(role, whose)).status).toBe(
          role === whose || role === 'owner' ? 200 : 403,
        );
    const shown = { who: PEOPLE.fitter.who, isShown: true };
    await agents.fitter.put('/api/practice/shown').send(shown).expect(200);
    const read = (role: Role) =>
      agents[role].get(`/api/practice?who=${encodeURIComponent(PEOPLE.fitter.who)}`);
    expect([(await read('owner')).status, (await read('learner')).status]).toEqual([200, 403]);
  });
});
