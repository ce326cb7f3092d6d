import { Router } from 'express';
import Joi from 'joi';
import { check, listOf, text } from '../../core/base/fields';
import { checkRecord } from '../../core/shop/records';
import { InputError } from '../../core/base/errors';
import type { Db } from '../db/open-db';
import { cachedResponse } from '../cached-response';
import type { JobStores } from '../db/job-store';
import type { RuleStore } from '../db/rule-store';
import type { ShopStore } from '../db/shop-store';
import type { ApiDocs } from '../openapi/api-docs';
import { who } from './input';

const machineBody = Joi.object({
  machine: Joi.object().unknown().required().meta({ expected: 'Enter a machine' }),
  wheels: listOf(Joi.object().unknown(), 8, 'Its wheels'),
}).required();
const ruleBody = Joi.object({
  value: Joi.alternatives(Joi.number(), Joi.string().max(60))
    .required()
    .meta({ expected: 'Enter a number or a word' }),
  note: text(300, 'Note').allow(''),
  who,
  reason: text(300, 'Reason for the change'),
}).required();
const nameBody = Joi.object({ name: text(80, 'Name') }).required();

/** The documentation of the routes below. */
export const shopApi: ApiDocs = {
  'GET /shop': { says: 'The shop with its rules, people and small stock' },
  'PUT /shop/name': { says: 'Renames the shop', body: nameBody },
  'POST /machines': {
    says: 'A machine with its wheels, all or nothing',
    body: machineBody,
    status: 201,
  },
  'PUT /rules/:key': { says: 'Changes a rule, for a reason', body: ruleBody },
};

/** The shop's name and rules, and machines with their wheels. */
export const shopRoutes = (
  db: Db,
  shop: ShopStore,
  rules: RuleStore,
  { jobs, parts, rechecks }: JobStores,
): Router => {
  const router = Router();
  const whole = cachedResponse(db, () => ({
    ...shop.all(),
    rules: rules.list(),
    cures: jobs.cures(),
    usualTimes: jobs.usualTimes(),
    reserved: parts.reserved(),
  }));
  router.get('/shop', (_req, res) => void res.type('json').send(whole()));
  router.put('/shop/name', (req, res) => {
    shop.rename(check<{ name: string }>(nameBody, req.body).name);
    res.json({ name: shop.name() });
  });
  router.post('/machines', (req, res) => {
    const body = check<{ machine: unknown; wheels: unknown[] }>(machineBody, req.body);
    const machine = checkRecord('machines', body.machine);
    const wheels = body.wheels.map((w) => checkRecord('wheels', w));
    if (wheels.some((w) => w.machineId !== machine.id))
      throw new InputError(
        'wheels',
        'A wheel belongs to another machine.',
        `Use wheels of ${machine.id}`,
      );
    shop.records.addMachine(machine, wheels);
    res.status(201).json({ machine, wheels });
  });
  router.put('/rules/:key', (req, res) => {
    const body = check<{ value: unknown; note: string; who: string; reason: string }>(
      ruleBody,
      req.body,
    );
    const changed = rules.change(req.params.key, body);
    rechecks.settleRecords();
    res.json(changed);
  });
  return router;
};
