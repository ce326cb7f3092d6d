import { Router } from 'express';
import { NotFound } from '../errors';
import type { KnowsQuery, ShopStatsStore } from '../db/shop-stats-store';
import { checkQuery, knowsQuery } from './input';
import type { ApiDocs } from '../openapi/api-docs';
import { csvOf } from '../export/csv-cells';

const PARTS = ['troubles', 'stations', 'weights', 'takeOffs'] as const;

/** The documentation of the routes below. */
export const shopStatsApi: ApiDocs = {
  'GET /knows': { says: 'Shop stats', query: knowsQuery },
  'GET /knows/:part.csv': {
    says: 'One list of the shop stats, RFC 4180',
    query: knowsQuery,
    gives: 'text/csv',
  },
};

/** Shop stats over a time, and each part of it as CSV (RFC 4180). */
export const shopStatsRoutes = (knows: ShopStatsStore): Router => {
  const router = Router();
  router.get(
    '/knows',
    (req, res) => void res.json(knows.all(checkQuery<KnowsQuery>(knowsQuery, req.query))),
  );
  router.get('/knows/:part.csv', (req, res) => {
    const part = PARTS.find((p) => p === req.params.part);
    if (!part) throw new NotFound('List not found.');
    const rows = knows.all(checkQuery<KnowsQuery>(knowsQuery, req.query))[part];
    res
      .type('text/csv')
      .attachment(`${part}.csv`)
      .send(csvOf(rows as object[], { header: true }));
  });
  return router;
};
