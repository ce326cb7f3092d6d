import express, { type Express } from 'express';
import { apiRoutes } from './api-routes';
import type { AppOptions } from './app-options';
import { calendarKey } from './auth/calendar-key';
import { actsFor } from './auth/current-user';
import { ownPagesWrite } from './auth/same-origin';
import { inOwnName, signedInOnly } from './auth/signed-in';
import type { Db } from './db/open-db';
import { passkeyStore } from './db/passkey-store';
import { signInTries } from './db/sign-in-tries';
import { DatabaseGone, errorHandler, unknownRoute } from './errors';
import { compressed, fileStillHere, headers, onceWhole, outerGate, ownOnly } from './gates';
import { jsonBody } from './json-body';
import { liveHub } from './live/live-hub';
import { pages } from './pages';
import { requestLog } from './request-log';
import { liveRoutes, tellsOfWrites } from './routes/live';
import { photoRoutes } from './routes/photos';
import { sessionRoutes } from './routes/session';
import { openStores } from './stores';
import { workHere } from './work/work-here';

/** The whole server as a function of its database. */
export const createApp = (db: Db, options: AppOptions): Express => {
  const {
    logger,
    root,
    work = workHere(),
    live = liveHub(),
    isHere = () => true,
    beforeWrite = (_req, _res, next) => next(),
  } = options;
  const stores = openStores(db, options.photosDir, live);
  const { shop, auth, approvals, photos, changes, ruleOf } = stores;
  const calendar = calendarKey(db);
  const app = express();
  app.disable('x-powered-by');
  if (options.proxy) app.set('trust proxy', options.proxy);

  // The order matters. 1. Every request is logged, also one that is refused; every answer has the
  // headers.
  app.use(requestLog(logger), headers(), compressed());
  // 2. Nothing is answered to a computer that may not reach the shop, not even a page.
  app.use(outerGate(auth, options));
  // 3. A tablet gets the certificate before it trusts the shop.
  app.get('/certificate.crt', (_req, res) => {
    if (root) res.type('application/x-x509-ca-cert').send(root);
    else res.status(404).type('text').send('This shop has no certificate of its own.\n');
  });
  // 4. Pages of other addresses write nothing; nothing is written without the shop's file; no cache
  // keeps an answer.
  app.use(ownPagesWrite);
  app.use('/api', fileStillHere(isHere), ownOnly);
  // 5. Health and sign-in answer people who are not signed in yet.
  app.get('/api/health', (_req, res) => {
    if (!isHere()) throw new DatabaseGone();
    db.prepare('SELECT 1').get();
    res.json({ ok: true });
  });
  app.use(
    '/api',
    sessionRoutes(auth, signInTries(db), {
      logger,
      sessionDays: () => ruleOf('doors.sessionDays'),
      lockMinutes: () => ruleOf('doors.lockMinutes'),
      forgottenAt: shop.forgottenAt,
      addresses: options.addresses ?? (() => []),
      shopName: shop.name,
      approvals,
      beforeWrite,
      changes,
      passkeys: passkeyStore(db),
    }),
  );
  // 6. From here on everyone is signed in, with the right that the address needs.
  app.use('/api', signedInOnly(auth, calendar));
  // 7. A photo is read by its own route, before the body of every other request is read as JSON.
  app.use('/api/photos', photoRoutes(photos));
  app.use('/api', jsonBody(), onceWhole(beforeWrite), inOwnName, actsFor);
  // 8. Writes are told to the screens; then the routes, of which only one fits.
  app.use('/api', tellsOfWrites(live), liveRoutes(live));
  app.use('/api', apiRoutes(db, stores, calendar, work, { ...options, beforeWrite }));
  app.use('/api', unknownRoute);
  // 9. The pages, and at the end whatever went wrong.
  app.use(pages(), unknownRoute, errorHandler);
  return app;
};
