import { Router, text, type Request, type Response } from 'express';
import Joi from 'joi';
import { FAILURES, LINE_MAX, type DeviceLine, type Failure } from '../../core/devices';
import { check, oneOf } from '../../core/fields';
import type { DeviceHub } from '../devices/device-hub';

const failSchema = Joi.object({ fails: oneOf(FAILURES, 'How it fails').allow(null) }).required();
/** As many lines as a slow line buffers in a few seconds. */
const POST_MAX = 2000 * LINE_MAX;

/** Lines as server-sent events until the listener leaves or the hub stops. */
const stream = (
  req: Request,
  res: Response,
  listen: (listener: { hear(line: DeviceLine): void; end(): void }) => () => void,
): void => {
  const leave = listen({ hear: (line) => res.write(`data: ${JSON.stringify(line)}\n\n`), end: () => res.end() });
  res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', Connection: 'keep-alive' });
  res.flushHeaders();
  req.on('close', leave);
};

/**
 * Instruments: which there are, what they say as streams of events, lines of real ones, and how stand-ins are held and
 * broken.
 */
export const deviceRoutes = (hub: DeviceHub): Router => {
  const router = Router();
  router.get('/', (_req, res) => void res.json({ devices: hub.list() }));
  // A browser opens only a few streams at a time: one for all of them.
  router.get('/stream', (req, res) => stream(req, res, hub.listenAll));
  router.get('/:name/stream', (req, res) => stream(req, res, (listener) => hub.listen(req.params.name, listener)));
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
