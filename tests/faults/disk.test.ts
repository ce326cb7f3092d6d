import { readdirSync } from 'node:fs';
import { open, type FileHandle } from 'node:fs/promises';
import { howMany } from '../case-count';
import { noisePicture } from '../picture';
import { note, testApp } from '../server/test-app';

/**
 * A disk that is full at any write: the database may take so many pages more and no further, as
 * SQLite has it for a full disk. What was confirmed stands, what was not leaves no trace, and the
 * answer says what is the matter.
 */
test('a disk that is full at any write loses nothing that was confirmed, and says so', async () => {
  const { ask, db } = testApp();
  const job = (id: string) => ask.get(`/api/jobs/${id}`);
  const confirmed: string[] = [];
  const words = new Set<string>();
  const pages = () => db.pragma('page_count', { simple: true }) as number;
  let refused = 0;
  for (let more = 0; more < howMany(8, 200); more++) {
    db.pragma(`max_page_count = ${pages() + (more % 12)}`);
    for (let i = 0; i < 60; i++) {
      const { lastSeq } = (await job('demo-job-22')).body.job as { lastSeq: number };
      const entry = note('x'.repeat(1 + ((more * 60 + i) % 1900)));
      const answer = await ask
        .post('/api/jobs/demo-job-22/entries')
        .send({ expectedSeq: lastSeq, entries: [entry] });
      if (answer.status === 201) confirmed.push(entry.id);
      else {
        refused++;
        expect(answer.status).toBe(507);
        words.add(answer.body.error.message);
        // Nothing of it is half there, and what stood before is still read.
        expect((await job('demo-job-22').expect(200)).body.job.lastSeq).toBe(lastSeq);
        break;
      }
    }
  }
  db.pragma('max_page_count = 1073741823');
  const { entries } = (await job('demo-job-22')).body as { entries: { id: string; seq: number }[] };
  const there = new Set(entries.map((e) => e.id));
  console.log(`${confirmed.length} confirmed, ${refused} refused by a full disk`);
  expect(refused).toBeGreaterThan(3);
  expect(confirmed.filter((id) => !there.has(id))).toEqual([]);
  expect(entries.map((e) => e.seq)).toEqual(entries.map((_, i) => i + 1));
  expect([...words]).toEqual(['The shop computer’s disk is full. Nothing was saved.']);
  expect(db.pragma('integrity_check', { simple: true })).toBe('ok');
  const { lastSeq } = (await job('demo-job-22')).body.job;
  await ask
    .post('/api/jobs/demo-job-22/entries')
    .send({ expectedSeq: lastSeq, entries: [note('room again')] })
    .expect(201);
}, 600_000);

/** Writes half of what it is given, as a disk does that fills up meanwhile. */
async function writeHalf(this: FileHandle, bytes: Buffer): Promise<void> {
  await this.write(bytes.subarray(0, bytes.length >> 1));
  throw Object.assign(new Error('no space left on device'), { code: 'ENOSPC' });
}

test('a disk that fills up in the middle of a photo leaves no half file, and says so', async () => {
  const { ask, photosDir } = testApp();
  const send = async (seed: number) =>
    ask
      .post('/api/photos')
      .set('content-type', 'image/png')
      .send(await noisePicture(seed, 60_000));
  await send(1);
  const before = readdirSync(photosDir);
  const handle = await open(__filename);
  const writing = jest.spyOn(Object.getPrototypeOf(handle) as FileHandle, 'writeFile');
  await handle.close();
  writing.mockImplementationOnce(writeHalf as FileHandle['writeFile']);
  const refused = await send(2);
  expect(writing).toHaveBeenCalledTimes(1);
  writing.mockRestore();
  expect([refused.status, refused.body.error.message]).toEqual([
    507,
    'The shop computer’s disk is full. Nothing was saved.',
  ]);
  expect(readdirSync(photosDir)).toEqual(before);
  expect((await send(2)).status).toBe(201);
  expect(readdirSync(photosDir)).toHaveLength(2);
});
