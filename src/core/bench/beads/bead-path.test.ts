import fc from 'fast-check';
import { howMany } from '../../../../tests/case-count';
import { problemOf } from '../../../../tests/sample';
import { shortestLoopMm } from '../../../../tests/shortest-loop';
import { angleBetween } from '../../base/units';
import { beadPath, bitePlan, farSideOf, leverEffort, type BeadPath } from '.';

const WORKED = { beadMm: 459, wellMm: 430, flangeMm: 486, axialMm: 40, biteMm: 70 };
const SMALL = { beadMm: 305, wellMm: 281, flangeMm: 329, axialMm: 50, biteMm: 70 };
const run = (more: object = {}): BeadPath => beadPath.run({ ...WORKED, ...more }).result;

/** A rim as rims are: the well below the seat, the flange above it. */
const RIM = fc
  .record({
    beadMm: fc.double({ min: 200, max: 560, noNaN: true }),
    well: fc.double({ min: 4, max: 50, noNaN: true }),
    flange: fc.double({ min: 8, max: 45, noNaN: true }),
    axialMm: fc.double({ min: 0, max: 120, noNaN: true }),
    biteMm: fc.double({ min: 20, max: 150, noNaN: true }),
  })
  .map(({ well, flange, beadMm, ...rest }) => ({
    ...rest,
    beadMm,
    wellMm: beadMm - well,
    flangeMm: beadMm + flange,
  }));
const share = fc.double({ min: 0, max: 1, noNaN: true });

describe('the two bounds, as worked by hand', () => {
  test('the tightest moment is not the end: 33.3 mm with 72° left, 51.3 at the last bite', () => {
    const { hoopSlackMm, tightest, mostUpDeg, oneGoDeg, how } = run();
    expect(hoopSlackMm).toBeCloseTo(-0.74, 2);
    expect(tightest.loopSlackMm).toBeCloseTo(33.27, 2);
    expect(tightest.leftDeg).toBeCloseTo(72.06, 2);
    expect(tightest.leftMm).toBeCloseTo(305.6, 1);
    expect(run({ leftDeg: (70 / (Math.PI * 486)) * 360 }).loopSlackMm).toBeCloseTo(51.3, 2);
    expect(mostUpDeg).toBeCloseTo(131.5, 1);
    expect(oneGoDeg).toBeCloseTo(121.5, 1);
    expect(how).toBe('levers');
  });

  test('a shallow well has 4.4 mm with 65° left, and only 32° far side may ride up', () => {
    const { tightest, mostUpDeg } = run({ wellMm: 443 });
    expect(tightest.loopSlackMm).toBeCloseTo(4.43, 2);
    expect(tightest.leftDeg).toBeCloseTo(65.07, 2);
    expect(mostUpDeg).toBeCloseTo(31.7, 1);
  });

  test('with the far side on its seat all round it is 34.8 mm short, whatever the lever', () => {
    const { tightest, hoopSlackMm, how, reason } = run({ farUpDeg: 360 });
    expect(tightest.loopSlackMm).toBeCloseTo(-34.84, 2);
    expect(hoopSlackMm).toBeCloseTo(-15.19, 2);
    expect(how).toBe('stop');
    expect(reason.says).toMatch(/^34\.8 mm short: the far side is not down in the well/);
  });

  test('on a small wheel short bites pass where long ones do not', () => {
    const spare = (more: object) => beadPath.run({ ...SMALL, ...more }).result;
    expect(spare({}).tightest).toMatchObject({
      loopSlackMm: expect.closeTo(3.28, 2),
      leftDeg: expect.closeTo(87.06, 2),
    });
    expect(spare({ biteMm: 30 }).tightest.loopSlackMm).toBeCloseTo(9.11, 2);
    const far = spare({ axialMm: 55 });
    expect(far.how).toBe('stop');
    expect(far.reason.says).toMatch(/the bites are too long\. Use bites of 56 mm or less/);
    expect(spare({ axialMm: 55, biteMm: 30 }).how).toBe('levers');
    expect(
      spare({ axialMm: 55, biteMm: far.longestBiteMm! - 0.01 }).tightest.loopSlackMm,
    ).toBeGreaterThan(0);
    expect(
      spare({ axialMm: 55, biteMm: far.longestBiteMm! + 0.01 }).tightest.loopSlackMm,
    ).toBeLessThan(0);
  });
});

