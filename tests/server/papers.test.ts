import type { RiderPaper } from '../../src/core/reports/papers';
import type request from 'supertest';
import { readPdf } from '../pdf-text';
import { DESPITE, note, testApp } from './test-app';

const { ask } = testApp();
const binary = (res: request.Response, done: (error: Error | null, body: Buffer) => void): void => {
  const chunks: Buffer[] = [];
  res.on('data', (c: Buffer) => chunks.push(c));
  res.on('end', () => done(null, Buffer.concat(chunks)));
};
const bytesOf = (path: string): Promise<Buffer> =>
  ask
    .get(path)
    .buffer()
    .parse(binary as never)
    .expect(200)
    .expect('content-type', 'application/pdf')
    .then(({ body }) => body as Buffer);
const visitOf = async (jobId: string): Promise<string> =>
  (await ask.get(`/api/jobs/${jobId}/visit`)).body.visit.id;

/** Five wheels of different builds, word for word as a general-purpose library reads them. */
test.each([
  ['a road rear wheel', 'demo-job-20'],
  ['a dirt rear wheel', 'demo-job-9'],
  ['a scooter’s rear wheel', 'demo-job-5'],
  ['a beadlock wheel', 'demo-job-3'],
  ['a front wheel that left all the same', 'demo-job-7'],
])('the rider’s sheet of %s', async (_name, jobId) => {
  const pdf = readPdf(await bytesOf(`/api/visits/${await visitOf(jobId)}/paper.pdf`));
  expect(pdf.pages.join('\n')).toMatchSnapshot();
  expect(pdf.title).toMatch(/^[\w ]+: for the rider$/);
  expect([pdf.lang, pdf.marked?.Marked]).toEqual(['en', true]);
  expect(pdf.tags.slice(0, 2)).toEqual(['Document', 'H1']);
  expect(pdf.tags.filter((t) => t === 'H2').length).toBeGreaterThanOrEqual(3);
  expect(pdf.tags.filter((t) => t === 'Figure')).toHaveLength(1);
  expect(pdf.alts[0]).toMatch(/ wheel from the disc side, valve at the top/);
});

test('the job card is tagged as well, in both sets of units', async () => {
  const pdf = readPdf(await bytesOf('/api/jobs/demo-job-20/card.pdf?pressure=kPa&torque=lbf·ft'));
  expect([pdf.title, pdf.lang, pdf.marked?.Marked]).toEqual([
    expect.stringMatching(/^Job 1020: /),
    'en',
    true,
  ]);
  expect(pdf.tags.filter((t) => t === 'H1')).toHaveLength(1);
  expect(pdf.alts).toHaveLength(1);
  expect(pdf.pages.join('\n')).toMatch(/kPa[^]*ft-lb/);
  expect(pdf.pages.join('\n')).not.toMatch(/psi|N·m/);
});

/** ISO 216 and ANSI/ASME Y14.1 (Letter), in points of 1/72 inch. */
const PAPERS = { mm: [595, 842], in: [612, 792] } as const;

test.each(['mm', 'in'] as const)(
  'papers come on the paper that goes with %s, the job card on one page',
  async (length) => {
    const card = readPdf(await bytesOf(`/api/jobs/demo-job-20/card.pdf?length=${length}`));
    const visitId = await visitOf('demo-job-20');
    const sheet = readPdf(await bytesOf(`/api/visits/${visitId}/paper.pdf?length=${length}`));
    expect(card.sizes).toEqual([PAPERS[length]]);
    for (const size of sheet.sizes) expect(size).toEqual(PAPERS[length]);
  },
);

test('a job card is one page if it fits, and goes on over the whole width if not', async () => {
  const textOf = async () =>
    readPdf(await bytesOf('/api/jobs/demo-job-21/card.pdf?length=in')).pages;
  expect(await textOf()).toHaveLength(1);
  const { lastSeq } = (await ask.get('/api/jobs/demo-job-21')).body.job;
  const entries = Array.from({ length: 50 }, (_, i) => note(`Note ${i}, and what else was seen.`));
  await ask
    .post('/api/jobs/demo-job-21/entries')
    .send({ expectedSeq: lastSeq, entries })
    .expect(201);
  const pages = await textOf();
  expect(pages.length).toBeGreaterThan(1);
  for (let i = 0; i < 50; i++)
    expect(pages.join('\n')).toContain(`Note ${i}, and what else was seen.`);
});

