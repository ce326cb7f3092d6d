/** Role. */
export const ROLES = ['owner', 'fitter', 'learner'] as const;
export type Role = (typeof ROLES)[number];

/**
 * The rights in a shop, in kinds that go together: `read` everything that is kept, `practice` on
 * hidden wheels, `work` at the bench (steps, readings, photographs, instruments), `hand over` a
 * wheel, `trade` (machines, stock, visits, orders), `govern` (rules, prices, people, backups).
 */
const RIGHTS = ['read', 'practice', 'work', 'hand over', 'trade', 'govern'] as const;
export type Right = (typeof RIGHTS)[number];

const LEARNER: readonly Right[] = ['read', 'practice', 'work'];
const FITTER: readonly Right[] = [...LEARNER, 'hand over', 'trade'];

const RIGHTS_OF: Record<Role, readonly Right[]> = {
  learner: LEARNER,
  fitter: FITTER,
  owner: RIGHTS,
};

export const mayDo = (role: Role, right: Right): boolean => RIGHTS_OF[role].includes(right);

/** The people who may do it, as a refusal names them. */
export const whoMay = (right: Right): string =>
  ROLES.filter((role) => mayDo(role, right))
    .map((role) => (role === 'owner' ? 'an owner' : `a ${role}`))
    .join(' or ');

/** The rights of each role, as the screen tells them. */
export const ROLE_WORDS: Record<Role, string> = {
  owner: 'everything, rules, prices, people and backups included',
  fitter: 'all the work: machines, stock, visits, hand-over',
  learner: 'works at the bench and practices; someone else hands over',
};
