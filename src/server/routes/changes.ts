import { Router } from 'express';
import Joi from 'joi';
import type { ChangeStore } from '../db/change-store';
import { changesCsv } from '../export/changes-csv';
import type { ApiDocs } from '../openapi/api-docs';
import { checkQuery, number } from './input';

/** So many one file holds: the newest. */
const MAX_ROWS = 20_000;

interface ChangeQuery {
  limit: number;
  before?: string;
}
const changeQuery = Joi.object<ChangeQuery>({
  limit: number(1, 200, 50, 'limit'),
  before: Joi.string()
    .pattern(/^\d{4}-[\dT:.Z-]{6,24} [qr]\d{12}$/)
    .optional()
    .meta({ expected: 'Use `before` as the last page gave it' }),
});

/** The documentation of the routes below. */
export const changeApi: ApiDocs = {
  'GET /changes': { says: 'Change log, newest first', query: changeQuery },
  'GET /changes.csv': { says: 'The same, RFC 4180', gives: 'text/csv' },
};

/** The changes of records, rules and people: by whom, from what to what. */
export const changeRoutes = (changes: ChangeStore): Router => {
  const router = Router();
  router.get('/changes', (req, res) => {
    const { before, limit } = checkQuery<ChangeQuery>(changeQuery, req.query);
    res.json(changes.page(before, limit));
  });
  router.get('/changes.csv', (_req, res) => {
    res
      .type('text/csv')
      .attachment('changes.csv')
      .send(changesCsv(changes.page(undefined, MAX_ROWS).changes));
  });
  return router;
};