describe('a machine with two wheels is one sheet', () => {
  const entry = (id: string, kind: string, data: object, station = 'hand-over') => ({
    ...note(''),
    id,
    station,
    kind,
    data,
  });
  const seqOf = async (jobId: string): Promise<number> =>
    (await ask.get(`/api/jobs/${jobId}`)).body.job.lastSeq;
  const write = async (jobId: string, entries: object[]) =>
    ask.post(`/api/jobs/${jobId}/entries`).send({ expectedSeq: await seqOf(jobId), entries });
  const paper = async (): Promise<RiderPaper> =>
    (await ask.get('/api/visits/two/paper').expect(200)).body;

  beforeAll(async () => {
    const wheels = [
      { jobId: 'two-f', wheelId: 'w-vellan-f' },
      { jobId: 'two-r', wheelId: 'w-vellan-r' },
    ];
    const body = {
      id: 'two',
      machineId: 'm-vellan',
      wheels,
      who: 'Juna Birk',
      wanted: 'both tires, squared off',
    };
    await ask.post('/api/visits').send(body).expect(201);
  });

  test('a wheel whose log proves nothing is not handed over without name and reason, and nothing is written', async () => {
    const refused = await write('two-f', [
      entry('n1', 'note', { text: 'left the cap off' }, 'set'),
      entry('h1', 'handed-over', { to: 'Petra Oakhollow' }),
    ]);
    expect([refused.status, refused.body.error.field]).toEqual([422, 'entries[1].data.despite']);
    expect(refused.body.error.message).toMatch(
      /^Safety checks are open: both beads seated \(both sides not checked/,
    );
    expect(refused.body.error.message).toMatch(/brake firm \(not pumped\)/);
    expect(await seqOf('two-f')).toBe(2);
    const half = await write('two-f', [
      entry('h1', 'handed-over', { to: 'Petra', despite: { by: 'Juna Birk', why: '' } }),
    ]);
    expect([half.status, half.body.error.field]).toEqual([422, 'entries[0].data.despite.why']);
  });

  test('a ride written at one wheel stands at the other, and is undone there too', async () => {
    const ride = { how: 'ridden', by: 'Osk Tarrow', shakesAtKmh: 110, found: 'a little' };
    expect((await write('two-f', [entry('ride', 'test-ride', ride)])).status).toBe(201);
    const last = async () => (await ask.get('/api/jobs/two-r')).body.entries.at(-1);
    expect(await last()).toMatchObject({ kind: 'test-ride', data: { ...ride, of: 'ride' } });
    const { visit } = (await ask.get('/api/visits/two')).body;
    expect(visit.wheels.every((w: { coolUntil: string | null }) => w.coolUntil !== null)).toBe(
      true,
    );
    await write('two-f', [entry('no-ride', 'undo', { entryId: 'ride' })]);
    expect(await last()).toMatchObject({ kind: 'undo' });
    expect((await paper()).ride).toBeNull();
    await write('two-r', [entry('ride-2', 'test-ride', ride)]);
    expect((await ask.get('/api/jobs/two-f')).body.entries.at(-1)).toMatchObject({
      data: { of: 'ride-2' },
    });
    // No one may write on the server's behalf.
    const forged = await write('two-f', [entry('forged', 'test-ride', { ...ride, of: 'ride-2' })]);
    expect([forged.status, forged.body.error.field]).toEqual([422, 'entries[0].data.of']);
  });

  test('the odometer, read at one wheel, is read for the other; a number that is none is refused', async () => {
    const refused = await write('two-f', [entry('odo-0', 'odometer', { km: -3 }, 'intake')]);
    expect([refused.status, refused.body.error.field]).toEqual([422, 'entries[0].data.km']);
    await write('two-f', [entry('odo', 'odometer', { km: 18_240 }, 'intake')]);
    const { entries } = (await ask.get('/api/jobs/two-r')).body;
    expect(entries.at(-1)).toMatchObject({ kind: 'odometer', data: { km: 18_240, of: 'odo' } });
    await write('two-f', [entry('odo-undone', 'undo', { entryId: 'odo' }, 'intake')]);
    expect((await ask.get('/api/jobs/two-r')).body.entries.at(-1).kind).toBe('undo');
  });

  test('of steps written at once those of the machine stand at the other wheel, and go with them', async () => {
    const last = async (jobId: string) => (await ask.get(`/api/jobs/${jobId}`)).body.entries.at(-1);
    const none = await write('two-r', [entry('none', 'steps', { stepIds: [] }, 'wheel-off')]);
    expect([none.status, none.body.error.field]).toEqual([422, 'entries[0].data.stepIds']);
    await write('two-r', [
      entry('many', 'steps', { stepIds: ['off-cool', 'off-loosen', 'off-lift'] }, 'wheel-off'),
    ]);
    // The front wheel has no exhaust beside it.
    expect(await last('two-f')).toMatchObject({
      kind: 'step',
      data: { stepId: 'off-lift', of: 'many' },
    });
    await write('two-r', [entry('not-many', 'undo', { entryId: 'many' }, 'wheel-off')]);
    expect(await last('two-f')).toMatchObject({ kind: 'undo' });
  });

  test('both wheels, what was found with its picture, the ride, the dates once, and what left all the same', async () => {
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    );
    const { body: photo } = await ask
      .post('/api/photos')
      .set('content-type', 'image/png')
      .send(png)
      .expect(201);
    await write('two-r', [
      entry('f1', 'findings', { part: 'bearing', found: ['rough'] }, 'inspect'),
      entry(
        'p1',
        'photo',
        { photoId: photo.photoId, part: 'bearing', says: 'left side' },
        'inspect',
      ),
      entry('d1', 'declined', { what: 'Inspect: new bearings.', by: 'Petra Oakhollow' }),
      entry('s1', 'pressure-set', { gaugeKpa: 250, shopC: 20, rideC: 20, rideKpa: 250 }, 'set'),
    ]);
    for (const jobId of ['two-f', 'two-r'])
      expect(
        (
          await write(jobId, [
            entry(`${jobId}-h`, 'handed-over', { to: 'Petra', despite: DESPITE, oldTire: 'kept' }),
          ])
        ).status,
      ).toBe(201);
    const sheet = await paper();
    expect(sheet.wheels.map((w) => w.title)).toEqual(['Front wheel', 'Rear wheel']);
    expect(sheet.wanted).toBe('both tires, squared off');
    expect(sheet.ride).toBe('Ridden by Osk Tarrow; shakes at 110 km/h; a little');
    expect(sheet.despite).toHaveLength(2);
    expect(sheet.despite[0]).toMatch(
      /^Front wheel: released by Juna Birk with open safety checks: only its papers/,
    );
    expect(sheet.wheels[1]!.found.join()).toMatch(/New bearings/i);
    expect(sheet.wheels[1]!.declined).toEqual(['Inspect: new bearings. (Petra Oakhollow)']);
    expect(Object.fromEntries(sheet.wheels[1]!.rows)).toMatchObject({ 'Old tire': 'kept' });
    // The rider sets one pressure: cold, where it is ridden. The gauge in the shop is the shop's.
    const rows = sheet.wheels[1]!.rows.map(([label]) => label);
    expect(rows.filter((label) => /pressure|set/i.test(label))).toEqual(['Riding pressure']);
    expect(sheet.lookAgain.map((l) => l.what)).toEqual([
      'Pressure, cold (front wheel, rear wheel)',
      'Torque and weights after the first ride (front wheel, rear wheel)',
    ]);
    const pdf = readPdf(await bytesOf('/api/visits/two/paper.pdf?length=in&pressure=bar'));
    expect(pdf.tags.filter((t) => t === 'Figure')).toHaveLength(3);
    expect(pdf.alts.some((a) => a.includes('left side'))).toBe(true);
    expect(pdf.pages.join('\n')).toMatch(/2\.50 bar, cold, at \d+ °C/);
  });

  test('a visit that is not there, and units that are none, are refused', async () => {
    await ask.get('/api/visits/nobody/paper').expect(404);
    await ask.get('/api/visits/two/paper?pressure=feet').expect(422);
    await ask.get('/api/visits/nobody/paper.pdf').expect(404);
  });
});

