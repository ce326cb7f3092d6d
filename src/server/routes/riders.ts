import { Router } from 'express';
import Joi from 'joi';
import { check, listOf, text } from '../../core/base/fields';
import type { Forgotten } from '../../core/shop/riders';
import { InputError } from '../../core/base/errors';
import type { ShopRiders } from '../riders/shop-riders';
import type { ApiDocs } from '../openapi/api-docs';
import { checkQuery, riderName, riderQuery, who } from './input';

/** Puts the shop without a rider in the place of the running one. */
export type Forget = (name: string, also: readonly string[]) => Promise<Forgotten>;

const forgetBody = Joi.object({
  name: riderName,
  also: listOf(text(80, 'Other words'), 10, 'Other words, such as a telephone number'),
  who,
}).required();

/** The documentation of the routes below. */
export const riderApi: ApiDocs = {
  'GET /riders': { says: 'Rider data', query: riderQuery },
  'POST /riders/forget': { says: 'Erases a rider’s name', body: forgetBody },
};

/**
 * Rider data, and forgetting one; `forget` null where the shop is not kept in a file.
 */
export const riderRoutes = (riders: ShopRiders, forget: Forget | null): Router => {
  const router = Router();
  router.get('/riders', (req, res) => {
    res.json(riders.kept(checkQuery<{ name: string }>(riderQuery, req.query).name));
  });
  router.post('/riders/forget', async (req, res) => {
    const { name, also } = check<{ name: string; also: string[] }>(forgetBody, req.body);
    riders.kept(name);
    if (!forget)
      throw new InputError(
        'name',
        'This shop has no database file.',
        'Start the shop on a database file',
      );
    res.json(await forget(name, also));
  });
  return router;
};
