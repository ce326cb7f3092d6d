import { Router } from 'express';
import Joi from 'joi';
import { check, listOf, text } from '../../core/fields';
import { STOCK_KINDS, stockSchemas, type StockItem, type StockKind } from '../../core/shop';
import { InputError } from '../../core/errors';
import { machineSchema, wheelSchema, type Machine, type Wheel } from '../../core/wheels';
import type { RuleStore } from '../db/rules';
import type { JobStore } from '../db/jobs';
import type { ShopStore } from '../db/shop';
import { NotFound } from '../errors';
import { recordId, who } from './input';

const machineBody = Joi.object({ machine: machineSchema, wheels: listOf(wheelSchema, 8, 'Its wheels') }).required();
const ruleBody = Joi.object({
  value: Joi.alternatives(Joi.number(), Joi.string().max(60)).required().meta({ expected: 'a number or a word' }),
  note: text(300, 'The note').allow(''),
  who,
  reason: text(300, 'The reason for the change'),
}).required();
const nameBody = Joi.object({ name: text(80, 'The name') }).required();

const stockKind = (value: string): StockKind => {
  const kind = STOCK_KINDS.find((k) => k === value);
  if (!kind) throw new NotFound(`There is no stock called ${value.slice(0, 40)}.`);
  return kind;
};

/** Inserting an id twice is the caller's mistake, not a defect. */
const once = (write: () => void): void => {
  try {
    write();
  } catch (error) {
    const code = (error as { code?: string }).code ?? '';
    if (code.startsWith('SQLITE_CONSTRAINT'))
      throw new InputError('id', 'A record of that id exists already, or names one that does not.', 'an id of your own making');
    throw error;
  }
};

/** The shop's records and rules. */
export const shopRoutes = (shop: ShopStore, rules: RuleStore, jobs: JobStore): Router => {
  const router = Router();
  router.get('/shop', (_req, res) => void res.json({ ...shop.all(), rules: rules.list() }));
  router.put('/shop/name', (req, res) => {
    shop.rename(check<{ name: string }>(nameBody, req.body).name);
    res.json({ name: shop.all().name });
  });
  router.post('/people', (req, res) => {
    shop.addPerson(check<{ name: string }>(nameBody, req.body).name);
    res.status(201).json({ people: shop.all().people });
  });
  router.post('/machines', (req, res) => {
    const { machine, wheels } = check<{ machine: Machine; wheels: Wheel[] }>(machineBody, req.body);
    if (wheels.some((w) => w.machineId !== machine.id))
      throw new InputError('wheels', 'A wheel names another machine.', `wheels of ${machine.id}`);
    once(() => shop.addMachine(machine, wheels));
    res.status(201).json({ machine, wheels });
  });
  router.get('/wheels/:id/jobs', (req, res) => {
    check(recordId, req.params.id);
    res.json({ jobs: jobs.ofWheel(req.params.id) });
  });
  router.post('/stock/:kind', (req, res) => {
    const kind = stockKind(req.params.kind);
    const item = check<StockItem[StockKind]>(stockSchemas[kind], req.body);
    once(() => shop.addStock(kind, item));
    res.status(201).json(item);
  });
  router.delete('/stock/:kind/:id', (req, res) => {
    shop.removeStock(stockKind(req.params.kind), check<string>(recordId, req.params.id));
    res.status(204).end();
  });
  router.put('/rules/:key', (req, res) => {
    const body = check<{ value: unknown; note: string; who: string; reason: string }>(ruleBody, req.body);
    res.json(rules.change(req.params.key, body));
  });
  return router;
};
