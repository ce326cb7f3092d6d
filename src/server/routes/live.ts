import { Router, type RequestHandler } from 'express';
import Joi from 'joi';
import { check, text } from '../../core/base/fields';
import type { LiveNews } from '../../core/base/live';
import { eventStream } from '../live/event-stream';
import type { LiveHub } from '../live/live-hub';
import type { ApiDocs } from '../openapi/api-docs';
import { recordId, who } from './input';

const hereBody = Joi.object({ tab: text(60, 'Tab'), who, jobId: recordId.allow(null) }).required();

/** The news of a write under an address, beside the logs of jobs, which tell of themselves. */
const NEWS: readonly (readonly [RegExp, LiveNews])[] = [
  [/^\/(records|machines|people|rules|shop)\b/, { shop: true }],
  // A hand-over moves what is on the shelf.
  [/^\/orders\b/, { shop: true, day: true }],
  [/^\/(jobs|visits|rechecks|backups)\b/, { day: true }],
];

/** Tells everyone of what was written, once it is. */
export const tellsOfWrites =
  (hub: LiveHub): RequestHandler =>
  (req, res, next) => {
    const news =
      req.method === 'GET' ? undefined : NEWS.find(([address]) => address.test(req.path))?.[1];
    if (news) res.once('finish', () => res.statusCode < 300 && hub.tell(news));
    next();
  };

/** The documentation of the routes below. */
export const liveApi: ApiDocs = {
  'GET /live': {
    says: 'New entries of the shop, as a stream of events',
    gives: 'text/event-stream',
  },
  'PUT /live/here': { says: 'Who is at which job in this tab', body: hereBody },
};

/** The writes in the shop, as one stream, and who else is at a job. */
export const liveRoutes = (hub: LiveHub): Router => {
  const router = Router();
  router.get('/live', (req, res) =>
    eventStream(req, res, (hear, end) => hub.listen({ hear, end })),
  );
  router.put('/live/here', (req, res) => {
    const body = check<{ tab: string; who: string; jobId: string | null }>(hereBody, req.body);
    res.json({ others: hub.at(body.tab, body.who, body.jobId) });
  });
  return router;
};
