import { sampleWheel } from '../../../tests/sample';
import type { Machine, Wheel } from '../wheels';
import { findRule } from '../rules';
import { procedureFor, schoolChoices, SCHOOLS } from '.';

const ids = (wheel: Partial<Wheel> = {}, more: Partial<Parameters<typeof procedureFor>[0]> = {}, machine: Partial<Machine> = {}) =>
  procedureFor({
    machine: { kind: 'dirt', drive: 'chain', ...machine }, wheel: sampleWheel(wheel), tube: true, lightMark: true, rules: {}, ...more,
  }).map((s) => s.id);

const cast: Partial<Wheel> = { build: 'cast', tube: false, rimLockDegs: [], spokes: 0 };

test('a dirt rear wheel with one lock, whole', () => {
  expect(ids()).toEqual([
    'off-cool', 'off-loosen', 'off-lift', 'off-mark', 'off-caliper', 'off-chain', 'off-out', 'off-axle',
    'toff-core', 'toff-nut', 'toff-lock', 'toff-break', 'toff-soap', 'toff-first', 'toff-tube', 'toff-second',
    'in-clean', 'in-cracks', 'in-spokes', 'in-true', 'in-old-weights', 'in-strip', 'in-lock',
    'on-arrow', 'on-shake', 'on-powder', 'on-tube-air', 'on-soap', 'on-first', 'on-tube', 'on-lock-feel', 'on-mark', 'on-start', 'on-half', 'on-last', 'on-look',
  ]);
});

test('a tubeless cast wheel has no tube, strip, lock or spoke steps, and gets a new stem', () => {
  const steps = ids(cast, { tube: false }, { kind: 'road' });
  expect(steps.filter((s) => /tube|strip|lock|spoke|powder|nut/.test(s))).toEqual([]);
  expect(steps).toContain('in-stem');
});

test('a split rim deflates before anything and is never levered', () => {
  const steps = ids({ ...cast, build: 'split', tube: true, discSide: 'none' }, {}, { kind: 'scooter', drive: 'hub' });
  const off = steps.filter((s) => s.startsWith('toff'));
  expect(off[0]).toBe('toff-split-deflate');
  expect(off.indexOf('toff-split-deflate')).toBeLessThan(off.indexOf('toff-break-split'));
  expect(steps.filter((s) => /first|second$|start|half|last/.test(s))).toEqual([]);
  expect(steps).toContain('off-brake-drum');
});

test('a beadlock is clamped, not levered, and its crush is noted', () => {
  const steps = ids({ ...cast, build: 'beadlock' }, { tube: false }, { kind: 'side-by-side', drive: 'shaft' });
  expect(steps).toEqual(expect.arrayContaining(['toff-split-deflate', 'toff-ring', 'in-gap', 'on-step']));
  expect(steps).not.toContain('toff-first');
});

test('a front wheel has no chain; a shaft is kept upright; a belt is eased', () => {
  expect(ids({ position: 'front' })).not.toContain('off-chain');
  expect(ids({}, {}, { drive: 'shaft' })).toContain('off-shaft');
  expect(ids({}, {}, { drive: 'belt' })).toContain('off-belt');
});

test('a tire without a light mark has no step for it', () => {
  expect(ids({}, { lightMark: false })).not.toContain('on-mark');
});

test('two locks are spoken of as two', () => {
  const say = procedureFor({ machine: { kind: 'dirt', drive: 'chain' }, wheel: sampleWheel({ rimLockDegs: [120, 240] }), tube: true, lightMark: true, rules: {} })
    .find((s) => s.id === 'toff-lock')!.say;
  expect(say).toMatch(/rim locks/);
});

test('wherever a wheel can hurt someone there is a caution', () => {
  const cautions = (wheel: Partial<Wheel>) =>
    procedureFor({ machine: { kind: 'scooter', drive: 'hub' }, wheel: sampleWheel(wheel), tube: true, lightMark: false, rules: {} })
      .map((s) => s.caution ?? '')
      .join(' ');
  expect(cautions({ build: 'split' })).toMatch(/Deflate fully before undoing any rim bolt/);
  expect(cautions({ build: 'beadlock' })).toMatch(/maker\u2019s manual/);
  expect(cautions({})).toMatch(/Never hook a lever under the disc/);
  expect(cautions({})).not.toMatch(/use more force/);
});

test('no step is listed twice, and all stand in the order of the stations', () => {
  for (const build of ['spoked', 'cast', 'split', 'beadlock'] as const) {
    const steps = procedureFor({ machine: { kind: 'road', drive: 'chain' }, wheel: sampleWheel({ build }), tube: true, lightMark: true, rules: {} });
    expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
    const order = ['wheel-off', 'tire-off', 'inspect', 'tire-on'];
    const at = steps.map((s) => order.indexOf(s.station));
    expect(at).toEqual([...at].sort((a, b) => a - b));
  }
});

