import { createServer } from 'node:http';
import { createServer as createTlsServer, Server as TlsServer } from 'node:https';
import type { Socket } from 'node:net';
import { join } from 'node:path';
import pino from 'pino';
import { isLoopback } from './auth/access';
import { makeForOwnerOnly } from './auth/owner-only';
import { MIN_LETTERS, weakness } from '../core/shop/auth';
import { isTriedFirst } from './auth/common-secrets';
import { checkBegun, DatabaseUnusable } from './db/open-db';
import { shopFile } from './paths';
import { runningShop } from './running-shop';
import { foundAt, reachable, urlOf } from './tls/addresses';
import { startWords } from './tls/start-words';
import { fromProxy, transportFor, TransportUnusable } from './tls/transport';
import { workPool } from './work/work-pool';

const GRACE_MS = 5000;
/** The interval at which the shop's own certificate is checked. */
const RENEW_MS = 12 * 3_600_000;

const fail = (message: string): never => {
  process.stderr.write(`${message}\n`);
  process.exit(1);
};

const portFrom = (text: string): number => {
  const port = Number(text);
  return Number.isInteger(port) && port >= 0 && port <= 65535
    ? port
    : fail(`PORT is "${text}"; it must be a whole number from 0 to 65535.`);
};

const start = async (): Promise<void> => {
  makeForOwnerOnly();
  const port = portFrom(process.env.PORT ?? '4180');
  const host = process.env.HOST ?? '127.0.0.1';
  const passphrase = process.env.RIMSTONE_PASSPHRASE || undefined;
  const file = shopFile();
  const weak =
    passphrase &&
    (weakness(passphrase) ??
      ((await isTriedFirst(passphrase, [])) ? 'This is too easy to guess.' : null));
  if (weak)
    fail(
      `RIMSTONE_PASSPHRASE can be guessed. ${weak} Make up a sentence of ${MIN_LETTERS} characters or more.`,
    );

  const logger = pino({ level: process.env.LOG_LEVEL ?? 'warn' });
  checkBegun(file, process.argv.includes('--new'));
  const { certificate, proxy } = await transportFor(host, file, process.env);
  const scheme = certificate ? 'https' : 'http';
  let urls: string[] = [];
  const limitMs = Number(process.env.RIMSTONE_WORK_MS);
  const shop = runningShop(file, {
    logger,
    passphrase,
    isReachable: !isLoopback(host) || proxy !== null,
    proxy,
    root: certificate?.root ?? null,
    addresses: () => urls,
    work: workPool(join(__dirname, 'worker.cjs'), limitMs > 0 ? { limitMs } : {}),
  });
  if ((!isLoopback(host) || proxy !== null) && !passphrase && !shop.isSignInOn()) {
    shop.close();
    fail(
      `${proxy === null ? `HOST ${host}` : 'A shop behind a proxy'} can be reached from other machines and sign-in is off. ` +
        'Start it on this machine alone and set up an owner on the People screen, or set RIMSTONE_PASSPHRASE.',
    );
  }
  const server = certificate
    ? createTlsServer({ key: certificate.key, cert: certificate.cert }, shop.answer)
    : createServer(shop.answer);

  if (proxy !== null) {
    const isProxy = fromProxy(proxy);
    server.on('connection', (socket: Socket) => {
      // Plain requests are the proxy's alone, and this computer's.
      if (!isProxy(socket.remoteAddress) && !isLoopback(socket.remoteAddress ?? ''))
        socket.destroy();
    });
  }
  if (server instanceof TlsServer && certificate?.root) {
    // Renewed while it runs: a shop may be on for years.
    const renew = async (): Promise<void> => {
      const { certificate: next } = await transportFor(host, file, process.env);
      if (next) server.setSecureContext({ key: next.key, cert: next.cert });
    };
    setInterval(
      () => void renew().catch((err: unknown) => logger.error({ err }, 'no certificate')),
      RENEW_MS,
    ).unref();
  }
  server.on('error', (error: NodeJS.ErrnoException) => {
    shop.close();
    if (error.code === 'EADDRINUSE')
      fail(`Port ${port} is busy. Set PORT to a free one, for example PORT=${port + 1}.`);
    if (error.code === 'EADDRNOTAVAIL' || error.code === 'ENOTFOUND')
      fail(`HOST ${host} is not an address of this machine.`);
    if (error.code === 'EACCES')
      fail(`Port ${port} is not allowed for this account. Set PORT to one above 1024.`);
    fail(`The server cannot start: ${error.message}`);
  });
  server.listen(port, host, () => {
    const address = server.address();
    const at = typeof address === 'object' && address ? address.port : port;
    const hosts = foundAt(host);
    urls = reachable(hosts).map((h) => urlOf(scheme, h, at));
    shop.listensAt(urlOf(scheme, hosts[0]!, at));
    const words = startWords({
      urls: hosts.map((h) => urlOf(scheme, h, at)),
      fingerprint: certificate?.root ? certificate.fingerprint : null,
      showsCode: process.stdout.isTTY && urls.length > 0,
    });
    void words.then((text) => process.stdout.write(`${text}\n`));
  });

  const stop = (): void => {
    server.close(() => {
      shop.close();
      process.exit(0);
    });
    shop.endStreams();
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), GRACE_MS).unref();
  };
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
};

start().catch((error: unknown) => {
  if (error instanceof DatabaseUnusable || error instanceof TransportUnusable) fail(error.message);
  throw error;
});
