import { complete } from '../shop';
import { adjustment, balancingOf, foldJob, levelVerdict } from '.';
import { logOf, sampleMachine, sampleWheel } from '../../../tests/sample';
import type { WeightItem } from '../shop';

const WEIGHTS: WeightItem[] = [
  complete('weights', { id: 'a', massG: 5, kind: 'spoke', count: 20 }),
  complete('weights', { id: 'b', massG: 20, kind: 'spoke', count: 8 }),
  complete('weights', { id: 'c', massG: 7, kind: 'adhesive', count: 30 }),
  complete('weights', { id: 'd', massG: 10, kind: 'spoke', count: 0 }),
];

const started = (wheel = sampleWheel()) => {
  const l = logOf().open(sampleMachine(), wheel);
  return { ...l, now: () => balancingOf(foldJob(l.log), WEIGHTS), state: () => foldJob(l.log) };
};

describe('the stages of balancing', () => {
  test('rest, trial, place, check', () => {
    const l = started();
    expect(l.now()).toMatchObject({ stage: 'rest', restDeg: null, found: null, placed: null });
    l.add('rest', { restDeg: 212 });
    l.add('rest', { restDeg: 208 });
    expect(l.now().stage).toBe('rested');
    expect(l.now().restDeg).toBeCloseTo(210, 6);
    l.add('trial-rest', { trialMassG: 20, trialDeg: 300, restDeg: 236.57 });
    const placing = l.now();
    expect(placing.stage).toBe('place');
    expect(placing.found?.ok && placing.found.working.result.heavyMassG).toBeCloseTo(40, 1);
    expect(placing.placed?.ok && placing.placed.working.result.residualG).toBeLessThan(5);
    l.add('weights', { pieces: [{ massG: 20, deg: 25, side: 'near' }, { massG: 20, deg: 35, side: 'far' }], residualG: 1 });
    expect(l.now().stage).toBe('check');
  });

  test('a trial that cannot tell asks for another', () => {
    const l = started();
    l.add('rest', { restDeg: 210 });
    l.add('trial-rest', { trialMassG: 5, trialDeg: 300, restDeg: 211 });
    expect(l.now()).toMatchObject({ stage: 'again', found: { ok: false, problem: { field: 'restWithTrialDeg' } }, placed: null });
  });

  test('only weights that hold on this wheel and are on the shelf', () => {
    expect(started().now().stock.map((s) => s.massG)).toEqual([5, 20]);
    expect(started(sampleWheel({ build: 'cast' })).now().stock.map((s) => s.massG)).toEqual([7]);
  });
});

describe('the checks at 3 and 9', () => {
  test.each([
    [{}, null],
    [{ 3: 'stays' }, null],
    [{ 3: 'stays', 9: 'stays' }, 'balanced'],
    [{ 3: 'rises' }, 'too little'],
    [{ 3: 'stays', 9: 'rises' }, 'too little'],
    [{ 3: 'sinks', 9: 'sinks' }, 'too much'],
    [{ 3: 'rises', 9: 'sinks' }, 'unclear'],
  ] as const)('%j is %s', (checks, verdict) => {
    expect(levelVerdict(checks)).toBe(verdict);
  });

  const checked = (moved: 'rises' | 'sinks' | 'stays') => {
    const l = started();
    l.add('rest', { restDeg: 210 });
    l.add('trial-rest', { trialMassG: 20, trialDeg: 300, restDeg: 236.57 });
    l.add('weights', { pieces: [{ massG: 20, deg: 25, side: 'near' }, { massG: 5, deg: 35, side: 'far' }], residualG: 15 });
    l.add('level-check', { clock: 3, moved });
    return adjustment(l.state(), l.now());
  };

  test('too little: one more of the smallest, at the place nearest the counterweight', () => {
    const change = checked('rises')!;
    expect(change.piece).toEqual({ massG: 5, deg: 25, side: 'near' });
    expect(change.pieces).toHaveLength(3);
    expect(change.residualG).toBeLessThan(12);
  });

  test('too much: the smallest comes off', () => {
    const change = checked('sinks')!;
    expect(change.piece).toEqual({ massG: 5, deg: 35, side: 'far' });
    expect(change.pieces).toEqual([{ massG: 20, deg: 25, side: 'near' }]);
  });

  test('what stays needs no change', () => {
    expect(checked('stays')).toBeNull();
  });
});
