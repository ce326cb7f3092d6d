export { mayDo, RIGHTS, ROLES, ROLE_WORDS, whoMay, type Right, type Role } from './roles';
export { checkSecret, LEAST_DIGITS, LEAST_LETTERS, MOST_LETTERS, weakness } from './secret';
export type { Doors, Me, Person, Session } from './session';
