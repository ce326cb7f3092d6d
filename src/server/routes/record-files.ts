import express, { Router, type RequestHandler } from 'express';
import Joi from 'joi';
import { InputError } from '../../core/base/errors';
import { importAnswer, type RecordKind, type Records } from '../../core/shop/records';
import type { RecordStore } from '../db/record-store';
import { checkPrice } from '../auth/permission-checks';
import { meOf } from '../auth/me';
import { recordsCsv } from '../export/records-csv';
import { showsProgress, tell, type Told } from '../progress';
import type { WorkPool } from '../work/work-pool';
import type { ApiDocs } from '../openapi/api-docs';
import { checkQuery, goneOf, kindOf } from './input';

const importQuery = Joi.object({
  apply: Joi.string().valid('yes', 'no').default('no').meta({ expected: 'Use apply=yes or no' }),
  progress: Joi.string().valid('yes').meta({ expected: 'Use progress=yes, or leave it out' }),
});
/** So many records are written while others wait; more are written into a copy of the shop. */
const MAX_AT_ONCE = 1500;

/** Records that come in together, all or nothing. */
export interface ManyRecords<K extends RecordKind = RecordKind> {
  kind: K;
  add: Records[K][];
  change: Records[K][];
}
/** Takes very many records in while the shop goes on answering. */
export type ManyIn = (many: ManyRecords, told: Told, gone: AbortSignal) => Promise<void>;

/** The documentation of the routes below. */
export const recordFileApi: ApiDocs = {
  'GET /records/:kind/file.csv': { says: 'All records of a kind, RFC 4180', gives: 'text/csv' },
  'POST /records/:kind/import': {
    says: 'Previews an import, or runs it',
    query: importQuery,
    body: 'text/csv',
  },
};

/** A kind of record as CSV, out and in; `manyIn` null where the shop is not kept in a file. */
export const recordFileRoutes = (
  records: RecordStore,
  work: WorkPool,
  manyIn: ManyIn | null,
  beforeWrite: RequestHandler,
): Router => {
  const router = Router();
  router.get('/records/:kind/file.csv', (req, res) => {
    const kind = kindOf(req.params.kind);
    res
      .type('text/csv')
      .attachment(`${kind}.csv`)
      .send(recordsCsv(kind, records.list(kind)));
  });
  router.post(
    '/records/:kind/import',
    express.text({ type: 'text/csv', limit: '30mb' }),
    beforeWrite,
    async (req, res) => {
      const kind = kindOf(String(req.params.kind));
      const { apply } = checkQuery<{ apply: 'yes' | 'no' }>(importQuery, req.query);
      if (typeof req.body !== 'string')
        throw new InputError('file', 'No file was sent.', 'Send CSV as text');
      const told = showsProgress(req, res);
      const gone = goneOf(res);
      const machineIds = new Set(records.list('machines').map((m) => m.id));
      const file = { kind, text: req.body, have: records.list(kind), machineIds, told };
      const plan = await work.run('plan-csv', file, gone);
      const { add, change } = plan;
      for (const it of [...add, ...change]) checkPrice(meOf(req), it, records.find(kind, it.id));
      const answer = importAnswer(plan, apply === 'yes');
      if (answer.applied) {
        const many = add.length + change.length;
        tell(told, 'taking', 0, many);
        if (many > MAX_AT_ONCE && manyIn) await manyIn({ kind, add, change }, told, gone);
        else records.takeIn(kind, add, change);
      }
      res.status(apply === 'yes' && !answer.applied ? 422 : 200).json(answer);
    },
  );
  return router;
};
