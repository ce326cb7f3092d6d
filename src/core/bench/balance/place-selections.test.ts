import fc from 'fast-check';
import type { PieceKind } from './place-layout';
import { selectionsOf } from './place-selections';

/** Every way to take pieces, without a thought. */
const allWays = (kinds: readonly PieceKind[]): number[][] =>
  kinds.reduce<number[][]>(
    (ways, { count }) =>
      ways.flatMap((way) => Array.from({ length: count + 1 }, (_, c) => [...way, c])),
    [[]],
  );
const heavy = (kinds: readonly PieceKind[], counts: readonly number[]) =>
  counts.reduce((sum, c, k) => sum + c * kinds[k]!.massG, 0);
const pieces = (counts: readonly number[]) => counts.reduce((a, b) => a + b, 0);

const someKinds = fc.array(
  fc.record({ massG: fc.integer({ min: 1, max: 30 }), count: fc.nat(3) }),
  { minLength: 1, maxLength: 4 },
) as fc.Arbitrary<PieceKind[]>;

test('all ways within the bounds and no others, by rising mass; as many as are allowed, and none of more', () => {
  fc.assert(
    fc.property(
      someKinds,
      fc.nat(60),
      fc.nat(60),
      fc.nat(4),
      fc.nat(5),
      (kinds, fromG, moreG, fewest, more) => {
        const wanted = { fromG, toG: fromG + moreG, fewest, most: fewest + more };
        const ways = allWays(kinds).filter((counts) => {
          const [massG, n] = [heavy(kinds, counts), pieces(counts)];
          return (
            massG >= wanted.fromG && massG <= wanted.toG && n >= wanted.fewest && n <= wanted.most
          );
        });
        const found = selectionsOf(kinds, wanted, ways.length)!;
        const sorted = (all: number[][]) => all.map((counts) => counts.join()).sort();
        expect(sorted(found.map((s) => s.counts))).toEqual(sorted(ways));
        expect(found.map((s) => s.massG)).toEqual(
          found.map((s) => heavy(kinds, s.counts)).sort((a, b) => a - b),
        );
        if (ways.length > 0) expect(selectionsOf(kinds, wanted, ways.length - 1)).toBeNull();
      },
    ),
    { numRuns: 300 },
  );
});