test('the loop is as long as the shortest way that is found by trying', () => {
  fc.assert(
    fc.property(RIM, share, (rim, part) => {
      const rise = 2 * Math.acos(rim.wellMm / rim.flangeMm);
      const biteRad = rim.biteMm / (rim.flangeMm / 2);
      const leftRad = biteRad + part * (Math.PI - biteRad);
      fc.pre(leftRad + rise < 2 * Math.PI);
      const { loopSlackMm } = beadPath.run({ ...rim, leftDeg: (leftRad * 180) / Math.PI }).result;
      const found = Math.PI * rim.beadMm - shortestLoopMm(rim, leftRad, biteRad);
      expect(Math.abs(loopSlackMm - found)).toBeLessThan(0.05);
    }),
    { numRuns: howMany(25, 1000) },
  );
});

describe('whatever the rim', () => {
  test('at the last instant a limp loop has more to spare than a stiff hoop; and nowhere less than where it is tightest', () => {
    fc.assert(
      fc.property(RIM, share, share, (rim, up, left) => {
        // A rise far steeper than on any rim would count twice what a hoop counts once.
        fc.pre(rim.axialMm < 0.08 * rim.beadMm);
        const farUpDeg = 360 * up;
        const atLast = beadPath.run({ ...rim, farUpDeg, leftDeg: 0 }).result;
        expect(atLast.loopSlackMm).toBeGreaterThanOrEqual(Math.PI * atLast.hoopSlackMm - 1e-6);
        const there = beadPath.run({ ...rim, farUpDeg, leftDeg: 360 * left }).result;
        expect(there.loopSlackMm).toBeGreaterThanOrEqual(there.tightest.loopSlackMm - 1e-6);
      }),
    );
  });

  test('less is to spare as the far side rises, the well fills or gets shallower, and the bites grow', () => {
    fc.assert(
      fc.property(
        RIM,
        share,
        share,
        fc.double({ min: 0, max: 12, noNaN: true }),
        (rim, a, b, more) => {
          const spare = (change: object) =>
            beadPath.run({ ...rim, ...change }).result.tightest.loopSlackMm;
          const [low, high] = [Math.min(a, b), Math.max(a, b)];
          expect(spare({ farUpDeg: 360 * high })).toBeLessThanOrEqual(
            spare({ farUpDeg: 360 * low }) + 1e-6,
          );
          expect(spare({ fillMm: more })).toBeLessThanOrEqual(spare({ fillMm: more * low }) + 1e-6);
          expect(
            spare({ wellMm: rim.wellMm + low * (rim.beadMm - rim.wellMm - 1) }),
          ).toBeLessThanOrEqual(spare({}) + 1e-6);
          expect(spare({ biteMm: rim.biteMm * (1 + high) })).toBeLessThanOrEqual(spare({}) + 1e-6);
          // A strip and a shallower well are the same to the bead.
          const strip = Math.min(more, (rim.beadMm - rim.wellMm) / 2 - 0.5);
          if (strip > 0)
            expect(spare({ fillMm: strip })).toBeCloseTo(
              spare({ wellMm: rim.wellMm + 2 * strip }),
              6,
            );
        },
      ),
    );
  });

  test('what it says of the far side, of the longest bite and of all in one go is where nothing is left over', () => {
    fc.assert(
      fc.property(RIM, (rim) => {
        const { mostUpDeg, longestBiteMm, oneGoDeg, tightest, how } = beadPath.run(rim).result;
        const at = (change: object) => beadPath.run({ ...rim, ...change }).result;
        const mountedDeg =
          360 - tightest.leftDeg - (2 * Math.acos(rim.wellMm / rim.flangeMm) * 180) / Math.PI;
        if (mostUpDeg > 0 && mostUpDeg < mountedDeg - 1)
          expect(at({ farUpDeg: mostUpDeg }).tightest.loopSlackMm).toBeCloseTo(0, 6);
        if (longestBiteMm === null)
          expect(at({ biteMm: 10 }).tightest.loopSlackMm).toBeLessThanOrEqual(0);
        else if (longestBiteMm > 10 && longestBiteMm < 300)
          expect(at({ biteMm: longestBiteMm }).tightest.loopSlackMm).toBeCloseTo(0, 6);
        const wholeMm = (oneGoDeg / 360) * Math.PI * rim.flangeMm;
        if (oneGoDeg > 0 && wholeMm > 10 && wholeMm < 300)
          expect(at({ leftDeg: oneGoDeg, biteMm: wholeMm }).loopSlackMm).toBeCloseTo(0, 6);
        // Nothing that the limp loop forbids is let through.
        if (tightest.loopSlackMm <= 0) expect(how).toBe('stop');
      }),
    );
  });
});

