import { Router } from 'express';
import Joi from 'joi';
import { checkSecret, MAX_LETTERS, ROLES, type Role } from '../../core/shop/auth';
import { InputError } from '../../core/base/errors';
import { check, oneOf, text } from '../../core/base/fields';
import { PACES, type Pace } from '../../core/shop/records';
import type { AuthStore } from '../db/auth-store';
import type { ShopStore } from '../db/shop-store';
import { hashSecret } from '../auth/secret-hash';
import { checkOwn } from '../auth/permission-checks';
import { meOf } from '../auth/me';
import { checkNotTriedFirst } from '../auth/common-secrets';
import type { ApiDocs } from '../openapi/api-docs';
import { NotFound } from '../errors';

const nameBody = Joi.object({ name: text(60, 'Name') }).required();
const paceBody = Joi.object({ pace: oneOf(PACES, 'Step mode') }).required();
const wayInBody = Joi.object({
  role: oneOf(ROLES, 'Role'),
  secret: text(MAX_LETTERS, 'PIN or passphrase').allow(null).optional(),
}).required();

interface WayIn {
  role: Role;
  /** Null takes the way in; left out it stays as it is. */
  secret?: string | null;
}

/** The documentation of the routes below. */
export const peopleApi: ApiDocs = {
  'GET /people': { says: 'All people, with role and sign-in' },
  'POST /people': { says: 'Adds a person', body: nameBody, status: 201 },
  'PUT /people/:name/pace': { says: 'A person’s step mode', body: paceBody },
  'PUT /people/:name/way-in': { says: 'Role and sign-in of a person', body: wayInBody },
};

/** The people who work here, their step modes, and how they sign in. */
export const peopleRoutes = (shop: ShopStore, auth: AuthStore): Router => {
  const router = Router();
  router.get('/people', (_req, res) => void res.json({ people: auth.people() }));
  router.post('/people', (req, res) => {
    shop.addPerson(check<{ name: string }>(nameBody, req.body).name);
    res.status(201).json({ people: shop.people() });
  });
  router.put('/people/:name/pace', (req, res) => {
    const { pace } = check<{ pace: Pace }>(paceBody, req.body);
    checkOwn(meOf(req), req.params.name);
    if (!shop.setPace(req.params.name, pace)) throw new NotFound('No one here has this name.');
    res.json({ paces: shop.all().paces });
  });
  router.put('/people/:name/way-in', async (req, res) => {
    const { role, secret } = check<WayIn>(wayInBody, req.body);
    const before = auth.find(req.params.name);
    if (secret === undefined && role === 'owner' && before.role !== 'owner')
      throw new InputError('secret', 'An owner can do everything.', 'Set a passphrase too');
    if (typeof secret === 'string') {
      checkSecret(secret, role);
      await checkNotTriedFirst(secret, [before.name, shop.name()]);
    }
    const kept = typeof secret === 'string' ? await hashSecret(secret) : secret;
    res.json({ person: auth.setPerson(before.name, role, kept, meOf(req)?.id) });
  });
  return router;
};
