import { Buffer } from 'node:buffer';
import { existsSync, mkdirSync, readdirSync, utimesSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createHash } from 'node:crypto';
import { tidyPhotos } from '../../src/server/photo-tidy';
import sharp from 'sharp';
import { noisePicture } from '../picture';
import { testApp } from './test-app';

/** The smallest PNG there is: one pixel. */
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==',
  'base64',
);
const photo = (photoId: string, more: object = {}) => ({
  id: `p-${photoId.slice(0, 8)}`,
  who: 'Juna Birk',
  station: 'inspect',
  kind: 'photo',
  data: { photoId, part: 'bead', says: 'at the valve hole' },
  ...more,
});

const sha256 = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex');

test('a picture is kept once under the hash of what is kept, and comes back', async () => {
  const { ask, photosDir } = testApp({ empty: true });
  const kept = await ask.post('/api/photos').set('content-type', 'image/png').send(PNG);
  expect(kept.status).toBe(201);
  await ask.post('/api/photos').set('content-type', 'image/png').send(PNG).expect(201);
  expect(readdirSync(photosDir)).toEqual([`${kept.body.photoId}.png`]);
  const back = await ask.get(`/api/photos/${kept.body.photoId}`).expect(200);
  expect(back.headers['content-type']).toBe('image/png');
  expect(back.headers['x-content-type-options']).toBe('nosniff');
  const bytes = back.body as Buffer;
  expect(kept.body).toEqual({ photoId: sha256(bytes), type: 'image/png', bytes: bytes.length });
  expect(await sharp(bytes).raw().toBuffer()).toEqual(
    await sharp(PNG).toColorspace('srgb').raw().toBuffer(),
  );
});

test('the same picture from many at once is one picture, and each is told so', async () => {
  const { ask, photosDir } = testApp({ empty: true });
  const picture = await noisePicture(1, 300_000);
  const sent = Array.from({ length: 20 }, () =>
    ask.post('/api/photos').set('content-type', 'image/png').send(picture),
  );
  expect(new Set((await Promise.all(sent)).map((r) => r.status))).toEqual(new Set([201]));
  expect(readdirSync(photosDir)).toHaveLength(1);
});

test('the content decides what it is, not its name; nothing hides in what is kept, and it stands upright', async () => {
  const { ask } = testApp({ empty: true });
  const lying = sharp({ create: { width: 60, height: 40, channels: 3, background: '#8899aa' } });
  const place = { IFD0: { Copyright: 'secret place', ImageDescription: 'secret place' } };
  const kinds = {
    'image/jpeg': await lying
      .clone()
      .jpeg()
      .withMetadata({ orientation: 6, exif: place })
      .toBuffer(),
    'image/webp': await lying
      .clone()
      .webp()
      .withMetadata({ orientation: 6, exif: place })
      .toBuffer(),
    'image/png': await lying.clone().png().withMetadata({ orientation: 6, exif: place }).toBuffer(),
  };
  for (const [type, bytes] of Object.entries(kinds)) {
    // Behind its end a picture can carry anything.
    const sent = Buffer.concat([bytes, Buffer.from('<script>alert("stowaway")</script>')]);
    expect(sent.toString('latin1')).toMatch(/secret place/);
    const { body } = await ask
      .post('/api/photos')
      .set('content-type', 'application/octet-stream')
      .send(sent);
    expect(body.type).toBe(type);
    const kept = (await ask.get(`/api/photos/${body.photoId}`).buffer(true)).body as Buffer;
    expect(kept.toString('latin1')).not.toMatch(/secret|stowaway/);
    const { width, height, exif, orientation } = await sharp(kept).metadata();
    expect({ width, height, exif, orientation }).toEqual({ width: 40, height: 60 });
  }
});

test('a small file that says it is an enormous picture is refused', async () => {
  const { ask } = testApp({ empty: true });
  const large = await sharp({
    create: { width: 12_000, height: 6000, channels: 3, background: '#000' },
  })
    .png()
    .toBuffer();
  expect(large.length).toBeLessThan(1_000_000);
  await ask.post('/api/photos').set('content-type', 'image/png').send(large).expect(422);
});

test.each<[string, string, Buffer | string]>([
  ['a page', 'image/png', '<html><script>alert(1)</script>'],
  [
    'a drawing that can hold a script',
    'image/svg+xml',
    '<svg xmlns="http://www.w3.org/2000/svg"/>',
  ],
  ['nothing', 'image/png', ''],
  ['text', 'text/plain', 'hello'],
  ['half a PNG signature', 'image/png', PNG.subarray(0, 5)],
  ['half a picture', 'image/png', PNG.subarray(0, 45)],
  [
    'a head without a body',
    'image/jpeg',
    Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(40)]),
  ],
  ['a picture of another kind', 'image/gif', Buffer.from('R0lGODlhAQABAAAAACw=', 'base64')],
])('%s is refused by a sentence, and nothing is kept', async (_what, type, body) => {
  const { ask, photosDir } = testApp({ empty: true });
  const answer = await ask.post('/api/photos').set('content-type', type).send(body);
  expect(answer.status).toBe(422);
  expect(answer.body.error).toEqual({
    field: 'photo',
    message: 'This picture can’t be saved.',
    expected: 'Choose a JPEG, PNG or WebP picture of at most 6 MB',
  });
  expect(existsSync(photosDir)).toBe(false);
});

