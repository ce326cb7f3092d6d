import { brakeDrag, discRunout, SPINS } from '.';
import { problemOf } from '../../../../tests/sample';

const ring = (of: (deg: number) => number, step = 30) =>
  Array.from({ length: 360 / step }, (_, i) => ({ angleDeg: i * step, lateralMm: of(i * step) }));

describe('disc-runout', () => {
  const wave = (sizeMm: number, highDeg: number) =>
    ring((deg) => sizeMm * Math.cos(((deg - highDeg) * Math.PI) / 180));
  test('a disc that wobbles once a turn: total and place', () => {
    const { result, verdict } = discRunout.run({ readings: wave(0.1, 120), limitMm: 0.2 });
    expect([result.totalMm, result.highDeg].map((v) => Number(v.toFixed(6)))).toEqual([0.2, 120]);
    expect(verdict).toBe('good');
    expect(discRunout.run({ readings: wave(0.101, 120), limitMm: 0.2 }).verdict).toBe('stop');
  });
  test('without the manual’s limit it is never good', () => {
    expect(discRunout.run({ readings: wave(0.01, 0) }).verdict).toBe('check');
    expect(discRunout.run({ readings: wave(0.16, 0) }).verdict).toBe('stop');
    expect(
      discRunout.run({ readings: wave(0.16, 0), rules: { 'disc.runoutMm': 0.5 } }).verdict,
    ).toBe('check');
  });
  test('readings up and down alone, and too few places, are refused', () => {
    expect(
      problemOf(() => discRunout.run({ readings: [{ angleDeg: 0, radialMm: 1 }] })).message,
    ).toMatch(/side to side/);
    expect(problemOf(() => discRunout.run({ readings: ring(() => 0, 120) })).message).toMatch(
      /too few/,
    );
  });
});

describe('brake-drag', () => {
  test('never good without a firm brake, nor where it drags; a wheel that does not turn is a stop', () => {
    for (const drum of [true, false]) {
      const verdicts = SPINS.map((spin) => brakeDrag.run({ firm: true, spin, drum }).verdict);
      expect(verdicts).toEqual(['good', 'check', 'check', 'stop']);
      for (const spin of SPINS)
        expect(brakeDrag.run({ firm: false, spin, drum }).verdict).toBe('stop');
    }
    expect(
      brakeDrag.run({ firm: true, spin: 'at one place', drum: false }).result.reasons[1]!.says,
    ).toMatch(/runout of the disc/);
    expect(
      brakeDrag.run({ firm: true, spin: 'at one place', drum: true }).result.reasons[1]!.says,
    ).toMatch(/Drum/i);
  });
  test('the pull at the tread is a torque; what bearings take is not the brake’s', () => {
    const { result } = brakeDrag.run({
      firm: true,
      spin: 'free',
      drum: false,
      pullN: 5,
      freePullN: 3,
      radiusMm: 300,
    });
    expect([result.dragNm, result.brakeNm]).toEqual([1.5, expect.closeTo(0.6, 9)]);
    expect(
      brakeDrag.run({ firm: true, spin: 'free', drum: false, pullN: 5 }).result.dragNm,
    ).toBeNull();
    expect(
      brakeDrag.run({
        firm: true,
        spin: 'free',
        drum: false,
        pullN: 2,
        freePullN: 3,
        radiusMm: 300,
      }).result.brakeNm,
    ).toBe(0);
  });
});

describe('the pull at the tread beside the hand', () => {
  const run = (more: object) =>
    brakeDrag.run({ firm: true, spin: 'free', drum: false, radiusMm: 318, ...more });
  const says = (more: object) =>
    run(more)
      .result.reasons.map((r) => r.says)
      .join(' ');

  test('a wheel that takes 300 N to turn is not good, whatever the hand says', () => {
    expect(run({ pullN: 300 }).verdict).toBe('stop');
    expect(says({ pullN: 300 })).toMatch(
      /It drags with 95\.4 N·m; 12\.0 N·m is the limit\. Do not ride/,
    );
    expect(run({ pullN: 15 }).verdict).toBe('check');
    expect(run({ pullN: 9 }).verdict).toBe('good');
    // What bearings and seals take is not the brake's.
    expect(run({ pullN: 15, freePullN: 8 }).verdict).toBe('good');
  });

  test('a pull with the pads apart that is higher than with them in place cannot be', () => {
    expect(run({ pullN: 4, freePullN: 9 }).verdict).toBe('check');
    expect(says({ pullN: 4, freePullN: 9 })).toMatch(/that cannot be\. Measure both again/);
    expect(run({ pullN: 4, freePullN: 4 }).verdict).toBe('good');
  });

  test('the limits are those of the shop', () => {
    expect(run({ pullN: 15, rules: { 'brake.dragCheckNm': 6 } }).verdict).toBe('good');
    expect(run({ pullN: 15, rules: { 'brake.dragStopNm': 4 } }).verdict).toBe('stop');
  });
});
