import { Router } from 'express';
import type { DeviceHub } from '../devices/hub';

/** Instruments: which there are, what they say as a stream of events, and how a stand-in is held. */
export const deviceRoutes = (hub: DeviceHub): Router => {
  const router = Router();
  router.get('/', (_req, res) => void res.json({ devices: hub.list() }));
  router.get('/:name/stream', (req, res) => {
    const leave = hub.listen(req.params.name, { hear: (line) => res.write(`data: ${JSON.stringify(line)}\n\n`), end: () => res.end() });
    res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', Connection: 'keep-alive' });
    res.flushHeaders();
    req.on('close', leave);
  });
  router.put('/:name/hold', (req, res) => {
    hub.hold(req.params.name, req.body);
    res.status(204).end();
  });
  return router;
};
