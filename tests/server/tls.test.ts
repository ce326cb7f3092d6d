import 'reflect-metadata';
import {
  PemConverter,
  SubjectAlternativeNameExtension,
  X509Certificate as Certificate,
  X509CertificateGenerator,
} from '@peculiar/x509';
import { webcrypto, X509Certificate } from 'node:crypto';
import { connect as connectTls, createServer as createTlsServer } from 'node:tls';
import { once } from 'node:events';
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer, get } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { foundAt, namesFor, reachable, urlOf } from '../../src/server/tls/addresses';
import { ownCertificate } from '../../src/server/tls/shop-certificate';
import { startWords } from '../../src/server/tls/start-words';
import { fromProxy, PLAIN_WORDS, transportFor } from '../../src/server/tls/transport';
import { testApp } from './test-app';

const folder = () => join(mkdtempSync(join(tmpdir(), 'rimstone-')), 'tls');
const NAMES = ['localhost', '127.0.0.1'];
const P256 = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;

describe('the shop’s own certificate', () => {
  test('is made once, for its owner alone, and stays', async () => {
    const dir = folder();
    const first = await ownCertificate(dir, NAMES);
    expect(await ownCertificate(dir, NAMES)).toEqual(first);
    expect(readdirSync(dir).sort()).toEqual([
      'root.crt',
      'root.key',
      'root.names',
      'server.crt',
      'server.key',
    ]);
    for (const name of readdirSync(dir))
      expect((statSync(join(dir, name)).mode & 0o077).toString(8)).toBe('0');
    const { ca, subjectAltName, validTo } = new X509Certificate(first.cert);
    expect([ca, subjectAltName]).toEqual([false, 'DNS:localhost, IP Address:127.0.0.1']);
    // Browsers refuse one that is good for longer.
    expect(Date.parse(validTo) - Date.now()).toBeLessThan(398 * 86_400_000);
    expect(new X509Certificate(first.root!).fingerprint256).toBe(first.fingerprint);
    expect(first.root).not.toMatch(/PRIVATE/);
  });

  test('another name, or another root, makes it anew; what tablets trust stays as long as its root', async () => {
    const dir = folder();
    const first = await ownCertificate(dir, NAMES);
    const moved = await ownCertificate(dir, [...NAMES, '192.168.7.7']);
    expect([moved.fingerprint, moved.cert === first.cert]).toEqual([first.fingerprint, false]);
    // Fewer names: it holds for them already.
    expect((await ownCertificate(dir, NAMES)).cert).toBe(moved.cert);
    const other = folder();
    const { root } = await ownCertificate(other, NAMES);
    writeFileSync(join(dir, 'root.crt'), root!);
    expect((await ownCertificate(dir, NAMES).catch(() => null))?.cert).not.toBe(moved.cert);
  });

  test('is renewed before it ends', async () => {
    const dir = folder();
    const first = await ownCertificate(dir, NAMES);
    jest.useFakeTimers({ doNotFake: ['nextTick', 'setImmediate', 'setTimeout', 'queueMicrotask'] });
    try {
      const in_ = (days: number) => jest.setSystemTime(Date.now() + days * 86_400_000);
      in_(85);
      expect((await ownCertificate(dir, NAMES)).cert).toBe(first.cert);
      in_(10);
      const renewed = await ownCertificate(dir, NAMES);
      expect([renewed.cert === first.cert, renewed.fingerprint]).toEqual([
        false,
        first.fingerprint,
      ]);
      // The root as well, within its year.
      in_(245);
      const other = await ownCertificate(dir, NAMES);
      expect(other.fingerprint).not.toBe(first.fingerprint);
      expect(Date.parse(new X509Certificate(other.root!).validTo) - Date.now()).toBeLessThan(
        366 * 86_400_000,
      );
    } finally {
      jest.useRealTimers();
    }
  });

  test('its root signs for the shop’s own names and private addresses, and is refused for any other', async () => {
    const dir = folder();
    const { root } = await ownCertificate(dir, [...NAMES, 'bench.local', '192.168.7.4']);
    const signingKey = await webcrypto.subtle.importKey(
      'pkcs8',
      PemConverter.decodeFirst(readFileSync(join(dir, 'root.key'), 'utf8')),
      P256,
      false,
      ['sign'],
    );
    /**
     * Whether a client that trusts the root takes a certificate that was made with its stolen key.
     */
    const isTaken = async (...names: { type: 'dns' | 'ip'; value: string }[]): Promise<boolean> => {
      const keys = await webcrypto.subtle.generateKey(P256, true, ['sign', 'verify']);
      const cert = await X509CertificateGenerator.create({
        subject: 'CN=stolen',
        issuer: new Certificate(root!).subject,
        notBefore: new Date(Date.now() - 60_000),
        notAfter: new Date(Date.now() + 60_000_000),
        signingAlgorithm: P256,
        publicKey: keys.publicKey,
        signingKey,
        extensions: [new SubjectAlternativeNameExtension(names)],
      });
      const key = PemConverter.encode(
        await webcrypto.subtle.exportKey('pkcs8', keys.privateKey),
        'PRIVATE KEY',
      );
      const server = createTlsServer({ key, cert: cert.toString('pem') }).listen(0, '127.0.0.1');
      await once(server, 'listening');
      const { port } = server.address() as AddressInfo;
      const socket = connectTls({
        port,
        host: '127.0.0.1',
        ca: root!,
        checkServerIdentity: () => undefined,
      });
      const isIn = await new Promise<boolean>((done) => {
        socket.once('secureConnect', () => done(socket.authorized));
        socket.once('error', () => done(false));
      });
      socket.destroy();
      server.close();
      return isIn;
    };
    const dns = (value: string) => ({ type: 'dns', value }) as const;
    const ip = (value: string) => ({ type: 'ip', value }) as const;
    expect(
      await isTaken(dns('bench.local'), ip('192.168.7.9'), ip('10.1.2.3'), ip('127.0.0.1')),
    ).toBe(true);
    expect(await isTaken(dns('bank.example'))).toBe(false);
    expect(await isTaken(dns('bench.local'), dns('bank.example'))).toBe(false);
    expect(await isTaken(ip('198.51.100.7'))).toBe(false);
    expect(await isTaken(ip('172.32.0.1'))).toBe(false);
  });

  test('a root of an earlier program, good for ten years and any name, is replaced', async () => {
    const dir = folder();
    const first = await ownCertificate(dir, NAMES);
    rmSync(join(dir, 'root.names'));
    expect((await ownCertificate(dir, NAMES)).fingerprint).not.toBe(first.fingerprint);
  });

  test('a client that checks it is served; one that does not know the root, or asks by another name, is not', async () => {
    const { key, cert, root } = await ownCertificate(folder(), NAMES);
    const server = createServer({ key, cert }, testApp({ empty: true }).app).listen(0, '127.0.0.1');
    await once(server, 'listening');
    const { port } = server.address() as AddressInfo;
    const ask = (options: object) =>
      new Promise<number | string>((done) => {
        get({ port, host: '127.0.0.1', path: '/api/health', agent: false, ...options }, (res) => {
          res.resume();
          done(res.statusCode!);
        }).once('error', (error: NodeJS.ErrnoException) => done(error.code ?? error.message));
      });
    try {
      expect(await ask({ ca: root })).toBe(200);
      expect(await ask({ ca: root, servername: 'localhost', headers: { host: 'localhost' } })).toBe(
        200,
      );
      expect(await ask({ ca: root, servername: 'elsewhere.example' })).toBe(
        'ERR_TLS_CERT_ALTNAME_INVALID',
      );
      expect(await ask({})).toMatch(/UNABLE_TO|SELF_SIGNED|UNKNOWN/);
    } finally {
      server.close();
    }
  });
});