describe('schools', () => {
  test('the old tube at once, or left in and felt for', () => {
    expect(ids()).not.toContain('toff-tube-feel');
    const left = ids({}, { rules: { 'tube.out': 'left in' } });
    expect(left.filter((s) => s.startsWith('toff-')).slice(-3)).toEqual(['toff-tube-feel', 'toff-second', 'toff-tube-late']);
    expect(left).not.toContain('toff-tube');
  });

  test('the new tube with the tire, or after the first bead', () => {
    const inside = ids({}, { rules: { 'tube.in': 'with the tire' } });
    expect(inside.indexOf('on-tube-inside')).toBe(inside.indexOf('on-first') - 1);
    expect(inside).not.toContain('on-tube');
    expect(ids(cast, { tube: false, rules: { 'tube.in': 'with the tire' } })).not.toContain('on-tube-inside');
  });

  test('every school is a rule with more than one choice and a reason for them', () => {
    for (const school of SCHOOLS) {
      expect(schoolChoices(school).length).toBeGreaterThan(1);
      expect(findRule(school).note.length).toBeGreaterThan(30);
    }
  });
});

/** Whatever the wheel and the schools, the order that keeps people whole holds. */
test('air comes out before a bead is broken or a rim bolt undone, on every wheel', () => {
  for (const build of ['spoked', 'cast', 'split', 'beadlock'] as const)
    for (const tubeOut of schoolChoices('tube.out'))
      for (const tubeIn of schoolChoices('tube.in'))
        for (const withTube of [true, false]) {
          const steps = ids({ build, tube: withTube }, { tube: withTube, rules: { 'tube.out': tubeOut, 'tube.in': tubeIn } });
          const first = (...wanted: string[]) => steps.findIndex((s) => wanted.includes(s));
          expect(first('toff-core', 'toff-split-deflate')).toBeGreaterThanOrEqual(0);
          expect(first('toff-core', 'toff-split-deflate')).toBeLessThan(first('toff-break', 'toff-break-split', 'toff-ring'));
          expect(new Set(steps).size).toBe(steps.length);
        }
});

/** Whole procedures, station by station: a change in any of them is meant, or it is a mistake. */
describe('golden procedures', () => {
  const shaped = (wheel: Partial<Wheel>, machine: Partial<Machine>, tube: boolean, rules = {}) => {
    const steps = ids(wheel, { tube, lightMark: true, rules }, machine);
    const of = (prefix: string) => steps.filter((s) => s.startsWith(`${prefix}-`)).map((s) => s.slice(prefix.length + 1)).join(' ');
    return { off: of('off'), toff: of('toff'), in: of('in'), on: of('on') };
  };

  test.each<[string, Partial<Wheel>, Partial<Machine>, boolean, ReturnType<typeof shaped>]>([
    ['road, cast, tubeless, rear with chain', { ...cast }, { kind: 'road' }, false, {
      off: 'cool loosen lift mark caliper chain out axle',
      toff: 'core break soap first second',
      in: 'clean cracks true old-weights stem',
      on: 'arrow shake soap first mark start half last look',
    }],
    ['cruiser, cast, rear with shaft', { ...cast }, { kind: 'cruiser', drive: 'shaft' }, false, {
      off: 'cool loosen lift mark caliper shaft out axle',
      toff: 'core break soap first second',
      in: 'clean cracks true old-weights stem',
      on: 'arrow shake soap first mark start half last look',
    }],
    ['scooter, cast hub wheel with a drum', { ...cast, discSide: 'none' }, { kind: 'scooter', drive: 'hub' }, false, {
      off: 'cool loosen lift mark brake-drum out axle',
      toff: 'core break soap first second',
      in: 'clean cracks true old-weights stem',
      on: 'arrow shake soap first mark start half last look',
    }],
    ['scooter, split rim', { ...cast, build: 'split', tube: true, discSide: 'none' }, { kind: 'scooter', drive: 'hub' }, true, {
      off: 'cool loosen lift mark brake-drum out axle',
      toff: 'split-deflate nut break-split tube second-clamped',
      in: 'clean cracks true old-weights',
      on: 'arrow shake powder tube-air soap split mark look',
    }],
    ['adventure, spoked front with a tube', { position: 'front', rimLockDegs: [] }, { kind: 'adventure' }, true, {
      off: 'loosen lift mark caliper out axle',
      toff: 'core nut break soap first tube second',
      in: 'clean cracks spokes true old-weights strip',
      on: 'arrow shake powder tube-air soap first tube mark start half last look',
    }],
    ['quad, cast', { ...cast, position: 'left-front', discSide: 'none' }, { kind: 'quad', drive: 'chain' }, false, {
      off: 'loosen lift out',
      toff: 'core break soap first second',
      in: 'clean cracks true old-weights stem',
      on: 'arrow shake soap first mark start half last look',
    }],
    ['side-by-side, beadlock', { ...cast, position: 'right-rear', build: 'beadlock' }, { kind: 'side-by-side', drive: 'shaft' }, false, {
      off: 'loosen lift shaft out',
      toff: 'split-deflate ring second-clamped',
      in: 'clean cracks true old-weights stem gap',
      on: 'arrow shake soap step mark look',
    }],
  ])('%s', (_name, wheel, machine, tube, golden) => {
    expect(shaped(wheel, machine, tube)).toEqual(golden);
  });
});
