import compression from 'compression';
import express, { type Express, type RequestHandler, type Response } from 'express';
import helmet from 'helmet';
import { join } from 'node:path';
import type { Logger } from 'pino';
import { ruleNumber, valuesOf } from '../core/base/rules';
import { actsFor } from './auth/current-user';
import { approvalStore } from './auth/approvals';
import { calendarKey } from './auth/calendar-key';
import { loopbackNamesOnly, nobody } from './auth/access';
import { passphraseGate } from './auth/passphrase';
import { ownPagesWrite } from './auth/same-origin';
import { inOwnName, signedInOnly } from './auth/signed-in';
import { dayOf, daysAfter } from '../core/base/units';
import { changeStore } from './db/change-store';
import { authStore, type AuthStore } from './db/auth-store';
import { jobStore } from './db/job-store';
import { lookAgain } from './db/open-rechecks';
import { passkeyStore } from './db/passkey-store';
import { practiceStore } from './db/practice-store';
import { signInTries } from './db/sign-in-tries';
import { calibrationDates } from './db/calibration-dates';
import type { Db } from './db/open-db';
import { ruleStore } from './db/rule-store';
import { shopStore } from './db/shop-store';
import { visitStore } from './db/visit-store';
import { deviceHub, type DeviceHub } from './devices/device-hub';
import { shopStandIns } from './devices/shop-stand-ins';
import { DatabaseGone, errorHandler, unknownRoute } from './errors';
import { hasBody } from './body-watch';
import { jsonBody } from './json-body';
import { WEB_DIR } from './paths';
import { photoStore } from './photo-store';
import { requestLog } from './request-log';
import type { ShopRiders } from './riders/shop-riders';
import type { ShopBackups } from './backup/shop-backups';
import type { ShopExchange } from './exchange/shop-exchange';
import { backupRoutes, type Restore } from './routes/backups';
import { balanceRoutes } from './routes/balance';
import { practiceRoutes } from './routes/practice';
import { changeRoutes } from './routes/changes';
import { dayRoutes } from './routes/day';
import { deviceRoutes } from './routes/devices';
import { exchangeRoutes, type TakeIn } from './routes/exchange';
import { jobRoutes } from './routes/jobs';
import { visitRoutes } from './routes/visits';
import { shopStatsRoutes } from './routes/shop-stats';
import { liveHub, type LiveHub } from './live/live-hub';
import { openApiRoutes } from './routes/openapi';
import { liveRoutes, tellsOfWrites } from './routes/live';
import { partsRoutes } from './routes/parts';
import { recheckRoutes } from './routes/rechecks';
import { peopleRoutes } from './routes/people';
import { photoRoutes } from './routes/photos';
import { recordFileRoutes, type ManyIn } from './routes/record-files';
import { recordRoutes } from './routes/records';
import { riderRoutes, type Forget } from './routes/riders';
import { sessionRoutes } from './routes/session';
import { shopRoutes } from './routes/shop';
import { workingRoutes } from './routes/workings';
import { workHere, type WorkPool } from './work';

const YEAR_S = 31_536_000;
const LOOK_BACK_DAYS = 400;
/** What goes on for as long as somebody listens: each line leaves at once. */
const isStream = (res: Response): boolean =>
  /event-stream|x-ndjson/.test(String(res.getHeader('content-type')));
/** What asks for something and changes nothing. */
const READS: readonly string[] = ['GET', 'HEAD', 'OPTIONS'];

/**
 * The instruments of a shop: the stand-ins that ship with the program, and the days that its records say they were
 * calibrated.
 */
export const shopDevices = (db: Db): DeviceHub =>
  deviceHub(shopStandIns(), { calibratedOn: calibrationDates(db) });

export interface AppOptions {
  logger: Logger;
  /** The folder of the photographs. */
  photosDir: string;
  devices?: DeviceHub;
  /** When it is reachable from outside. */
  passphrase?: string | undefined;
  /** Other machines can reach it. */
  isReachable?: boolean;
  /** A proxy whose word on who asks, and how, is taken. */
  proxy?: string | null;
  /** What a tablet has to trust, in PEM. */
  root?: string | null;
  /** Where other machines find it. */
  addresses?: () => string[];
  /** The threads for long work; without them it is done here. */
  work?: WorkPool;
  /** Tells the screens what was written. */
  live?: LiveHub;
  /** Whether the database's file is still the one that was opened. */
  isHere?: () => boolean;
  /** The shop's backups, and how one is restored; without them there are none. */
  backups?: { store: ShopBackups; restore: Restore | null };
  /** How a shop goes out into a file, and one comes in; without it neither does. */
  exchange?: { store: ShopExchange; takeIn: TakeIn | null };
  /** Takes very many records in beside the running shop; without it they are written at once. */
  manyIn?: ManyIn;
  /** Counts what writes, once its body is whole; refuses it while the shop's file is made over. */
  beforeWrite?: RequestHandler;
  /** What is kept of riders, and how one is forgotten; without it nobody is. */
  riders?: { store: ShopRiders; forget: Forget | null };
}

/** Asks a gate once the body is whole; what its own route reads, such as a file, asks there. */
const onceWhole =
  (gate: RequestHandler): RequestHandler =>
  (req, res, next) =>
    req.complete || !hasBody(req) ? gate(req, res, next) : next();

/** No cache on the way keeps what is answered, and no browser shows it without asking again. */
const ownOnly: RequestHandler = (_req, res, next) => {
  res.set('Cache-Control', 'private, no-cache');
  next();
};

