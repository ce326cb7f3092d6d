import { Router } from 'express';
import Joi from 'joi';
import { check, count, listOf, text } from '../../core/base/fields';
import type { NewOrder } from '../../core/shop/parts';
import type { PartsStore } from '../db/parts-store';
import { orderCsv } from '../export/order-csv';
import type { ApiDocs } from '../openapi/api-docs';
import { recordId, who } from './input';

const orderBody = Joi.object({
  id: recordId,
  what: text(120, 'Part'),
  stockId: recordId.allow(null),
  count: count(1, 1000, 'How many'),
  supplier: text(80, 'Supplier').allow(''),
  jobIds: listOf(recordId, 60, 'Jobs it is for'),
  who,
}).required();
const whoBody = Joi.object({ who }).required();

/** The documentation of the routes below. */
export const partsApi: ApiDocs = {
  'GET /order-list': { says: 'Parts to order and on order' },
  'GET /order-list.csv': { says: 'The same, RFC 4180', gives: 'text/csv' },
  'POST /orders': { says: 'Orders a part', body: orderBody, status: 201 },
  'POST /orders/:id/received': { says: 'Received', body: whoBody, status: 201 },
  'POST /orders/:id/called-off': { says: 'Cancels an order', body: whoBody, status: 201 },
};

/** The parts to order for the jobs on the bench, those on their way, and those that came. */
export const partsRoutes = (parts: PartsStore): Router => {
  const router = Router();
  router.get('/order-list', (_req, res) => void res.json(parts.list()));
  router.get('/order-list.csv', (_req, res) => {
    res.type('text/csv').attachment('order-list.csv').send(orderCsv(parts.list()));
  });
  router.post(
    '/orders',
    (req, res) =>
      void res.status(201).json({ order: parts.place(check<NewOrder>(orderBody, req.body)) }),
  );
  for (const [path, came] of [
    ['received', true],
    ['called-off', false],
  ] as const)
    router.post(`/orders/:id/${path}`, (req, res) => {
      const id = check<string>(recordId, req.params.id);
      res
        .status(201)
        .json({ order: parts.close(id, came, check<{ who: string }>(whoBody, req.body).who) });
    });
  return router;
};
