import { DEFAULT_UNITS } from '../base/units';
import { FINDINGS, INSPECTED } from '../bench/inspect';
import { dialMarks, entryText, foldJob } from '.';
import { findingsEntry } from './kinds/findings';
import { logOf, problemOf } from '../../../tests/sample';

const dent = { finding: 'rim-dent', deg: 210 };

test('a finding keeps its place, is told with it, and is marked while it is looked at', () => {
  const log = logOf().open();
  log.add('findings', { part: 'bead', found: ['rim-dent', 'wet'], places: [dent] });
  expect(entryText(log.log.at(-1)!, DEFAULT_UNITS, new Map())).toBe(
    'Bead, seat and rim: a dent at the seat or flange at 7 o’clock (210°), water or oil inside',
  );
  const state = foldJob(log.log);
  const marks = (station: Parameters<typeof dialMarks>[1]) =>
    dialMarks(state, station).filter((m) => m.is === 'finding');
  expect(marks('inspect')).toEqual([{ is: 'finding', deg: 210, label: 'dent' }]);
  // Later another tire is on.
  expect(marks('balance')).toEqual([]);
});

test('the last look at a part replaces the one before, with its places; undo brings that back', () => {
  const log = logOf().open();
  log.add('findings', { part: 'bead', found: ['rim-dent'], places: [dent] });
  const second = log.add('findings', { part: 'bead', found: ['wet'] });
  expect(foldJob(log.log).findingPlaces.bead).toEqual([]);
  log.add('undo', { entryId: second });
  expect(foldJob(log.log).findingPlaces.bead).toEqual([dent]);
});

test('a place without its finding is refused by its field', () => {
  const problem = problemOf(() =>
    findingsEntry.check?.({ part: 'bead', found: ['wet'], places: [dent] }),
  );
  expect(problem.field).toBe('places[0].finding');
});

test('a valve that was found at a slant leans on the dial', () => {
  const leans = (found: string[]) => {
    const log = logOf().open();
    log.add('findings', { part: 'tube', found });
    return dialMarks(foldJob(log.log), 'inspect').some((m) => m.is === 'lean');
  };
  expect(leans(['valve-leans'])).toBe(true);
  expect(leans(['fold'])).toBe(false);
});

test('words of findings on the dial are short', () => {
  const marks = INSPECTED.flatMap((part) => FINDINGS[part].flatMap((f) => f.mark ?? []));
  expect(marks.length).toBeGreaterThan(5);
  for (const mark of marks) expect(mark.length).toBeLessThanOrEqual(10);
});
