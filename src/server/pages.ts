import express, { Router } from 'express';
import { join } from 'node:path';
import { unknownRoute } from './errors';
import { WEB_DIR } from './paths';

const YEAR_MS = 31_536_000_000;

/** The built app: its files, and its one page for every other address. */
export const pages = (): Router => {
  const router = Router();
  router.use(
    '/assets',
    express.static(join(WEB_DIR, 'assets'), { immutable: true, maxAge: YEAR_MS }),
    unknownRoute,
  );
  router.use(express.static(WEB_DIR, { index: false }));
  router.get('/{*screen}', (_req, res) => res.sendFile('index.html', { root: WEB_DIR }));
  return router;
};
