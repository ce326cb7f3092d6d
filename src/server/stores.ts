import { ruleNumber, valuesOf } from '../core/base/rules';
import { dayOf, daysAfter } from '../core/base/units';
import { approvalStore } from './auth/approvals';
import { authStore } from './db/auth-store';
import { changeStore } from './db/change-store';
import { jobStores } from './db/job-store';
import type { Db } from './db/open-db';
import { ruleStore } from './db/rule-store';
import { shopStore } from './db/shop-store';
import { visitStore } from './db/visit-store';
import type { LiveHub } from './live/live-hub';
import { photoStore } from './photo-store';

const RECHECK_DAYS = 400;

/** Everything the shop keeps, over one database and one folder of photos. */
export const openStores = (db: Db, photosDir: string, live: LiveHub) => {
  const shop = shopStore(db);
  const rules = ruleStore(db);
  const ruleOf = (key: string): number => ruleNumber(key, valuesOf(rules.list()));
  const photos = photoStore(photosDir, () => ruleOf('photos.mostMb'));
  const hasPhoto = (photoId: string) => photos.find(photoId) !== null;
  const jobStore = jobStores(db, shop, rules, hasPhoto, live.tell);
  const { jobs, parts } = jobStore;
  // Once per database: rechecks of jobs that an earlier version wrote.
  shop.once('rechecks', () => jobs.settleRechecks(daysAfter(dayOf(Date.now()), -RECHECK_DAYS)));
  return {
    ...jobStore,
    shop,
    rules,
    ruleOf,
    photos,
    visits: visitStore(db, shop, rules, jobs, parts),
    auth: authStore(db, () => ruleOf('doors.lockMinutes')),
    approvals: approvalStore(),
    changes: changeStore(db),
  };
};
export type Stores = ReturnType<typeof openStores>;
