import { daysAfter, dayOf } from '../core/base/units';
import { DEMO_PEOPLE } from './demo-shop';
import { closeRecheck } from '../server/db/close-recheck';
import type { JobStore } from '../server/db/job-store';
import type { Db } from '../server/db/open-db';
import type { RecheckStore } from '../server/db/recheck-store';
import type { RecordStore } from '../server/db/record-store';

/** Rechecks due this many days ago or earlier were made on their day. */
const LOOKED_AT_DAYS = 4;
const WHO = DEMO_PEOPLE[1]!;

/** Rides come back: most of what the past jobs asked for was looked at in time. */
export const writeLooks = (
  db: Db,
  jobs: JobStore,
  rechecks: RecheckStore,
  records: RecordStore,
  now: number,
): void => {
  const close = closeRecheck(db, jobs, rechecks, records);
  const until = daysAfter(dayOf(now), -LOOKED_AT_DAYS);
  const due = rechecks.list({ state: 'open', search: '', limit: 200 }, until).rechecks;
  for (const { id, look: kind, dueOn, jobId } of due) {
    if (dueOn >= until || jobId === null) continue;
    const held = { good: true, found: kind === 'bolts' ? 'all held, weights still on' : '' };
    const set = jobs.entriesOf(jobId).findLast((e) => e.kind === 'pressure-set');
    const gaugeKpa = set?.kind === 'pressure-set' ? set.data.gaugeKpa : 200;
    const read = kind === 'pressure' ? { ...held, gaugeKpa, tempC: 18 } : held;
    close(id, { id: `demo-look-${id}`, who: WHO, onDate: dueOn, read }, `${dueOn}T16:30:00.000Z`);
  }
};
