import { Router, type Response } from 'express';
import { pipeline } from 'node:stream/promises';
import type { Readable } from 'node:stream';
import type { Logger } from 'pino';
import { InputError } from '../../core/base/errors';
import { fileName, type FileOf, type ExchangePlan } from '../../core/reports/exchange';
import { check, text } from '../../core/base/fields';
import { dayOf } from '../../core/base/units';
import { fileSchema } from '../exchange/file-schema';
import type { ShopExchange } from '../exchange/shop-exchange';
import type { ApiDocs } from '../openapi/api-docs';
import { checkQuery, goneOf, recordId, riderQuery } from './input';

/** Takes a file that was brought into the running shop; says where the shop before it is kept. */
export type TakeIn = (id: string) => Promise<{ plan: ExchangePlan; kept: string | null }>;

const broughtId = text(36, 'ID of the uploaded file').pattern(/^[0-9a-f-]{36}$/);

interface Options {
  logger: Logger;
  shopName: () => string;
  /** Null where the shop is not kept in a file. */
  takeIn: TakeIn | null;
  numberOf: (jobId: string) => number;
}

/** The documentation of the routes below. */
export const exchangeApi: ApiDocs = {
  'GET /exchange/shop': { says: 'The whole shop as a file', gives: 'application/zip' },
  'GET /exchange/schema': {
    says: 'The JSON Schema of such a file’s lines',
    gives: 'application/schema+json',
  },
  'GET /jobs/:id/file': { says: 'One job as a file', gives: 'application/zip' },
  'GET /riders/file': {
    says: 'A rider’s data as a file',
    query: riderQuery,
    gives: 'application/zip',
  },
  'PUT /exchange/brought': {
    says: 'Checks a file to import',
    body: 'application/zip',
    status: 201,
  },
  'POST /exchange/brought/:id/take-in': { says: 'Imports it, all or nothing' },
  'DELETE /exchange/brought/:id': { says: 'Discards it', gives: null },
};

/** A shop, or one of its jobs, out into a file of an open format, and in. */
export const exchangeRoutes = (exchange: ShopExchange, options: Options): Router => {
  const { logger, shopName, takeIn, numberOf } = options;
  const router = Router();
  const send = async (
    res: Response,
    of: FileOf,
    name: string,
    out: (failed: (e: unknown) => void) => Readable,
  ) => {
    res.type('application/zip').attachment(fileName(of, name, dayOf(Date.now())));
    // Anyone who asked hung up, or it broke off: what was sent is no whole zip file, and no program
    // opens it.
    await pipeline(
      out((err) => logger.error({ err }, 'a file broke off')),
      res,
    ).catch(() => res.destroy());
  };
  router.get('/exchange/shop', (_req, res) =>
    send(res, 'shop', shopName(), (failed) => exchange.shopOut(failed)),
  );
  router.get(
    '/exchange/schema',
    (_req, res) => void res.type('application/schema+json').json(fileSchema()),
  );
  router.get('/jobs/:id/file', async (req, res) => {
    const id = check<string>(recordId, req.params.id);
    const name = `${shopName()} ${numberOf(id)}`;
    await send(res, 'job', name, (failed) => exchange.jobOut(id, failed));
  });
  router.get('/riders/file', async (req, res) => {
    const { name } = checkQuery<{ name: string }>(riderQuery, req.query);
    await send(res, 'rider', name, (failed) => exchange.riderOut(name, failed));
  });
  // No other type: a page of another site cannot send this.
  router.put('/exchange/brought', async (req, res) => {
    if (!req.is('application/zip'))
      throw new InputError('file', 'No file was sent.', 'Choose a zip file exported from a shop');
    res.status(201).json(await exchange.bring(req, goneOf(res)));
  });
  router.post('/exchange/brought/:id/take-in', async (req, res) => {
    const id = check<string>(broughtId, req.params.id);
    if (!takeIn)
      throw new InputError(
        'file',
        'This shop has no database file.',
        'Start the shop on a database file',
      );
    res.json(await takeIn(id));
  });
  router.delete('/exchange/brought/:id', async (req, res) => {
    await exchange.forget(check<string>(broughtId, req.params.id));
    res.status(204).end();
  });
  return router;
};
