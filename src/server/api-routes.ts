import { Router } from 'express';
import type { AppOptions } from './app-options';
import type { CalendarKey } from './auth/calendar-key';
import { calibrationDates } from './db/calibration-dates';
import { closeRecheck } from './db/close-recheck';
import type { Db } from './db/open-db';
import { practiceStore } from './db/practice-store';
import { deviceHub, type DeviceHub } from './devices/device-hub';
import { shopStandIns } from './devices/shop-stand-ins';
import { backupRoutes } from './routes/backups';
import { balanceRoutes } from './routes/balance';
import { changeRoutes } from './routes/changes';
import { dayRoutes } from './routes/day';
import { deviceRoutes } from './routes/devices';
import { exchangeRoutes } from './routes/exchange';
import { jobRoutes } from './routes/jobs';
import { openApiRoutes } from './routes/openapi';
import { partsRoutes } from './routes/parts';
import { peopleRoutes } from './routes/people';
import { practiceRoutes } from './routes/practice';
import { recheckRoutes } from './routes/rechecks';
import { recordFileRoutes } from './routes/record-files';
import { recordRoutes } from './routes/records';
import { riderRoutes } from './routes/riders';
import { shopRoutes } from './routes/shop';
import { shopStatsRoutes } from './routes/shop-stats';
import { visitRoutes } from './routes/visits';
import { workingRoutes } from './routes/workings';
import type { Stores } from './stores';
import type { WorkPool } from './work/work-pool';

/**
 * The shop's instruments: the stand-ins that ship with the program, and the calibration dates of
 * its records.
 */
export const shopDevices = (db: Db): DeviceHub =>
  deviceHub(shopStandIns(), { calibratedOn: calibrationDates(db) });

type Options = Pick<
  AppOptions,
  'logger' | 'devices' | 'manyIn' | 'backups' | 'exchange' | 'riders'
> &
  Required<Pick<AppOptions, 'beforeWrite'>>;

/** Every route for people who are signed in. Their order does not matter. */
export const apiRoutes = (
  db: Db,
  stores: Stores,
  calendar: CalendarKey,
  work: WorkPool,
  { logger, devices, manyIn, beforeWrite, backups, exchange, riders }: Options,
): Router => {
  const { shop, rules, auth, approvals, photos, jobs, visits, parts, rechecks, stats } = stores;
  const { records } = shop;
  const api = Router();
  api.use('/devices', deviceRoutes(devices ?? shopDevices(db)));
  api.use('/workings', workingRoutes(work));
  api.use(openApiRoutes(work));
  api.use('/jobs', jobRoutes(jobs, shop, visits, work, { auth, approvals }));
  api.use('/visits', visitRoutes(visits, shop, photos, work, { auth, approvals }));
  api.use(dayRoutes(visits, shop, work));
  api.use(shopStatsRoutes(stats));
  api.use(partsRoutes(parts));
  const close = closeRecheck(db, jobs, rechecks, records);
  api.use(recheckRoutes(rechecks, close, shop.name, calendar, work));
  api.use(shopRoutes(db, shop, rules, stores));
  api.use(peopleRoutes(shop, auth));
  api.use(changeRoutes(stores.changes));
  api.use(recordFileRoutes(records, work, manyIn ?? null, beforeWrite));
  api.use(recordRoutes(records, jobs));
  api.use(balanceRoutes(jobs));
  api.use(practiceRoutes(practiceStore(db), work));
  if (backups) api.use('/backups', backupRoutes(backups.store, backups.restore));
  if (exchange)
    api.use(
      exchangeRoutes(exchange.store, {
        logger,
        shopName: shop.name,
        takeIn: exchange.takeIn,
        numberOf: (id) => jobs.find(id).number,
      }),
    );
  if (riders) api.use(riderRoutes(riders.store, riders.forget));
  return api;
};
