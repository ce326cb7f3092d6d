import { PROOF_STEPS } from './procedure';
import { brakeEntry } from './kinds/brake';
import { tickOf } from './step-tick';
import type { Entry, EntryData, EntryKind } from './entries';
import { foldJob } from './folded-log';

let seq = 0;
const entry = <K extends EntryKind>(kind: K, data: EntryData[K], id = `e-${++seq}`) =>
  ({
    id,
    seq: ++seq,
    who: 'Juna Birk',
    at: '2026-05-04T08:00:00.000Z',
    station: 'seat',
    kind,
    data,
  }) as Entry;
const stepsOf = (...log: Entry[]) => Object.keys(foldJob(log).steps).sort();
const reading = { gaugeKpa: 100, shopC: 20, rideC: 20, rideKpa: 100 };
const slack = (when: 'before' | 'after') =>
  entry('slack', { when, placesMm: [40], wantMinMm: 30, wantMaxMm: 45, runMm: 550, pitchMm: null });
const marks = entry('marks', { leftMm: 4, rightMm: 4, spanMm: 250, chainSide: 'left' });

test('one bead seated does nothing; both do the pops and the line, and one that is not takes no step back', () => {
  const disc = entry('seated', { side: 'disc', seated: true });
  const other = entry('seated', { side: 'other', seated: true });
  expect(stepsOf(disc)).toEqual([]);
  expect(stepsOf(disc, entry('seated', { side: 'other', seated: false }))).toEqual([]);
  expect(stepsOf(disc, other)).toEqual(['seat-line', 'seat-pops']);
  expect(stepsOf(disc, other, entry('undo', { entryId: other.id }))).toEqual([]);
});

test('slack after the last turn counts with the marks only, in either order; slack before it never', () => {
  expect(stepsOf(slack('after'))).toEqual([]);
  expect(stepsOf(marks, slack('before'))).toEqual([]);
  expect(stepsOf(marks, slack('after'))).toEqual(['back-align']);
  expect(stepsOf(slack('after'), marks)).toEqual(['back-align']);
});

test('a firm brake is felt, a free wheel is spun, and neither says the other', () => {
  const brake = (data: EntryData['brake']) => brakeEntry.steps?.(data, { brake: data });
  expect(brake({ firm: true, spin: 'free' })).toEqual([
    PROOF_STEPS.brake,
    PROOF_STEPS.pedal,
    'back-spin',
  ]);
  expect(brake({ firm: true, spin: 'all round' })).toEqual([PROOF_STEPS.brake, PROOF_STEPS.pedal]);
  expect(brake({ firm: false, spin: 'free' })).toEqual(['back-spin']);
  expect(brake({ firm: false, spin: 'stuck' })).toEqual([]);
});

test('a reading does its step by its own name and time; a step that was ticked before keeps who ticked it', () => {
  const tick = { ...entry('step', { stepId: 'set-pressure' }), who: 'Osk Tarrow' } as Entry;
  const set = entry('pressure-set', reading as EntryData['pressure-set']);
  expect(foldJob([set]).steps['set-pressure']).toEqual({
    who: 'Juna Birk',
    at: set.at,
    entryId: set.id,
  });
  expect(foldJob([tick, set]).steps['set-pressure']!.who).toBe('Osk Tarrow');
});

test('the molded line is ticked by what was looked at; any other step by itself', () => {
  expect(tickOf('set-cap')).toEqual([{ kind: 'step', data: { stepId: 'set-cap' } }]);
  expect(stepsOf(...tickOf('seat-line').map(({ kind, data }) => entry(kind, data)))).toEqual([
    'seat-line',
    'seat-pops',
  ]);
  expect(foldJob(tickOf('seat-line').map(({ kind, data }) => entry(kind, data))).seated).toEqual({
    disc: true,
    other: true,
  });
});