/** Before anything else: the passphrase of a shop whose people do not sign in, or a name of this machine. */
const outerGate = (
  auth: AuthStore,
  { passphrase, logger, isReachable = false }: AppOptions,
): RequestHandler => {
  const asked = passphrase
    ? passphraseGate(passphrase, logger)
    : isReachable
      ? nobody
      : loopbackNamesOnly;
  return (req, res, next) => {
    // Where people sign in, that takes its place; the names of other machines reach it then.
    if (auth.areClosed() && asked !== loopbackNamesOnly) return next();
    return asked(req, res, next);
  };
};

/** The whole server as a function of its database. */
export const createApp = (db: Db, options: AppOptions): Express => {
  const app = express();
  const {
    work = workHere(),
    isHere = () => true,
    live = liveHub(),
    beforeWrite = (_q, _s, next) => next(),
  } = options;
  const shop = shopStore(db);
  const rules = ruleStore(db);
  const ruleOf = (key: string) => ruleNumber(key, valuesOf(rules.list()));
  const auth = authStore(db, () => ruleOf('doors.lockMinutes'));
  const approvals = approvalStore();
  const photos = photoStore(options.photosDir, () =>
    ruleNumber('photos.mostMb', valuesOf(rules.list())),
  );
  const jobs = jobStore(db, shop, rules, (photoId) => photos.find(photoId) !== null, live.tell);

  // What an earlier program wrote of late is looked at again too.
  shop.once('rechecks', () => jobs.settleRechecks(daysAfter(dayOf(Date.now()), -LOOK_BACK_DAYS)));

  app.disable('x-powered-by');
  if (options.proxy) app.set('trust proxy', options.proxy);
  app.use(requestLog(options.logger));
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'upgrade-insecure-requests': null,
          // A photograph that waits is shown from the browser's own store.
          'img-src': ["'self'", 'data:', 'blob:'],
          'style-src': ["'self'", "'unsafe-inline'"],
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(compression({ filter: (req, res) => !isStream(res) && compression.filter(req, res) }));
  app.use(outerGate(auth, options));
  const { root } = options;
  if (root)
    app.get(
      '/certificate.crt',
      (_req, res) => void res.type('application/x-x509-ca-cert').send(root),
    );
  app.use(ownPagesWrite);
  const stillHere: RequestHandler = (req, _res, next) =>
    next(isHere() || READS.includes(req.method) ? undefined : new DatabaseGone());
  app.use('/api', stillHere, ownOnly);
  app.get('/api/health', (_req, res) => {
    if (!isHere()) throw new DatabaseGone();
    db.prepare('SELECT 1').get();
    res.json({ ok: true });
  });
  app.use(
    '/api',
    sessionRoutes(auth, signInTries(db), {
      logger: options.logger,
      sessionDays: () => ruleOf('doors.sessionDays'),
      lockMinutes: () => ruleOf('doors.lockMinutes'),
      forgottenAt: shop.forgottenAt,
      addresses: options.addresses ?? (() => []),
      shopName: shop.name,
      approvals,
      beforeWrite,
      changes: changeStore(db),
      passkeys: passkeyStore(db),
    }),
  );
  const calendar = calendarKey(db);
  app.use('/api', signedInOnly(auth, calendar));
  app.use('/api/photos', photoRoutes(photos));
  app.use('/api', jsonBody(), onceWhole(beforeWrite), inOwnName, actsFor);
  app.use('/api', tellsOfWrites(live));
  app.use('/api', liveRoutes(live));

  app.use('/api/devices', deviceRoutes(options.devices ?? shopDevices(db)));
  app.use('/api/workings', workingRoutes(work));
  app.use('/api', openApiRoutes(work));
  const visits = visitStore(db, shop, rules, jobs);
  app.use('/api/jobs', jobRoutes(jobs, shop, visits, work, { auth, approvals }));
  app.use('/api/visits', visitRoutes(visits, shop, photos, work, { auth, approvals }));
  app.use('/api', dayRoutes(visits, shop, work));
  app.use('/api', shopStatsRoutes(jobs.knows));
  app.use('/api', partsRoutes(jobs.parts));
  app.use(
    '/api',
    recheckRoutes(jobs, lookAgain(db, jobs, shop.records), shop.name, calendar, work),
  );
  app.use('/api', shopRoutes(db, shop, rules, jobs));
  app.use('/api', peopleRoutes(shop, auth));
  app.use('/api', changeRoutes(changeStore(db)));
  app.use('/api', recordFileRoutes(shop.records, work, options.manyIn ?? null, beforeWrite));
  app.use('/api', recordRoutes(shop.records, jobs));
  if (options.backups)
    app.use('/api/backups', backupRoutes(options.backups.store, options.backups.restore));
  if (options.exchange)
    app.use(
      '/api',
      exchangeRoutes(options.exchange.store, {
        logger: options.logger,
        shopName: shop.name,
        takeIn: options.exchange.takeIn,
        numberOf: (id) => jobs.find(id).number,
      }),
    );
  if (options.riders) app.use('/api', riderRoutes(options.riders.store, options.riders.forget));
  app.use('/api', balanceRoutes(jobs));
  app.use('/api', practiceRoutes(practiceStore(db), work));
  app.use('/api', unknownRoute);

  app.use(
    '/assets',
    express.static(join(WEB_DIR, 'assets'), { immutable: true, maxAge: YEAR_S * 1000 }),
    unknownRoute,
  );
  app.use(express.static(WEB_DIR, { index: false }));
  // Every other address is a screen of the one page.
  app.get('/{*screen}', (_req, res) => res.sendFile('index.html', { root: WEB_DIR }));
  app.use(unknownRoute);
  app.use(errorHandler);
  return app;
};
