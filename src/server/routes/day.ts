import { Router } from 'express';
import { planStartMs } from '../../core/shop/day';
import type { ShopStore } from '../db/shop-store';
import type { VisitStore } from '../db/visit-store';
import type { WorkPool } from '../work/work-pool';
import type { ApiDocs } from '../openapi/api-docs';
import { checkQuery, goneOf, planQuery } from './input';

/** A plan is for so many people. */
const MAX_PEOPLE = 6;

/** The documentation of the routes below. */
export const dayApi: ApiDocs = {
  'GET /day-plan': { says: 'Day plan, with its math', query: planQuery },
};

/** The plan of the day: worked out in a thread of its own, given up when the client hangs up. */
export const dayRoutes = (visits: VisitStore, shop: ShopStore, work: WorkPool): Router => {
  const router = Router();
  router.get('/day-plan', async (req, res) => {
    const { person, closely } = checkQuery<{ person: string[]; closely?: 'yes' }>(
      planQuery,
      req.query,
    );
    const people = person.length > 0 ? person : shop.people().slice(0, MAX_PEOPLE);
    const startMs = planStartMs(Date.now());
    const { input, leftOut, letGo } = visits.dayInput(people, startMs);
    const working = await work.run(
      'day-plan',
      { ...input, closely: closely === 'yes' },
      goneOf(res),
    );
    res.json({ at: new Date(startMs).toISOString(), people, working, leftOut, letGo });
  });
  return router;
};