describe('what it says', () => {
  test('by hand where even a stiff bead has slack; never force', () => {
    const { result, cautions, verdict } = beadPath.run({ ...WORKED, wellMm: 420 });
    expect([result.how, verdict, cautions]).toEqual([
      'by hand',
      'good',
      ['More force is the wrong answer.'],
    ]);
    expect(result.hoopSlackMm).toBeGreaterThan(0);
  });

  test('levers, with how much is to spare and how much far side may ride up', () => {
    expect(run().reason.says).toBe(
      'Levers will do: 33.3 mm to spare at the tightest place, with 306 mm to go. Up to 131° of the far side may ride up there.',
    );
  });

  test('past the tightest it gets easier: what is still to come counts', () => {
    expect(run({ wellMm: 446 }).how).toBe('stop');
    expect(run({ wellMm: 446, leftDeg: 20 }).how).toBe('levers');
    expect(run({ leftDeg: 40 }).tightest.leftDeg).toBe(40);
  });

  test('a cure is named only where it is one: push it down, shorter bites, or find out why', () => {
    expect(run({ farUpDeg: 200 }).reason.says).toMatch(/Push it down first/);
    expect(run({ wellMm: 455 }).reason.says).toMatch(/with the far side down.*Find out why/);
    expect(run({ wellMm: 455 }).longestBiteMm).toBeNull();
    expect(run({ wellMm: 455, farUpDeg: 200 }).reason.says).toMatch(/Find out why/);
  });

  test.each([
    [{ wellMm: 460 }, 'wellMm'],
    [{ flangeMm: 459 }, 'flangeMm'],
    [{ biteMm: 5 }, 'biteMm'],
    [{ farUpDeg: 361 }, 'farUpDeg'],
  ])('%j is refused by its field', (more, field) => {
    expect(problemOf(() => run(more)).field).toBe(field);
  });
});

