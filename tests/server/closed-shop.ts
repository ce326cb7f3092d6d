import request from 'supertest';
import { ROLES, type Role } from '../../src/core/shop/auth';
import { authStore } from '../../src/server/db/auth-store';
import { hashSecret } from '../../src/server/auth/secret-hash';
import { testApp } from './test-app';

/** Invented, for each role. */
export const PEOPLE: Record<Role, { who: string; secret: string }> = {
  owner: { who: 'Juna Birk', secret: 'basins fill one by one' },
  fitter: { who: 'Osk Tarrow', secret: '730418' },
  learner: { who: 'Wil Penhallow', secret: '195270' },
};

/** The hashed secrets, at next to no cost; one test of its own measures the real cost. */
export let hashes: Record<Role, string>;
export const makeSecrets = async (): Promise<void> => {
  const cheap = { logN: 4, block: 8, parallel: 1 };
  const made = await Promise.all(
    ROLES.map(async (role) => [role, await hashSecret(PEOPLE[role].secret, cheap)] as const),
  );
  hashes = Object.fromEntries(made) as typeof hashes;
};

/** A shop whose people sign in: empty, or the demo shop. Needs `makeSecrets` before. */
export const closedShop = ({ isDemo = false } = {}) => {
  const shop = testApp({ empty: !isDemo });
  const auth = authStore(shop.db);
  const add = shop.db.prepare('INSERT INTO people (name) VALUES (?) ON CONFLICT DO NOTHING');
  for (const { who } of Object.values(PEOPLE)) add.run(who);
  for (const role of ROLES) auth.setPerson(PEOPLE[role].who, role, hashes[role]);
  const signIn = async (role: Role) => {
    const agent = request.agent(shop.app);
    await agent.post('/api/session').send(PEOPLE[role]).expect(201);
    return agent;
  };
  return { ...shop, auth, signIn };
};

/** Runs a test on a clock that it moves, in minutes. */
export const onClock = async (
  test: (move: (minutes: number) => void) => Promise<void>,
): Promise<void> => {
  jest.useFakeTimers({ doNotFake: ['nextTick', 'setImmediate', 'setTimeout', 'queueMicrotask'] });
  try {
    await test((minutes) => void jest.setSystemTime(Date.now() + minutes * 60_000));
  } finally {
    jest.useRealTimers();
  }
};
