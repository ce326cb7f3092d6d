import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** A route as it is written: its parameters by name. */
export interface AskedRoute {
  method: string;
  path: string;
}

/** Where the routes of a file stand. */
const UNDER: Record<string, string> = {
  backups: '/api/backups',
  devices: '/api/devices',
  jobs: '/api/jobs',
  photos: '/api/photos',
  visits: '/api/visits',
  workings: '/api/workings',
};
/** They go on for as long as someone listens. */
const STREAMS = ['/api/live', '/api/devices/stream', '/api/devices/:name/stream'];
const DIR = join(__dirname, '../../src/server/routes');
const ROUTE = /router\.(get|post|put|delete)\(\s*['`]([^'`]+)['`]/g;

/**
 * Every route of the server that answers and is done, read from its source: none can be forgotten.
 */
export const askedRoutes = (): AskedRoute[] =>
  readdirSync(DIR).flatMap((file) => {
    const name = file.replace('.ts', '');
    return [...readFileSync(join(DIR, file), 'utf8').matchAll(ROUTE)]
      .map(([, method, path]) => ({
        method: method!.toUpperCase(),
        path: `${UNDER[name] ?? '/api'}${path}`,
      }))
      .map((r) => ({ ...r, path: r.path.replace('${path}', 'received').replace(/\/$/, '') }))
      .filter((r) => !STREAMS.includes(r.path));
  });
