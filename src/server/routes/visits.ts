import { Router } from 'express';
import Joi from 'joi';
import { check, uniqueBy, instant, listOf, record, text } from '../../core/base/fields';
import { peopleInVisitEntry, type OpenVisit } from '../../core/shop/visit';
import type { AuthStore } from '../db/auth-store';
import type { ApprovalStore } from '../auth/approvals';
import { checkNamed } from '../auth/permission-checks';
import { meOf } from '../auth/me';
import type { VisitQuery, VisitStore } from '../db/visit-store';
import type { ShopStore } from '../db/shop-store';
import type { PhotoStore } from '../photo-store';
import type { WorkPool } from '../work/work-pool';
import { dayOf, type UnitPreferences } from '../../core/base/units';
import type { ApiDocs } from '../openapi/api-docs';
import {
  appendBody,
  checkQuery,
  goneOf,
  recordId,
  unitQuery,
  visitQuery,
  who,
  type Append,
} from './input';

const MAX_WHEELS = 8;
/** On one paper. */
const MAX_PHOTOS = 12;

const openBody = Joi.object({
  id: recordId,
  machineId: recordId,
  wheels: uniqueBy(
    listOf(
      record({ jobId: recordId, wheelId: recordId }, 'A wheel'),
      MAX_WHEELS,
      'Wheels in the visit',
    ),
    'jobId',
  ).custom((value: unknown[], helpers) =>
    value.length > 0 ? value : helpers.error('any.invalid'),
  ),
  who,
  wanted: text(500, 'Work requested').allow(null).optional().default(null),
  dueAt: instant('Promised for').allow(null).optional().default(null),
}).required();
/** The documentation of the routes below. */
export const visitApi: ApiDocs = {
  'GET /visits': { says: 'Machines that are in, or were', query: visitQuery },
  'POST /visits': { says: 'Check in a machine', body: openBody, status: 201 },
  'GET /visits/:id': { says: 'A visit with its log' },
  'GET /visits/:id/estimate': { says: 'Estimate, with its math' },
  'GET /visits/:id/time-left': { says: 'Time its work will take, with its math' },
  'GET /visits/:id/paper': { says: 'Rider sheet', query: unitQuery },
  'GET /visits/:id/paper.pdf': {
    says: 'Rider sheet as PDF',
    query: unitQuery,
    gives: 'application/pdf',
  },
  'POST /visits/:id/entries': {
    says: 'Appends to a visit’s log, all or nothing',
    body: appendBody,
    status: 201,
  },
};

/** Visits: the day's list, a machine that comes in, its log. */
export const visitRoutes = (
  visits: VisitStore,
  shop: ShopStore,
  photos: PhotoStore,
  work: WorkPool,
  access: { auth: AuthStore; approvals: ApprovalStore },
): Router => {
  const router = Router();
  router.get(
    '/',
    (req, res) => void res.json(visits.list(checkQuery<VisitQuery>(visitQuery, req.query))),
  );
  router.post('/', (req, res) => {
    const visit = visits.open(check<OpenVisit>(openBody, req.body));
    res.status(201).json({ visit, entries: visits.entriesOf(visit.id) });
  });
  router.param('id', (_req, _res, next, id: string) => {
    check(recordId, id);
    next();
  });
  router.get('/:id', (req, res) => {
    const visit = visits.find(req.params.id);
    res.json({ visit, entries: visits.entriesOf(visit.id) });
  });
  router.get('/:id/estimate', (req, res) => void res.json(visits.estimate(req.params.id)));
  router.get('/:id/time-left', (req, res) => void res.json(visits.timeLeft(req.params.id)));
  const paperOf = (id: string, units: UnitPreferences, on: Date) =>
    visits.paper(id, { shopName: shop.name(), today: dayOf(on), units });
  router.get('/:id/paper', (req, res) => {
    const units = checkQuery<UnitPreferences>(unitQuery, req.query);
    res.json(paperOf(req.params.id, units, new Date()));
  });
  router.get('/:id/paper.pdf', async (req, res) => {
    const units = checkQuery<UnitPreferences>(unitQuery, req.query);
    const on = new Date();
    const paper = paperOf(req.params.id, units, on);
    const ids = paper.wheels.flatMap((w) => w.photos.map((p) => p.photoId)).slice(0, MAX_PHOTOS);
    const found = await Promise.all(
      ids.map(async (id) => [id, await photos.printable(id)] as const),
    );
    const there = Object.fromEntries(
      found.flatMap(([id, bytes]) => (bytes ? [[id, bytes] as const] : [])),
    );
    const pdf = await work.run(
      'rider-pdf',
      { paper, photos: there, shopName: shop.name(), on, units },
      goneOf(res),
    );
    res.type('application/pdf').attachment('for-the-rider.pdf').send(Buffer.from(pdf));
  });
  router.post('/:id/entries', (req, res) => {
    const { expectedSeq, entries } = check<Append>(appendBody, req.body);
    const { id } = req.params;
    const me = meOf(req);
    const written = visits.append(id, expectedSeq, entries, undefined, (entry, rider) => {
      for (const name of peopleInVisitEntry(entry))
        checkNamed(me, name, { ...access, about: id, rider });
    });
    if (me) access.approvals.useAll(me.id, id);
    res.status(201).json({ entries: written, seq: written.at(-1)!.seq });
  });
  return router;
};
