import { isDeepStrictEqual } from 'node:util';
import { IdTaken } from '../errors';

/**
 * The stored entries for an append that a client repeats after losing the response; `thereOf` is
 * the entry of the same id. Throws `IdTaken` where there is none in this log, or it says something
 * else.
 */
export const repeatedAppend = <E extends { seq: number; at: string; arrivedAt?: string }>(
  bodies: readonly object[],
  thereOf: (index: number) => E | undefined,
): E[] =>
  bodies.map((body, i) => {
    const there = thereOf(i);
    const { seq: _seq, at: _at, arrivedAt: _arrivedAt, ...said } = there ?? {};
    // As it comes back from the database.
    if (!there || !isDeepStrictEqual(said, JSON.parse(JSON.stringify(body))))
      throw new IdTaken('entries', 'An entry');
    return there;
  });