describe('how requests come', () => {
  const FILE = join(tmpdir(), `rimstone-tls-${process.pid}`, 'shop.sqlite');
  const by = async (host: string, env: NodeJS.ProcessEnv = {}) => {
    const { certificate, proxy } = await transportFor(host, FILE, env);
    return [certificate && (certificate.root ? 'own' : 'given'), proxy];
  };

  test('plain on this machine; over TLS beyond it, unless something else is asked for', async () => {
    expect(await by('127.0.0.1')).toEqual([null, null]);
    expect(await by('0.0.0.0')).toEqual(['own', null]);
    expect(await by('0.0.0.0', { RIMSTONE_PLAIN_HTTP: PLAIN_WORDS })).toEqual([null, null]);
    expect(await by('0.0.0.0', { RIMSTONE_PROXY: '192.0.2.1' })).toEqual([null, '192.0.2.1']);
    expect(await by('127.0.0.1', { RIMSTONE_PROXY: '127.0.0.1' })).toEqual([null, '127.0.0.1']);
    const dir = folder();
    await ownCertificate(dir, NAMES);
    const given = {
      RIMSTONE_TLS_CERT: join(dir, 'server.crt'),
      RIMSTONE_TLS_KEY: join(dir, 'server.key'),
    };
    expect(await by('0.0.0.0', given)).toEqual(['given', null]);
    expect(await by('127.0.0.1', given)).toEqual(['given', null]);
  });

  test.each([
    [{ RIMSTONE_PLAIN_HTTP: 'yes' }, /set it to "anybody on the network can read it"/],
    [{ RIMSTONE_TLS_CERT: 'a.crt' }, /set both, or neither/],
    [
      { RIMSTONE_TLS_CERT: 'no-such.crt', RIMSTONE_TLS_KEY: 'no-such.key' },
      /no-such\.crt .* cannot be used/,
    ],
    [{ RIMSTONE_PROXY: 'everybody' }, /the address of the proxy/],
    [{ RIMSTONE_PROXY: '10.0.0.0/99' }, /the address of the proxy/],
    [{ RIMSTONE_PROXY: '127.0.0.1' }, /Set HOST=127\.0\.0\.1/],
  ])('%j is refused in a sentence', async (env, sentence) => {
    await expect(transportFor('0.0.0.0', FILE, env)).rejects.toThrow(sentence);
  });

  test('only the proxy is answered', () => {
    const one = fromProxy('192.0.2.1');
    const range = fromProxy('192.0.2.0/24');
    expect(['192.0.2.1', '::ffff:192.0.2.1', '192.0.2.2', undefined].map(one)).toEqual([
      true,
      true,
      false,
      false,
    ]);
    expect(['192.0.2.77', '192.0.3.1'].map(range)).toEqual([true, false]);
  });

  test('what a tablet can open', () => {
    const at = (address: string, internal = false, family: 'IPv4' | 'IPv6' = 'IPv4') =>
      ({ address, internal, family }) as never;
    const interfaces = {
      lo: [at('127.0.0.1', true)],
      eth0: [at('fe80::1', false, 'IPv6'), at('192.0.2.7')],
    };
    expect(foundAt('0.0.0.0', interfaces)).toEqual(['192.0.2.7']);
    expect(foundAt('0.0.0.0', {})).toEqual(['127.0.0.1']);
    expect(foundAt('192.0.2.9', interfaces)).toEqual(['192.0.2.9']);
    expect(namesFor('::', interfaces)).toEqual(
      expect.arrayContaining(['192.0.2.7', 'localhost', '127.0.0.1']),
    );
    expect(reachable(['127.0.0.1', '192.0.2.7', 'localhost'])).toEqual(['192.0.2.7']);
    expect([urlOf('https', '192.0.2.7', 4180), urlOf('http', '::1', 1)]).toEqual([
      'https://192.0.2.7:4180',
      'http://[::1]:1',
    ]);
  });

  test('what is said at the start: the addresses, what to compare, and a code where somebody sees it', async () => {
    const urls = ['https://192.0.2.7:4180', 'https://198.51.100.7:4180'];
    const said = await startWords({ urls, fingerprint: 'AB:CD', showsCode: true });
    expect(said).toMatch(
      /^Tough Rimstone is ready: https:\/\/192\.0\.2\.7:4180\n +or at: https:\/\/198/,
    );
    expect(said).toContain('https://192.0.2.7:4180/certificate.crt');
    expect(said).toContain('AB:CD');
    expect(said.match(/[\u2580-\u2588]/g)!.length).toBeGreaterThan(200);
    const plain = await startWords({
      urls: ['http://127.0.0.1:4180'],
      fingerprint: null,
      showsCode: false,
    });
    expect(plain).toBe('Tough Rimstone is ready: http://127.0.0.1:4180');
  });
});