describe('names as they are written', () => {
  const NAMES = [
    'Łukasz Żółć',
    'Þórdís Sigurðardóttir',
    'Nguyễn Thị Hạnh',
    'Ελένη Παπαδοπούλου',
    'Олександр Їжак',
    'Ἀθηνᾶ Ѝорданова',
  ];

  test('stand on the paper letter by letter: Latin with its marks, Greek and Cyrillic', async () => {
    const { ask: other } = testApp();
    const rider = NAMES.join(', ').slice(0, 80);
    const { body: machine } = await other.get('/api/records/machines/m-alder').expect(200);
    await other
      .put('/api/records/machines/m-alder')
      .send({ ...machine, rider })
      .expect(200);
    const opened = { id: 'named', machineId: 'm-alder', wheelId: 'w-alder-f', who: 'Juna Birk' };
    await other.post('/api/jobs').send(opened).expect(201);
    const said = `${NAMES.slice(3).join(' und ')} \n second line ${'w'.repeat(200)}`;
    await other
      .post('/api/jobs/named/entries')
      .send({ expectedSeq: 2, entries: [note(said)] })
      .expect(201);
    const res = await other
      .get('/api/jobs/named/card.pdf')
      .buffer()
      .parse(binary as never);
    const text = readPdf(res.body as Buffer)
      .pages.join(' ')
      .replace(/\s+/g, ' ');
    // A line may break within the list; a name never breaks within a word.
    for (const word of rider.split(/[\s,]+/)) expect(text).toContain(word.normalize('NFC'));
    expect(text).toContain('Ἀθηνᾶ Ѝорданова second line');
    expect(text.match(/w{20,}/g)!.join('')).toHaveLength(200);
  });

  test('keep a number and its unit on one line', async () => {
    const pdf = readPdf(await bytesOf(`/api/visits/${await visitOf('demo-job-7')}/paper.pdf`));
    const lines = pdf.pages.join('\n').split('\n');
    expect(lines.filter((line) => /^(g|mm|psi|N·m|°C)\b/.test(line))).toEqual([]);
  });
});
