import fc from 'fast-check';
import { foldedOn, foldJob, NO_LOG, type Entry } from '.';
import { howMany } from '../../../tests/case-count';
import { logOf } from '../../../tests/sample';

const PRESSURE = { gaugeKpa: 200, shopC: 20, rideC: 20, rideKpa: 200 };

type Act = { kind: 'pressure' | 'release' | 'note' | 'undo'; target: number };

const act: fc.Arbitrary<Act> = fc.record({
  kind: fc.constantFrom('pressure', 'release', 'note', 'undo', 'undo'),
  target: fc.nat(30),
});

/** A log of pressures, releases, notes and undos of anything after the opening. */
const logBy = (acts: readonly Act[]): readonly Entry[] => {
  const l = logOf().open();
  for (const { kind, target } of acts) {
    const earlier = l.log.slice(2);
    if (kind === 'pressure') l.add('pressure-set', PRESSURE);
    if (kind === 'release') l.add('handed-over', { to: 'the rider' });
    if (kind === 'note') l.add('note', { text: 'a note' });
    if (kind === 'undo' && earlier.length > 0)
      l.add('undo', { entryId: earlier[target % earlier.length]!.id });
  }
  return l.log;
};

/**
 * Whether an entry stands in a log: no undo of it that stands itself comes later. Told without the
 * fold.
 */
const stands = (log: readonly Entry[], id: string): boolean =>
  !log.some((e) => e.kind === 'undo' && e.data.entryId === id && stands(log, e.id));

const hasPressure = (log: readonly Entry[]): boolean =>
  log.some((e) => e.kind === 'pressure-set' && stands(log, e.id));

/**
 * The number of the entry that withdrew the proof of the last standing release; null when none did.
 */
const withdrawnAt = (log: readonly Entry[]): number | null => {
  const release = log.findLast((e) => e.kind === 'handed-over' && stands(log, e.id));
  if (!release || !hasPressure(log.slice(0, release.seq))) return null;
  const found = log
    .slice(release.seq)
    .find((e) => e.kind !== 'note' && !hasPressure(log.slice(0, e.seq)));
  return found?.seq ?? null;
};

test('a release is withdrawn by the first entry that takes away what it rested on, told by plain recursion', () => {
  let withdrawn = 0;
  fc.assert(
    fc.property(fc.array(act, { maxLength: 14 }), (acts) => {
      const log = logBy(acts);
      const found = foldJob(log).withdrawn;
      const at = withdrawnAt(log);
      expect(found === null).toBe(at === null);
      if (found === null) return;
      withdrawn++;
      expect(found).toMatchObject({ who: log[at! - 1]!.who, at: log[at! - 1]!.at });
      expect(found.points.map((p) => p.point)).toEqual(['pressure']);
    }),
    { numRuns: howMany(400, 5000), seed: 7 },
  );
  expect(withdrawn).toBeGreaterThan(5);
});

test('a log that grows in any pieces knows the same of its release as the whole log', () => {
  fc.assert(
    fc.property(
      fc.array(act, { maxLength: 14 }),
      fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1 }),
      (acts, pieces) => {
        const log = logBy(acts);
        let grown = NO_LOG;
        for (let at = 0, i = 0; at < log.length; i++) {
          const next = at + pieces[i % pieces.length]!;
          grown = foldedOn(grown, log.slice(at, next));
          at = next;
        }
        expect(grown.proof).toEqual(foldedOn(NO_LOG, log).proof);
        expect(grown.state).toEqual(foldJob(log));
      },
    ),
    { numRuns: howMany(200, 2000) },
  );
});
