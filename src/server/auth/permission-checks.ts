import { mayDo, whoMay, type Right } from '../../core/shop/auth';
import { definitionOf, namedPeople, rightsFor, type Effect, type Entry } from '../../core/job';
import type { AuthStore } from '../db/auth-store';
import type { SignedIn } from './me';
import { NotAllowed } from '../errors';
import type { ApprovalStore } from './approvals';

/**
 * Checks that go beyond the address of a request. Without sign-in (`me` null) another gate has
 * decided already.
 */

const RIGHT_WORDS: Partial<Record<Right, string>> = {
  'hand over': 'release a wheel or take a release back',
  govern: 'do this',
  trade: 'see this',
};

/** Throws `NotAllowed` when the signed-in person's role does not give a right. */
export const checkRight = (
  me: SignedIn | null,
  right: Right,
  what = RIGHT_WORDS[right] ?? 'do this',
): void => {
  if (me !== null && !mayDo(me.role, right))
    throw new NotAllowed(
      'role',
      `${me.who} is signed in as ${me.role} and can’t ${what}.`,
      `Ask ${whoMay(right)}`,
    );
};

/** The approvals, and the people of the shop. */
interface NameCheck {
  auth: AuthStore;
  approvals: ApprovalStore;
  /** The id of the job or visit that is written to. */
  about: string;
  /** The rider, who may have the name of a person of the shop. */
  rider: string;
}

/**
 * Throws `NotAllowed` for a name of someone who works here, other than the one who is signed in,
 * unless that person gave an approval at this screen. With `right` the name has to be of someone
 * who works here and has that right.
 */
export const checkNamed = (
  me: SignedIn | null,
  name: string,
  check: NameCheck,
  right: Right | null = null,
): void => {
  if (me === null || name === me.who) return;
  const { auth, approvals, about, rider } = check;
  const person = auth.people().find((p) => p.name === name);
  if (right === null && (!person || name === rider)) return;
  const isApproved = approvals.isGiven({ by: name, sessionId: me.id, about }, Date.now());
  if (person && isApproved && (right === null || mayDo(person.role, right))) return;
  throw new NotAllowed(
    'approval',
    `This names ${name.slice(0, 60)}, and ${me.who} is signed in here.`,
    `Enter ${me.who}, or let ${right === null ? name.slice(0, 60) : whoMay(right)} approve with their own PIN at this screen`,
  );
};

/** The right a person named in an entry needs; null when any name will do. */
const approverRight = (kind: Entry['kind']): Right | null => {
  const { right } = definitionOf(kind);
  return right === 'work' ? null : right;
};

/**
 * Throws `NotAllowed` when what an append brings about, by whatever entry, needs a right the person
 * lacks, or when it names someone else as having acted.
 */
export const checkEffect = (
  me: SignedIn | null,
  effect: Effect,
  written: readonly Entry[],
  check: NameCheck,
): void => {
  if (me === null) return;
  for (const right of rightsFor(effect)) checkRight(me, right);
  for (const entry of written)
    for (const name of namedPeople(entry)) checkNamed(me, name, check, approverRight(entry.kind));
};

/**
 * Throws `NotAllowed` when a record brings another price than it has, for someone who may not set
 * prices.
 */
export const checkPrice = (me: SignedIn | null, it: object, before: object | undefined): void => {
  const priceOf = (record: object | undefined): unknown =>
    (record as { priceMinor?: unknown })?.priceMinor ?? null;
  if (priceOf(it) !== priceOf(before)) checkRight(me, 'govern', 'set a price');
};

/** Throws `NotAllowed` for what belongs to another person, for anyone but an owner. */
export const checkOwn = (me: SignedIn | null, whose: string): void => {
  if (me !== null && me.who !== whose && !mayDo(me.role, 'govern'))
    throw new NotAllowed(
      'who',
      `This belongs to ${whose.slice(0, 60)}.`,
      'Use your own, or sign in as an owner',
    );
};

/**
 * Throws `NotAllowed` for another person's practice, unless it is shared and the role may see
 * shared results.
 */
export const checkShown = (me: SignedIn | null, whose: string, isShown: boolean): void => {
  if (me === null || me.who === whose) return;
  checkRight(me, 'trade', 'see another person’s practice');
  if (!isShown)
    throw new NotAllowed(
      'who',
      `${whose} doesn’t share practice results.`,
      `Use your own, or ask ${whose} to share`,
    );
};
