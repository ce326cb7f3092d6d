import Database from 'better-sqlite3';
import { spawnSync } from 'node:child_process';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import sharp from 'sharp';
import request from 'supertest';
import { shopBackups } from '../../src/server/backup/shop-backups';
import { unpackBackup } from '../../src/server/backup/unpack-backup';
import { writeBackup } from '../../src/server/backup/write-backup';
import { authStore } from '../../src/server/db/auth-store';
import { openDb } from '../../src/server/db/open-db';
import { ruleStore } from '../../src/server/db/rule-store';
import { photoStore } from '../../src/server/photo-store';
import { runningShop } from '../../src/server/running-shop';
import { workHere } from '../../src/server/work/work-here';
import { hashes, makeSecrets, PEOPLE } from './closed-shop';
import { testApp } from './test-app';

// Wide: each passphrase that is tried takes its time, by design.
jest.setTimeout(480_000);

const PASSPHRASE = 'terraces below the old spring';

let dir = '';
const at = (name: string) => join(dir, name);
beforeAll(makeSecrets);
beforeEach(() => void (dir = mkdtempSync(join(tmpdir(), 'rimstone-safety-'))));
afterEach(() => rmSync(dir, { recursive: true, force: true }));

const picture = (background: string) =>
  sharp({ create: { width: 30, height: 20, channels: 3, background } })
    .jpeg()
    .toBuffer();

/** A shop with sign-in and one photo, as a file. */
const shopWithSecrets = async () => {
  const { db: filled } = testApp();
  writeFileSync(at('shop.sqlite'), filled.serialize());
  filled.close();
  const db = openDb(at('shop.sqlite'));
  const auth = authStore(db);
  auth.setPerson(PEOPLE.owner.who, 'owner', hashes.owner);
  auth.begin(PEOPLE.owner.who, 'a test', 1, Date.now(), true);
  db.prepare(
    "INSERT INTO settings (key, value) VALUES ('calendar-key', 'the key of the calendar')",
  ).run();
  const photos = photoStore(at('shop-photos'));
  const { photoId } = await photos.keep(await picture('#135'));
  const backups = shopBackups(db, ruleStore(db), at('shop-photos'), at('backups'));
  return { db, auth, photos, photoId, photoPath: photos.find(photoId)!.path, backups };
};

const SECRETS = () => [hashes.owner, 'the key of the calendar', PASSPHRASE];