test('a picture over the limit is refused by its size', async () => {
  const { ask } = testApp({ empty: true });
  const answer = await ask
    .post('/api/photos')
    .set('content-type', 'image/png')
    .send(Buffer.concat([PNG, Buffer.alloc(6 * 1024 * 1024)]));
  expect(answer.status).toBe(413);
  expect(answer.body.error.expected).toBe('Send at most 6 MB, of the kind this address takes');
});

test('an address that is no id, or of no picture, says so and reads nothing else', async () => {
  const { ask } = testApp({ empty: true });
  await ask.get(`/api/photos/${'0'.repeat(64)}`).expect(404);
  for (const id of ['..%2f..%2fshop.sqlite', 'abc', 'A'.repeat(64)])
    await ask.get(`/api/photos/${id}`).expect(422);
});

test('a job names only photographs that are kept, and its log says so in words', async () => {
  const { ask } = testApp();
  const job = (await ask.get('/api/jobs/demo-job-22')).body.job;
  const refused = await ask
    .post('/api/jobs/demo-job-22/entries')
    .send({ expectedSeq: job.lastSeq, entries: [photo('0'.repeat(64))] });
  expect([refused.status, refused.body.error.field]).toEqual([422, 'data.photoId']);
  const { photoId } = (await ask.post('/api/photos').set('content-type', 'image/png').send(PNG))
    .body;
  await ask
    .post('/api/jobs/demo-job-22/entries')
    .send({ expectedSeq: job.lastSeq, entries: [photo(photoId)] })
    .expect(201);
  expect((await ask.get('/api/jobs/demo-job-22/log.csv')).text).toContain(
    'Photo: bead, seat and rim: at the valve hole',
  );
});

describe('room for photographs', () => {
  const keep = (ask: ReturnType<typeof testApp>['ask'], picture: Buffer) =>
    ask.post('/api/photos').set('content-type', 'image/png').send(picture);

  test('more than the rule allows is refused in a sentence; one that is there already is no more', async () => {
    const { ask, photosDir } = testApp();
    const rule = { value: 10, note: '', who: 'Juna Birk', reason: 'a small disk' };
    await ask.put('/api/rules/photos.mostMb').send(rule).expect(200);
    mkdirSync(photosDir, { recursive: true });
    writeFileSync(join(photosDir, `${'f'.repeat(64)}.png`), Buffer.alloc(8_000_000));
    await keep(ask, await noisePicture(1, 300_000)).expect(201);
    const { body } = await keep(ask, await noisePicture(2, 2_200_000)).expect(422);
    expect(body.error).toMatchObject({
      field: 'photo',
      message: 'The shop keeps 8 MB of photos; the limit is 10 MB.',
    });
    expect(readdirSync(photosDir)).toHaveLength(2);
    // What is refused takes no room, and what is there already takes no more.
    await keep(ask, await noisePicture(3, 1_400_000)).expect(201);
    await keep(ask, await noisePicture(1, 300_000)).expect(201);
    await keep(ask, await noisePicture(5, 400_000)).expect(422);
    await ask
      .put('/api/rules/photos.mostMb')
      .send({ ...rule, value: 20 })
      .expect(200);
    await keep(ask, await noisePicture(5, 400_000)).expect(201);
  });

  test('what no entry has named for a month goes, and nothing else', async () => {
    const { ask, db, photosDir } = testApp();
    const ids: string[] = [];
    for (const mark of [1, 2, 3, 4])
      ids.push((await keep(ask, await noisePicture(mark, 200))).body.photoId as string);
    const [named, undone, orphan, fresh] = ids as [string, string, string, string];
    const { job } = (await ask.get('/api/jobs/demo-job-21')).body;
    const undo = {
      ...photo('x'),
      id: 'p-undo',
      kind: 'undo',
      data: { entryId: `p-${undone.slice(0, 8)}` },
    };
    await ask
      .post('/api/jobs/demo-job-21/entries')
      .send({ expectedSeq: job.lastSeq, entries: [photo(named), photo(undone), undo] })
      .expect(201);
    writeFileSync(join(photosDir, `${orphan}.png.0.making`), 'half');
    const ago = (days: number) => new Date(Date.now() - days * 86_400_000);
    for (const name of readdirSync(photosDir)) utimesSync(join(photosDir, name), ago(31), ago(31));
    utimesSync(join(photosDir, `${fresh}.png`), ago(29), ago(29));
    expect((await tidyPhotos(db, photosDir, Date.now())).sort()).toEqual(
      [`${orphan}.png`, `${orphan}.png.0.making`].sort(),
    );
    expect(readdirSync(photosDir).sort()).toEqual(
      [named, undone, fresh].map((id) => `${id}.png`).sort(),
    );
    // Sent again it is about to be named.
    utimesSync(join(photosDir, `${fresh}.png`), ago(31), ago(31));
    await keep(ask, await noisePicture(4, 200)).expect(201);
    expect(await tidyPhotos(db, photosDir, Date.now())).toEqual([]);
    expect(await tidyPhotos(db, join(photosDir, 'nowhere'), Date.now())).toEqual([]);
  });
});
