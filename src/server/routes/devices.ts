import { Router, text } from 'express';
import Joi from 'joi';
import { FAILURES, LINE_MAX, type Failure } from '../../core/bench/devices';
import { check, oneOf } from '../../core/base/fields';
import type { DeviceHub } from '../devices/device-hub';
import type { ApiDocs } from '../openapi/api-docs';
import { eventStream } from '../live/event-stream';

const failSchema = Joi.object({ fails: oneOf(FAILURES, 'Fault').allow(null) }).required();
/** As many lines as a slow line buffers in a few seconds. */
const POST_MAX = 2000 * LINE_MAX;

/** The documentation of the routes below. */
export const deviceApi: ApiDocs = {
  'GET /devices': { says: 'Instruments, and how the simulated ones are held' },
  'GET /devices/stream': {
    says: 'Readings of all instruments, as a stream of events',
    gives: 'text/event-stream',
  },
  'GET /devices/:name/stream': { says: 'Readings of one instrument', gives: 'text/event-stream' },
  'POST /devices/lines': { says: 'Lines of real instruments', body: 'application/x-ndjson' },
  'PUT /devices/:name/hold': {
    says: 'Holds a simulated instrument',
    body: Joi.object().unknown(),
    gives: null,
  },
  'PUT /devices/:name/fail': {
    says: 'Simulates a fault, or ends it',
    body: failSchema,
    gives: null,
  },
  'DELETE /devices/:name': { says: 'Removes a real instrument', gives: null },
};

/**
 * Instruments: which there are, what they say as streams of events, lines of real ones, and how
 * stand-ins are held and broken.
 */
export const deviceRoutes = (hub: DeviceHub): Router => {
  const router = Router();
  router.get('/', (_req, res) => void res.json({ devices: hub.list() }));
  // A browser opens only a few streams at a time: one for all of them.
  router.get('/stream', (req, res) =>
    eventStream(req, res, (hear, end) => hub.listenAll({ hear, end })),
  );
  router.get('/:name/stream', (req, res) =>
    eventStream(req, res, (hear, end) => hub.listen(req.params.name, { hear, end })),
  );
  // No other type: a page of another site can send plain text here, but not this.
  router.post('/lines', text({ type: 'application/x-ndjson', limit: POST_MAX }), (req, res) => {
    res.json(hub.post(typeof req.body === 'string' ? req.body : ''));
  });
  router.put('/:name/hold', (req, res) => {
    hub.hold(req.params.name, req.body);
    res.status(204).end();
  });
  router.put('/:name/fail', (req, res) => {
    hub.fail(req.params.name, check<{ fails: Failure | null }>(failSchema, req.body).fails);
    res.status(204).end();
  });
  router.delete('/:name', (req, res) => {
    hub.forget(req.params.name);
    res.status(204).end();
  });
  return router;
};
