import pino from 'pino';
import request from 'supertest';
import { createApp } from '../../src/server/app';
import { openDb } from '../../src/server/db/open-db';

const PASSPHRASE = 'basin under the spring';
const AUTHORIZATION = `Basic ${Buffer.from(`fitter:${PASSPHRASE}`).toString('base64')}`;

test('neither a request nor a failure writes the passphrase into the log', async () => {
  const lines: string[] = [];
  const logger = pino({ level: 'info' }, { write: (line: string) => void lines.push(line) });
  const db = openDb(':memory:');
  const app = createApp(db, { logger, photosDir: 'nowhere', passphrase: PASSPHRASE });
  const ask = () =>
    request(app)
      .get('/api/health?key=of-the-calendar&search=mara&limit')
      .set('Authorization', AUTHORIZATION)
      .set('Cookie', 'token=secret');
  expect((await ask()).status).toBe(200);
  db.close();
  expect((await ask()).status).toBe(500);
  const log = lines.join('');
  expect(log).toContain('"url":"/api/health?key=…&search=…&limit"');
  expect(log).toContain('request failed');
  expect(log).toContain('"status":500');
  for (const secret of [
    AUTHORIZATION,
    AUTHORIZATION.split(' ')[1]!,
    PASSPHRASE,
    'token=secret',
    'of-the-calendar',
    'mara',
  ])
    expect(log).not.toContain(secret);
});
