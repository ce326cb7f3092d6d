import type { Express } from 'express';

/** A layer of the router's stack, as far as it is looked at. */
interface Layer {
  /** Where it is mounted. */
  rawPath?: string;
  route?: { path: string; methods: Record<string, boolean> };
  handle: { stack?: Layer[] };
}

const ofLayer = ({ route, handle, rawPath = '' }: Layer, mount: string): [string, string][] =>
  route
    ? Object.keys(route.methods).map((method) => [
        method.toUpperCase(),
        `${mount}${route.path}`.replace(/\/+/g, '/').replace(/(.)\/$/, '$1'),
      ])
    : (handle.stack ?? []).flatMap((inner) => ofLayer(inner, `${mount}${rawPath}`));

/** Every route under `/api` that a server answers, as its router has it: `GET`, `/api/jobs/:id`. */
export const routesOf = (app: Express): [method: string, address: string][] =>
  (app.router as unknown as { stack: Layer[] }).stack
    .flatMap((layer) => ofLayer(layer, ''))
    .filter(([, address]) => address.startsWith('/api'));
