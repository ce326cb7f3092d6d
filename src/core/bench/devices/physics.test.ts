import {
  AT_REST,
  breakAndLubricate,
  emptyTire,
  hoseKpa,
  hoseStep,
  pullOn,
  type HoseAir,
  type HoseTire,
  type Valve,
} from '.';

const tire: HoseTire = {
  volumeL: 18,
  ambientC: 20,
  popKpa: { disc: 120, other: 190 },
  dryTimes: 1.6,
  supplyKpa: 800,
  fillMolPerSKpa: 1.2e-4,
  coreOutTimes: 3,
  leakMolPerSKpa: 0,
};

/** Runs the hose until `until` holds or the time is over. */
const run = (
  start: HoseAir,
  valve: Valve,
  seconds: number,
  until: (air: HoseAir) => boolean = () => false,
  of = tire,
  coreOut = false,
) => {
  let air = start;
  let t = 0;
  const popped: string[] = [];
  for (; t < seconds && !until(air); t += 0.05) {
    const step = hoseStep(of, air, valve, coreOut, 0.05);
    air = step.air;
    popped.push(...step.popped);
  }
  return { air, popped, t };
};

describe('a tire on the hose', () => {
  test('starts with nothing but outside air, and keeps it', () => {
    const air = emptyTire(tire, true);
    expect(hoseKpa(tire, air)).toBeCloseTo(0, 9);
    expect(hoseKpa(tire, run(air, 'hold', 10).air)).toBeCloseTo(0, 6);
  });

  test('beads let go one after the other, where they should, and only once', () => {
    const filled = run(emptyTire(tire, true), 'in', 60, (a) => hoseKpa(tire, a) > 250);
    expect(filled.popped).toEqual(['disc', 'other']);
    expect(run(emptyTire(tire, true), 'in', 60, (a) => hoseKpa(tire, a) > 115).popped).toEqual([]);
    // Dry it takes 1.6 times as much: the second one is beyond 40 psi.
    const dry = run(emptyTire(tire, false), 'in', 60, (a) => hoseKpa(tire, a) > 275);
    expect([dry.popped, dry.air.seated]).toEqual([['disc'], { disc: true, other: false }]);
    expect(
      run(breakAndLubricate(run(dry.air, 'out', 300).air), 'in', 60, (a) => hoseKpa(tire, a) > 250)
        .popped,
    ).toEqual(['disc', 'other']);
  });

  test('filling warms the air; it cools, and ends where the gas law says', () => {
    const { air } = run(emptyTire(tire, true), 'in', 60, (a) => hoseKpa(tire, a) > 250);
    const warm = hoseKpa(tire, air);
    expect(air.gasK).toBeGreaterThan(300);
    const cold = run(air, 'hold', 300).air;
    expect(cold.gasK).toBeCloseTo(293.15, 2);
    // p V = n R T, with the molar gas constant 8.314462618 J/(mol·K) of CODATA 2018 and both beads
    // on.
    expect(hoseKpa(tire, cold)).toBeCloseTo(
      (cold.mol * 8.314462618 * 293.15) / 0.018 / 1000 - 101.325,
      2,
    );
    expect(hoseKpa(tire, cold)).toBeLessThan(warm - 5);
  });

  test('a regulated hose reaches what it is set to, and never passes it', () => {
    const regulated = { ...tire, supplyKpa: 200 };
    let highest = 0;
    const { air } = run(
      emptyTire(regulated, true),
      'in',
      120,
      (a) => {
        highest = Math.max(highest, hoseKpa(regulated, a));
        return false;
      },
      regulated,
    );
    expect(hoseKpa(regulated, air)).toBeGreaterThan(198);
    expect(highest).toBeLessThan(200.5);
  });

  test('with the core out it goes faster, out as in; it never falls below the outside air', () => {
    const slow = run(emptyTire(tire, true), 'in', 90, (a) => hoseKpa(tire, a) > 100);
    const fast = run(emptyTire(tire, true), 'in', 90, (a) => hoseKpa(tire, a) > 100, tire, true);
    expect(slow.t / fast.t).toBeGreaterThan(2);
    const out = run(fast.air, 'out', 200, undefined, tire, true).air;
    expect(hoseKpa(tire, out)).toBeGreaterThan(-1.5);
    expect(hoseKpa(tire, out)).toBeLessThan(1);
  });

  test('a leak loses air only where there is one', () => {
    const full = run(
      run(emptyTire(tire, true), 'in', 60, (a) => hoseKpa(tire, a) > 200).air,
      'hold',
      300,
    ).air;
    expect(run(full, 'hold', 60).air.mol).toBe(full.mol);
    expect(
      run(full, 'hold', 60, undefined, { ...tire, leakMolPerSKpa: 2e-5 }).air.mol,
    ).toBeLessThan(full.mol * 0.95);
  });
});

describe('a wrench on a bolt', () => {
  const wrench = { setNm: 60, minNm: 27, maxNm: 203 };
  const pull = (of: typeof wrench) => {
    let state = AT_REST;
    let clickAt: number | null = null;
    let peak = 0;
    for (let i = 0; i < 120; i++) {
      const next = pullOn(of, state, true, 0.05);
      state = next.pull;
      peak = Math.max(peak, state.torqueNm);
      if (next.click) clickAt = state.torqueNm;
    }
    return { clickAt, peak, state };
  };

  test('clicks once at its setting, the hand goes a little past it and lets go', () => {
    const { clickAt, peak, state } = pull(wrench);
    expect(clickAt).toBeGreaterThanOrEqual(60);
    expect(clickAt).toBeLessThan(63);
    expect(peak).toBeGreaterThan(clickAt!);
    expect(peak).toBeLessThan(60 * 1.2);
    expect(state.torqueNm).toBe(0);
    expect(pullOn(wrench, state, false, 0.05).pull).toEqual(AT_REST);
  });

  test('a hand that pulls again before the bar is slack clicks again', () => {
    let state = { ...AT_REST, torqueNm: 66, clicked: true, sinceS: 1 };
    state = pullOn(wrench, state, false, 0.05).pull;
    expect(state.torqueNm).toBeGreaterThan(0);
    let clicks = 0;
    for (let i = 0; i < 100; i++) {
      const next = pullOn(wrench, state, true, 0.05);
      state = next.pull;
      clicks += Number(next.click);
    }
    expect(clicks).toBe(1);
  });

  test('below its scale it never clicks', () =>
    expect(pull({ ...wrench, setNm: 16 }).clickAt).toBeNull());
});
