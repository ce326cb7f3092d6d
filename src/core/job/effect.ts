import type { Right } from '../shop/auth';
import { definitionOf, type Entry } from './entries';
import { effectiveEntries } from './fold-job';

/**
 * The entries whose standing an append changes, in either direction: written, undone, brought back
 * or replaced.
 */
export interface Effect {
  /** Stand now and did not before. */
  begun: Entry[];
  /** Stood before and do not now. */
  ended: Entry[];
}

/** Only these can change whether an earlier entry stands. */
const reachesBack = (entry: Entry): boolean =>
  entry.kind === 'undo' || entry.replaces !== undefined;

/**
 * The effect of the entries of a log after the first `before`: what they bring about, whatever they
 * are called.
 */
export const effectOf = (log: readonly Entry[], before: number): Effect => {
  const more = log.slice(before);
  if (!more.some(reachesBack)) return { begun: more, ended: [] };
  const was = effectiveEntries(log.slice(0, before));
  const is = effectiveEntries(log);
  const wasIds = new Set(was.map((e) => e.id));
  const isIds = new Set(is.map((e) => e.id));
  return { begun: is.filter((e) => !wasIds.has(e.id)), ended: was.filter((e) => !isIds.has(e.id)) };
};

/** The rights that an effect needs. */
export const rightsFor = ({ begun, ended }: Effect): Right[] => [
  ...new Set([...begun, ...ended].map((e) => definitionOf(e.kind).right)),
];