describe('the bites of a rim that was measured', () => {
  const { wellMm, flangeMm, axialMm, beadMm } = WORKED;
  const rim = { wellMm, flangeMm, axialMm };
  const plan = (more: object = {}) =>
    bitePlan.run({
      ...bitePlan.example,
      lockDegs: [],
      rimDiameterMm: beadMm,
      handFittedDeg: 90,
      rim,
      ...more,
    });

  test('each says what is left over, as the bead’s path does with as much left and the same bite', () => {
    const { bites } = plan().result;
    const spanDeg = (lengthMm: number) => (lengthMm / (Math.PI * beadMm)) * 360;
    let leftDeg = bites.reduce((sum, b) => sum + spanDeg(b.lengthMm), 0);
    for (const { lengthMm, spareMm } of bites) {
      const biteMm = (spanDeg(lengthMm) / 360) * Math.PI * flangeMm;
      const asked = { ...WORKED, biteMm, leftDeg: Math.min(leftDeg, 300) };
      expect(spareMm).toBeCloseTo(beadPath.run(asked).result.loopSlackMm, 6);
      leftDeg -= spanDeg(lengthMm);
    }
    // The tightest is not the last.
    const spares = bites.map((b) => b.spareMm!);
    expect(spares.indexOf(Math.min(...spares))).toBeLessThan(bites.length - 1);
  });

  test('coming off it is the other way round: the bites at the beginning are easy, then it is tightest', () => {
    const on = plan({ handFittedDeg: 0 }).result.bites.map((b) => b.spareMm!);
    const off = plan({
      handFittedDeg: 0,
      direction: 'off',
      school: 'opposite the valve',
    }).result.bites.map((b) => b.spareMm!);
    expect(off[0]).toBeGreaterThan(Math.min(...off));
    expect(Math.min(...off)).toBeCloseTo(Math.min(...on), 0);
  });

  test('the arc to hold down is the computed one, and grows as the well gets shallower', () => {
    const arc = ({ kneelFromDeg, kneelToDeg }: { kneelFromDeg: number; kneelToDeg: number }) =>
      (kneelToDeg - kneelFromDeg + 360) % 360;
    // 360° less 72° to go and twice 28° of rise, less 131° that may sit high.
    expect(arc(plan().result)).toBeGreaterThan(95);
    expect(arc(plan().result)).toBeLessThan(105);
    const shallow = plan({ rim: { ...rim, wellMm: 443 } }).result;
    expect(arc(shallow)).toBeGreaterThan(190);
    expect(shallow.reasons.at(-1)!.says).toMatch(
      /^Tightest at bite \d+: [45]\.\d mm to spare, with 2[12]\d° of the far side/,
    );
  });

  test('a bite that even a limp bead forbids is a stop, by its number; with slack it goes by hand', () => {
    const stuck = plan({ rim: { ...rim, wellMm: 450 } });
    expect(stuck.verdict).toBe('stop');
    expect(stuck.result.reasons.at(-1)!.says).toMatch(
      /^Bite \d+ is \d+\.\d mm short with all of the far side down/,
    );
    const loose = plan({ rim: { ...rim, wellMm: 415 } });
    expect(loose.result).toMatchObject({ byHand: true, bites: [] });
    expect(loose.result.reasons.map((r) => r.says)).toEqual([
      'Enough slack, even for a stiff bead. Finish by hand.',
    ]);
    expect([plan().result.byHand, stuck.result.byHand]).toEqual([false, false]);
    expect(plan({ rim: undefined }).result.bites.every((b) => b.spareMm === null)).toBe(true);
    expect(problemOf(() => plan({ rim: { ...rim, wellMm: 470 } })).field).toBe('wellMm');
  });

  test('what lies in the well takes its thickness away, twice: tube, strip, sleeve; a lock what it holds up', () => {
    const spares = (more: object) => plan(more).result.bites.map((b) => b.spareMm!);
    const [bare, tube] = [spares({}), spares({ fill: { tube: 'one', wall: 'heavy', strips: 1 } })];
    // A flat heavy tube, 6 mm, and a strip, 1 mm: a well of 444 for one of 430.
    expect(tube).toEqual(spares({ rim: { ...rim, wellMm: wellMm + 14 } }));
    expect(Math.min(...tube)).toBeLessThan(Math.min(...bare));
    const doubled = { tube: 'doubled', wall: 'standard', strips: 0 };
    expect(spares({ fill: doubled })).toEqual(spares({ rim: { ...rim, wellMm: wellMm + 12 } }));
    const lines = plan({ fill: doubled }).lines.map((l) => l.label);
    expect(lines).toEqual(expect.arrayContaining(['the tube, lying flat', 'its sleeve']));
    // Two locks hold the loop up over twice as much of it as one, whatever else lies there.
    const lost = (lockDegs: number[]) =>
      bare[0]! - spares({ lockDegs, school: 'opposite the valve' })[0]!;
    const none = lost([]);
    expect(lost([120, 240]) - none).toBeCloseTo(2 * (lost([120]) - none), 9);
    expect(lost([120]) - none).toBeCloseTo((5 * 45) / 215, 9);
  });

  test('the part that is on: from the start on while it goes on, opposite the start while it comes off', () => {
    const on = plan({ school: 'valve last' }).result;
    expect(on.bites[0]).toMatchObject({ mountedDeg: 90 });
    expect(angleBetween(on.bites[0]!.mountedMidDeg, on.startDeg + 45)).toBeCloseTo(0, 9);
    for (const b of on.bites) {
      // What is on ends where the bite begins.
      expect(angleBetween(b.mountedMidDeg + b.mountedDeg / 2, b.fromDeg)).toBeCloseTo(0, 9);
      expect(angleBetween(b.mountedMidDeg - b.mountedDeg / 2, on.startDeg)).toBeCloseTo(0, 9);
    }
    const off = plan({ school: 'opposite the valve', direction: 'off', handFittedDeg: 0 }).result;
    off.bites.forEach((b, i) => {
      expect(angleBetween(b.mountedMidDeg, off.startDeg + 180)).toBeCloseTo(0, 9);
      expect(b.mountedDeg).toBeLessThan(i === 0 ? 360 : off.bites[i - 1]!.mountedDeg);
    });
    expect(off.bites.at(-1)!.mountedDeg).toBeCloseTo(0, 6);
  });

  test('the far side: so much of it down, the rest may sit up; with it up that far nothing is left over', () => {
    const { bites } = plan({ school: 'opposite the valve' }).result;
    const length = ({ fromDeg, toDeg }: { fromDeg: number; toDeg: number }) =>
      (toDeg - fromDeg + 360) % 360;
    for (const b of bites) {
      const far = farSideOf(b)!;
      expect(far.well ? length(far.well) : 0).toBeCloseTo(
        b.downDeg! < 8 ? 0 : Math.min(b.downDeg!, b.mountedDeg),
        6,
      );
      const all = [...(far.well ? [far.well] : []), ...far.seat].reduce(
        (sum, a) => sum + length(a),
        0,
      );
      expect(b.mountedDeg - all).toBeGreaterThanOrEqual(-1e-6);
      expect(b.mountedDeg - all).toBeLessThan(8);
    }
    const tight = bites.reduce((a, b) => (b.spareMm! < a.spareMm! ? b : a));
    const leftDeg = 360 - tight.mountedDeg;
    const biteMm = (tight.lengthMm / beadMm) * flangeMm;
    const riseDeg = (Math.acos(wellMm / flangeMm) * 180) / Math.PI;
    const farUpDeg = 360 - leftDeg - 2 * riseDeg - tight.downDeg!;
    expect(beadPath.run({ ...WORKED, biteMm, leftDeg, farUpDeg }).result.loopSlackMm).toBeCloseTo(
      0,
      6,
    );
    expect(farSideOf(plan({ rim: undefined }).result.bites[0]!)).toBeNull();
  });
});

