import { fittedArc, bitesOf, foldJob, orientationOf, schoolsOf } from '.';
import { angleBetween } from '../base/units';
import { logOf, sampleMachine, sampleWheel } from '../../../tests/sample';

test('a school is changed for the job, undone with its entry, and says what another choice would change', () => {
  const l = logOf().open();
  const before = schoolsOf(foldJob(l.log)).find((s) => s.school === 'tube.in')!;
  expect(before.value).toBe('after the first bead');
  expect(before.others[0]).toMatchObject({
    value: 'with the tire',
    changes: [
      expect.stringMatching(/^in: Tube into the tire/),
      expect.stringMatching(/^out: Tube in, valve through/),
    ],
  });
  const id = l.add('school', { school: 'tube.in', value: 'with the tire' });
  expect(schoolsOf(foldJob(l.log)).find((s) => s.school === 'tube.in')!.value).toBe(
    'with the tire',
  );
  l.add('undo', { entryId: id });
  expect(schoolsOf(foldJob(l.log)).find((s) => s.school === 'tube.in')!.value).toBe(
    'after the first bead',
  );
});

test('where the levers start changes the bites, in clock hours', () => {
  const bites = schoolsOf(foldJob(logOf().open().log)).find((s) => s.school === 'bite.start')!;
  expect(bites.others.find((o) => o.value === 'opposite the valve')!.changes).toContain(
    'levers off: start at 6:00 in place of 1:00, both ways',
  );
});

test('every other choice changes something on a wheel that has the part, and says what', () => {
  const said = schoolsOf(foldJob(logOf().open().log));
  for (const { school, others, why } of said) {
    expect(why.length).toBeGreaterThan(20);
    if (school !== 'ring.order')
      for (const o of others)
        expect([school, o.value, o.changes.length > 0]).toEqual([school, o.value, true]);
  }
  const of = (school: string) => said.find((s) => s.school === school)!.others[0]!.changes;
  expect(of('disc.levers')[0]).toMatch(/^caution: A lever near the disc only padded/);
  expect(of('lever.tool').filter((c) => c.startsWith('in: Strap'))).toHaveLength(1);
  expect(of('balance.sides')).toEqual(['weights: all on one side']);
  const locked = foldJob(
    logOf().open(
      sampleMachine({ kind: 'side-by-side' }),
      sampleWheel({ build: 'beadlock', tube: false, rimLockDegs: [] }),
    ).log,
  );
  expect(schoolsOf(locked).find((s) => s.school === 'ring.order')!.others[0]!.changes[0]).toMatch(
    /^in: Anti-seize.*crossing/,
  );
});

test('a wheel that is not levered has nothing to change there', () => {
  const split = foldJob(
    logOf().open(
      sampleMachine({ kind: 'scooter' }),
      sampleWheel({
        build: 'split',
        rimCode: 'unreadable',
        tireMarking: '3.50-10',
        rimLockDegs: [],
      }),
    ).log,
  );
  expect(bitesOf(split, 'off')!.bites.length).toBeGreaterThan(3);
  for (const school of ['tube.out', 'bite.start'])
    for (const o of schoolsOf(split).find((s) => s.school === school)!.others)
      expect(o.changes).toEqual([]);
});

test('which way the arrow must point follows the side that is up, and a tire that lies wrong is refused', () => {
  const state = foldJob(
    logOf().open(sampleMachine(), sampleWheel({ discSide: 'right', heavySpotDeg: 30 })).log,
  );
  const needs = (sideUp: 'disc' | 'other') => {
    const tried = orientationOf(state, sideUp);
    return tried?.ok ? tried.working.result.arrowNeeds : null;
  };
  expect([needs('disc'), needs('other')]).toEqual(['clockwise', 'counterclockwise']);
  expect(orientationOf(state, 'disc', 'counterclockwise')).toMatchObject({
    ok: true,
    working: { verdict: 'stop' },
  });
  expect(
    orientationOf({ ...state, rules: { 'lightMark.to': 'heavy spot' } }, 'other'),
  ).toMatchObject({ ok: true, working: { result: { markDeg: 330 } } });
  expect(orientationOf(foldJob([]), 'disc')).toBeNull();
});

test('halfway, the fitted part is the hand-fitted arc and the bites done, whichever way they run', () => {
  const state = foldJob(logOf().open().log);
  for (const value of [
    'lock nearest',
    'opposite the valve',
    'a quarter away',
    'valve last',
    'clear of the valve',
  ]) {
    const plan = bitesOf({ ...state, rules: { 'bite.start': value } }, 'on')!;
    const half = Math.ceil(plan.bites.length / 2);
    const arc = fittedArc(plan, half);
    const span = (((arc.toDeg - arc.fromDeg) % 360) + 360) % 360;
    expect(span).toBeGreaterThan(190);
    expect(span).toBeLessThan(270);
    if (plan.way === 'both') {
      const middle = arc.fromDeg + span / 2;
      expect(Math.abs(angleBetween(plan.startDeg, middle))).toBeLessThan(12);
    }
  }
});
