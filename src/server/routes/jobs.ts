import { Router } from 'express';
import Joi from 'joi';
import { check } from '../../core/base/fields';
import type { UnitPreferences } from '../../core/base/units';
import type { JobQuery, JobStore } from '../db/job-store';
import type { ShopStore } from '../db/shop-store';
import type { VisitStore } from '../db/visit-store';
import type { ApprovalStore } from '../auth/approvals';
import { checkEffect } from '../auth/permission-checks';
import type { AuthStore } from '../db/auth-store';
import { meOf } from '../auth/me';
import type { WorkPool } from '../work/work-pool';
import type { ApiDocs } from '../openapi/api-docs';
import {
  checkQuery,
  goneOf,
  jobAppendBody,
  jobQuery,
  recordId,
  unitQuery,
  who,
  type JobAppend,
} from './input';

const openBody = Joi.object({
  id: recordId,
  machineId: recordId,
  wheelId: recordId,
  who,
}).required();
/** The documentation of the routes below. */
export const jobApi: ApiDocs = {
  'GET /jobs': { says: 'Jobs, newest first', query: jobQuery },
  'POST /jobs': { says: 'Opens a job', body: openBody, status: 201 },
  'GET /jobs/:id': { says: 'A job with its log' },
  'GET /jobs/:id/visit': { says: 'The visit that a job is part of' },
  'POST /jobs/:id/entries': {
    says: 'Appends to a job’s log, all or nothing',
    body: jobAppendBody,
    status: 201,
  },
  'GET /jobs/:id/log.csv': { says: 'The log, RFC 4180', gives: 'text/csv' },
  'GET /jobs/:id/rechecks.ics': { says: 'Rechecks, RFC 5545', gives: 'text/calendar' },
  'GET /jobs/:id/card.pdf': { says: 'The job card', query: unitQuery, gives: 'application/pdf' },
};

/** Jobs: list, open, read, append, and what is printed or exported of them. */
export const jobRoutes = (
  jobs: JobStore,
  shop: ShopStore,
  visits: VisitStore,
  work: WorkPool,
  access: { auth: AuthStore; approvals: ApprovalStore },
): Router => {
  const router = Router();

  router.get(
    '/',
    (req, res) => void res.json(jobs.list(checkQuery<JobQuery>(jobQuery, req.query))),
  );

  router.post('/', (req, res) => {
    const body = check<{ id: string; machineId: string; wheelId: string; who: string }>(
      openBody,
      req.body,
    );
    const job = jobs.open(body);
    res.status(201).json({ job, entries: jobs.entriesOf(job.id) });
  });

  router.param('id', (_req, _res, next, id: string) => {
    check(recordId, id);
    next();
  });

  router.get('/:id', (req, res) => {
    const job = jobs.find(req.params.id);
    res.json({ job, entries: jobs.entriesOf(job.id) });
  });

  router.get('/:id/visit', (req, res) => void res.json({ visit: visits.ofJob(req.params.id) }));

  router.post('/:id/entries', (req, res) => {
    const { expectedSeq, entries, waitedS } = check<JobAppend>(jobAppendBody, req.body);
    const { id } = req.params;
    const me = meOf(req);
    const written = jobs.append(id, expectedSeq, entries, { waitedS }, (effect, more, rider) =>
      checkEffect(me, effect, more, { ...access, about: id, rider }),
    );
    if (me) access.approvals.useAll(me.id, id);
    res.status(201).json({ entries: written, seq: written.at(-1)!.seq });
  });

  router.get('/:id/log.csv', async (req, res) => {
    const job = jobs.find(req.params.id);
    const csv = await work.run('log-csv', { log: jobs.entriesOf(job.id) }, goneOf(res));
    res.type('text/csv').attachment(`job-${job.number}-log.csv`).send(csv);
  });

  router.get('/:id/rechecks.ics', async (req, res) => {
    const job = jobs.find(req.params.id);
    const asked = { job, log: jobs.entriesOf(job.id), now: new Date() };
    const calendar = await work.run('job-calendar', asked, goneOf(res));
    res.type('text/calendar').attachment(`job-${job.number}-rechecks.ics`).send(calendar);
  });

  router.get('/:id/card.pdf', async (req, res) => {
    const units = checkQuery<UnitPreferences>(unitQuery, req.query);
    const job = jobs.find(req.params.id);
    const card = {
      job,
      entries: jobs.entriesOf(job.id),
      units,
      shopName: shop.name(),
      on: new Date(),
    };
    const pdf = await work.run('card-pdf', card, goneOf(res));
    res.type('application/pdf').attachment(`job-${job.number}.pdf`).send(Buffer.from(pdf));
  });

  return router;
};