describe('how hard a bite goes', () => {
  const effort = (more: object) => leverEffort.run({ ...WORKED, leftDeg: 100, ...more });

  test('light where a stiff bead has slack, stop where a limp one has none, and harder all the way between', () => {
    const shares = [415, 420, 425, 430, 435, 440, 445, 450, 457].map(
      (wellMm) => effort({ wellMm }).result.share,
    );
    expect(shares[0]).toBe(0);
    expect(shares.at(-1)).toBe(1);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(effort({ wellMm: 415 }).result.effort).toBe('light');
    expect(effort({ wellMm: 457 })).toMatchObject({ verdict: 'stop', result: { effort: 'stop' } });
    const all = shares.map((_, i) => effort({ wellMm: 415 + 5.25 * i }).result.effort);
    expect(new Set(all)).toEqual(new Set(['light', 'firm', 'heavy', 'stop']));
    // By hand: 0.67 mm short on the diameter is 2.1 mm round, with 38 mm to spare at this bite.
    expect(effort({}).result.share).toBeCloseTo(0.0525, 2);
  });

  test('a longer bite, more in the well and a moment nearer the tightest are harder', () => {
    const share = (more: object) => effort({ wellMm: 440, ...more }).result.share;
    expect(share({ biteMm: 100 })).toBeGreaterThan(share({ biteMm: 50 }));
    expect(share({ fillMm: 1 })).toBeGreaterThan(share({}));
    expect(share({ leftDeg: 75 })).toBeGreaterThan(share({ leftDeg: 180 }));
    expect(share({ leftDeg: 75 })).toBeGreaterThan(share({ leftDeg: 20 }));
  });

  test('it is said to be a model, and force is never the advice', () => {
    const working = effort({});
    expect(
      working.basis
        .filter((b) => b.kind === 'memory')
        .map((b) => b.says)
        .join(),
    ).toContain('a model');
    expect(working.cautions).toContain('More force is the wrong answer.');
  });
});