describe('a backup', () => {
  test('in the clear holds no secret, not even in pages that are free; an encrypted one holds them, unreadable', async () => {
    const { db } = await shopWithSecrets();
    await writeBackup(db, at('shop-photos'), at('plain.zip'));
    await unpackBackup(at('plain.zip'), at('plain'));
    const bytes = readFileSync(at('plain/shop.sqlite')).toString('latin1');
    for (const secret of SECRETS()) expect(bytes).not.toContain(secret);
    db.prepare("INSERT INTO settings (key, value) VALUES ('backup-passphrase', ?)").run(PASSPHRASE);
    await writeBackup(db, at('shop-photos'), at('secret.zip.age'), Date.now(), PASSPHRASE);
    db.close();
    const sealed = readFileSync(at('secret.zip.age')).toString('latin1');
    expect(sealed).toMatch(/^age-encryption\.org\/v1\n-> scrypt /);
    for (const word of [...SECRETS(), 'shop.sqlite', 'manifest'])
      expect(sealed).not.toContain(word);
    await unpackBackup(at('secret.zip.age'), at('secret'), { passphrase: PASSPHRASE });
    const open = new Database(at('secret/shop.sqlite'), { readonly: true });
    expect(
      open.prepare('SELECT secret FROM people WHERE name = ?').pluck().get(PEOPLE.owner.who),
    ).toBe(hashes.owner);
    open.close();
    expect(readdirSync(at('secret'))).not.toContain('plain.zip');
  });

  test('encrypted is refused in words without its passphrase, and when any of it was changed', async () => {
    const { db } = await shopWithSecrets();
    await writeBackup(db, at('shop-photos'), at('b.zip.age'), Date.now(), PASSPHRASE);
    db.close();
    for (const passphrase of [null, 'another one of the same kind'])
      await expect(unpackBackup(at('b.zip.age'), at('aside'), { passphrase })).rejects.toThrow(
        'The backup is encrypted, and this passphrase does not open it.',
      );
    const good = readFileSync(at('b.zip.age'));
    for (const place of [200, Math.floor(good.length / 2), good.length - 3]) {
      const bad = Buffer.from(good);
      bad[place]! ^= 1;
      writeFileSync(at('bad.zip.age'), bad);
      await expect(
        unpackBackup(at('bad.zip.age'), at('aside'), { passphrase: PASSPHRASE }),
      ).rejects.toThrow();
      expect(existsSync(at('aside'))).toBe(false);
    }
  });

  test('restored without secrets keeps the sign-in of the shop it takes the place of', async () => {
    const { db } = await shopWithSecrets();
    await writeBackup(db, at('shop-photos'), at('shop-backups/by-hand-1.zip'));
    db.close();
    const shop = runningShop(at('shop.sqlite'), {
      logger: pino({ level: 'silent' }),
      passphrase: undefined,
      work: workHere(),
    });
    const agent = request.agent(shop.answer);
    await agent.post('/api/session').send(PEOPLE.owner).expect(201);
    await agent.post('/api/backups/by-hand-1.zip/restore').send({}).expect(200);
    expect(shop.isSignInOn()).toBe(true);
    await agent.get('/api/shop').expect(401);
    await agent.post('/api/session').send(PEOPLE.owner).expect(201);
    shop.close();
  });

  test('leaves a damaged photo out, and refuses one that is not a photo', async () => {
    const { db, photoPath, photos } = await shopWithSecrets();
    await photos.keep(await picture('#531'));
    truncateSync(photoPath, 0);
    const { holds } = await writeBackup(db, at('shop-photos'), at('b.zip'));
    expect(holds.photographs).toBe(1);
    const text = Buffer.from('no picture at all');
    const { createHash } = await import('node:crypto');
    const name = createHash('sha256').update(text).digest('hex');
    writeFileSync(join(at('shop-photos'), `${name}.jpg`), text);
    await writeBackup(db, at('shop-photos'), at('c.zip'));
    db.close();
    await expect(unpackBackup(at('c.zip'), at('aside'))).rejects.toThrow(/is not a photo/);
  });

  test('is copied to a second folder, tested every week, and Today is told what is wrong', async () => {
    const { db, backups } = await shopWithSecrets();
    mkdirSync(at('second'));
    await expect(backups.setSecondFolder(at('backups'))).rejects.toThrow('not a second folder');
    await expect(backups.setSecondFolder(at('not there'))).rejects.toThrow(
      'Nothing can be written there.',
    );
    await backups.make('by-hand');
    await backups.setSecondFolder(at('second'));
    expect(readdirSync(at('second'))).toEqual(backups.now().backups.map((b) => b.name));
    await backups.testRestore();
    expect(backups.now()).toMatchObject({
      tested: { problem: null },
      isTestOld: false,
      isEncrypted: false,
    });
    // The newest one is spoiled by its disk.
    const { name } = backups.now().backups[0]!;
    truncateSync(join(at('backups'), name), 500);
    await backups.testRestore();
    expect(backups.now()).toMatchObject({
      tested: { name, problem: expect.any(String) },
      isTestOld: true,
    });
    expect(readdirSync(at('backups')).filter((n) => n.startsWith('looking'))).toEqual([]);
    db.close();
  });

  test('passphrase that can be guessed is refused; with one, backups are encrypted and their test opens them', async () => {
    const { db, backups } = await shopWithSecrets();
    for (const weak of ['short', 'iloveyou12345'])
      await expect(backups.setPassphrase(weak)).rejects.toMatchObject({ field: 'secret' });
    await backups.setPassphrase(PASSPHRASE);
    expect((await backups.make('by-hand')).name).toMatch(/\.zip\.age$/);
    await backups.testRestore();
    expect(backups.now()).toMatchObject({ isEncrypted: true, tested: { problem: null } });
    expect(JSON.stringify(backups.now())).not.toContain(PASSPHRASE);
    db.close();
  });
});

describe('a stored photo', () => {
  test('that the disk has spoiled is not served, is found by the slow check, and is repaired when sent again', async () => {
    const { db, photos, photoId, photoPath, backups } = await shopWithSecrets();
    const good = readFileSync(photoPath);
    const { ask, photosDir } = testApp();
    const spoil: (() => void)[] = [
      () => truncateSync(photoPath, 0),
      () => truncateSync(photoPath, good.length - 1),
      () => writeFileSync(photoPath, Buffer.from(good).fill(7, 100, 101)),
    ];
    for (const it of spoil) {
      it();
      mkdirSync(photosDir, { recursive: true });
      copyFileSync(photoPath, join(photosDir, `${photoId}.jpg`));
      const served = await ask.get(`/api/photos/${photoId}`).expect(404);
      expect(served.body.error.message).toContain('damaged');
      expect(await photos.printable(photoId)).toBeNull();
      await backups.checkPhotos(0);
      expect(backups.now().damaged).toEqual([`${photoId}.jpg`]);
      await photos.keep(await picture('#135'));
      expect(readFileSync(photoPath).equals(good)).toBe(true);
      await backups.checkPhotos(0);
      expect(backups.now().damaged).toEqual([]);
    }
    db.close();
  });
});

test('the tool that others use opens an encrypted backup, where it is installed', async () => {
  if (spawnSync('age', ['--version']).status !== 0) return;
  const { db } = await shopWithSecrets();
  await writeBackup(db, at('shop-photos'), at('b.zip.age'), Date.now(), PASSPHRASE);
  db.close();
  // It asks for the passphrase at a terminal, which `script` gives it.
  const command = `age -d -o ${at('b.zip')} ${at('b.zip.age')}`;
  spawnSync('script', ['-qec', command, '/dev/null'], {
    input: `${PASSPHRASE}\n`,
    timeout: 30_000,
  });
  if (!existsSync(at('b.zip'))) return;
  await unpackBackup(at('b.zip'), at('aside'));
  expect(existsSync(at('aside/shop.sqlite'))).toBe(true);
});
