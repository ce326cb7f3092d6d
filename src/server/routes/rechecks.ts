import { Router } from 'express';
import Joi from 'joi';
import { check, date } from '../../core/base/fields';
import { localDayOf } from '../../core/base/units';
import type { RecheckStore } from '../db/recheck-store';
import type { Looked } from '../db/close-recheck';
import type { RecheckQuery } from '../db/recheck-store';
import type { CalendarKey } from '../auth/calendar-key';
import type { WorkPool } from '../work/work-pool';
import type { ApiDocs } from '../openapi/api-docs';
import { checkQuery, goneOf, recheckQuery, recordId, who } from './input';

const lookedBody = Joi.object({
  id: recordId,
  who,
  onDate: date('Date of the recheck'),
  read: Joi.object().unknown().required().meta({ expected: 'Enter the reading or finding' }),
}).required();

/** So many rows one calendar holds: the nearest ones. */
const MAX_EVENTS = 2000;

/** The documentation of the routes below. */
export const recheckApi: ApiDocs = {
  'GET /rechecks': { says: 'Rechecks, open and closed', query: recheckQuery },
  'GET /rechecks.ics': { says: 'Rechecks as a calendar, RFC 5545', gives: 'text/calendar' },
  'GET /calendar-key': { says: 'The key in the calendar’s address' },
  'POST /calendar-key': { says: 'Replaces the key', status: 201 },
  'GET /rechecks/:id': { says: 'A recheck' },
  'POST /rechecks/:id/looked': {
    says: 'Closes a recheck with a reading',
    body: lookedBody,
    status: 201,
  },
  'GET /wheels/:id/rechecks': { says: 'Rechecks of a wheel' },
};

/** The rechecks: the list, one row, its closing, and all of them as a calendar. */
export const recheckRoutes = (
  store: RecheckStore,
  close: (id: string, looked: Looked) => unknown,
  shopName: () => string,
  calendar: CalendarKey,
  work: WorkPool,
): Router => {
  const router = Router();
  const today = () => localDayOf(new Date());
  router.get(
    '/rechecks',
    (req, res) =>
      void res.json(store.list(checkQuery<RecheckQuery>(recheckQuery, req.query), today())),
  );
  router.get('/rechecks.ics', async (_req, res) => {
    const { rechecks } = store.list({ state: 'open', search: '', limit: MAX_EVENTS }, today());
    const asked = { rows: rechecks, shopName: shopName() };
    res.type('text/calendar').send(await work.run('shop-calendar', asked, goneOf(res)));
  });
  router.get('/calendar-key', (_req, res) => void res.json({ key: calendar.key() }));
  router.post('/calendar-key', (_req, res) => void res.status(201).json({ key: calendar.renew() }));
  router.get('/rechecks/:id', (req, res) => {
    res.json({ recheck: store.find(check<string>(recordId, req.params.id)) });
  });
  router.post('/rechecks/:id/looked', (req, res) => {
    const id = check<string>(recordId, req.params.id);
    res.status(201).json({ recheck: close(id, check<Looked>(lookedBody, req.body)) });
  });
  router.get('/wheels/:id/rechecks', (req, res) => {
    res.json({ rechecks: store.ofWheel(check<string>(recordId, req.params.id)) });
  });
  return router;
};
