import fc from 'fast-check';
import { axleMoveFor, chainSlack, slackAfterMove, wheelAlign, wheelAlignString } from '.';
import { problemOf } from '../../../../tests/sample';

/**
 * The slack that a chain of fixed length has once the axle has moved back, without any series: two
 * straight pieces from the sprockets to the middle of the lower run, its length what the upper run
 * leaves.
 */
const exactSlackAfter = (slackMm: number, moveMm: number, runMm: number): number => {
  const lowerMm = 2 * Math.hypot(runMm / 2, slackMm / 2) - moveMm;
  const halfRunMm = (runMm + moveMm) / 2;
  return lowerMm / 2 > halfRunMm ? 2 * Math.sqrt((lowerMm / 2) ** 2 - halfRunMm ** 2) : 0;
};

/** The move that leaves a slack, by halving. */
const exactMoveFor = (fromMm: number, toMm: number, runMm: number): number => {
  let [low, high] = [-80, 80];
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (exactSlackAfter(fromMm, middle, runMm) > toMm) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
};

describe('chain-slack', () => {
  /** Geometry: 50 to 25 mm on a run of 550 mm. */
  test('from 50 mm to 25 mm on 550 mm is 0.85 mm of axle, 0.68 of a turn of 1.25 mm', () => {
    const { result } = chainSlack.run({
      slackMm: 50,
      wantMinMm: 25,
      wantMaxMm: 25,
      runMm: 550,
      pitchMm: 1.25,
    });
    expect(result.axleMoveMm).toBeCloseTo(0.852, 3);
    expect(result.turnsInside!.from).toBeCloseTo(0.682, 3);
    // Two flats of a hexagon less than one turn, just on the loose side.
    expect(result.turns).toBeCloseTo(2 / 3, 9);
    expect(result.reasons.map((r) => r.verdict)).toEqual(['check', 'check']);
  });

  test('within one in a hundred of a chain of two straight pieces and fixed length', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 300, max: 900, noNaN: true }),
        fc.double({ min: 0.02, max: 0.12, noNaN: true }),
        fc.double({ min: 0, max: 0.8, noNaN: true }),
        (runMm, share, left) => {
          const slackMm = runMm * share;
          const toMm = slackMm * left;
          const exact = exactMoveFor(slackMm, toMm, runMm);
          expect(Math.abs(axleMoveFor(slackMm, toMm, runMm) - exact)).toBeLessThanOrEqual(
            0.01 * exact + 1e-9,
          );
          expect(slackAfterMove(slackMm, axleMoveFor(slackMm, toMm, runMm), runMm)).toBeCloseTo(
            toMm,
            5,
          );
        },
      ),
    );
  });

  const input = fc.record({
    slackMm: fc.double({ min: 1, max: 70, noNaN: true }),
    wantMinMm: fc.integer({ min: 5, max: 40 }),
    span: fc.integer({ min: 0, max: 20 }),
    runMm: fc.integer({ min: 400, max: 800 }),
    pitchMm: fc.constantFrom(1, 1.25, 1.5),
  });
  test('the turns are halves, quarters, flats or eighths; inside where any of them is, else just on the slack side', () => {
    fc.assert(
      fc.property(input, ({ slackMm, wantMinMm, span, runMm, pitchMm }) => {
        const wantMaxMm = wantMinMm + span;
        const { result } = chainSlack.run({ slackMm, wantMinMm, wantMaxMm, runMm, pitchMm });
        const isInside = (mm: number) => mm >= wantMinMm - 1e-6 && mm <= wantMaxMm + 1e-6;
        const isWhole = (n: number) => Math.abs(n - Math.round(n)) < 1e-9;
        expect([6, 8].some((parts) => isWhole(result.turns! * parts))).toBe(true);
        if (isInside(slackMm)) return void expect(result.turns).toBe(0);
        const middle = (wantMinMm + wantMaxMm) / 2;
        const all = [2, 4, 6, 8].flatMap((parts) =>
          Array.from({ length: 80 * parts + 1 }, (_, i) => ({
            parts,
            turns: (i - 40 * parts) / parts,
          })).map((t) => ({ ...t, mm: slackAfterMove(slackMm, t.turns * pitchMm, runMm) })),
        );
        const inside = all.filter(({ mm }) => isInside(mm));
        const off = (mm: number) => Math.abs(mm - middle);
        if (inside.length > 0) {
          expect(isInside(result.slackAfterMm)).toBe(true);
          // Near the middle, or nearer than any other.
          const nearest = Math.min(...inside.map(({ mm }) => off(mm)));
          const isNear = off(result.slackAfterMm) <= span / 4 + 1e-6;
          expect(isNear || Math.abs(off(result.slackAfterMm) - nearest) < 1e-6).toBe(true);
          // No coarser part of a turn would have done as well.
          if (isNear) {
            const mine = [2, 4, 6, 8].find((parts) => isWhole(result.turns! * parts))!;
            expect(inside.filter((t) => t.parts < mine && off(t.mm) < span / 4 - 1e-6)).toEqual([]);
          }
        } else {
          expect(result.slackAfterMm).toBeGreaterThan(wantMaxMm);
          const closer = all.filter(
            ({ mm }) => mm > wantMaxMm + 1e-6 && mm < result.slackAfterMm - 1e-6,
          );
          expect(closer).toEqual([]);
          expect(result.reasons.map((r) => r.says).join()).toMatch(
            /No part of a turn lands in spec/,
          );
        }
      }),
    );
  });

  test('an eighth is taken where no coarser part lands inside; 50 to 25 mm on 550 takes two thirds', () => {
    const turns = (slackMm: number, wantMinMm: number, wantMaxMm: number, runMm: number) =>
      chainSlack.run({ slackMm, wantMinMm, wantMaxMm, runMm, pitchMm: 1.25 }).result;
    expect(turns(50, 22, 28, 550).turns).toBeCloseTo(2 / 3, 9);
    // From 39 mm, an eighth leaves 34.0: nothing and a quarter both miss 33 to 35.
    const eighth = turns(39, 33, 35, 600);
    expect([eighth.turns, eighth.slackAfterMm >= 33 && eighth.slackAfterMm <= 35]).toEqual([
      1 / 8,
      true,
    ]);
  });

  test('slack is not in step with the axle: half a turn takes more of a slack that is small', () => {
    const lost = (mm: number) => mm - slackAfterMove(mm, 0.625, 560);
    expect(lost(40)).toBeGreaterThan(1.4 * lost(60));
  });

  const of = (slackMm: number, more: object = {}) =>
    chainSlack.run({ slackMm, wantMinMm: 30, wantMaxMm: 40, runMm: 600, ...more });
  test('too tight is a stop and goes forward; inside nothing is moved; above it is looked at', () => {
    const tight = of(29.9, { pitchMm: 1.25 });
    expect([tight.verdict, Math.sign(tight.result.axleMoveMm)]).toEqual(['stop', -1]);
    expect(tight.result.turns).toBeLessThan(0);
    expect(tight.result.reasons[0]!.says).toMatch(/^Too tight: 29\.9 mm, spec 30\.0 mm min/);
    for (const mm of [30, 35, 40])
      expect([of(mm).verdict, of(mm).result.axleMoveMm]).toEqual(['good', 0]);
    const slack = of(40.1);
    expect([slack.verdict, Math.sign(slack.result.axleMoveMm), slack.result.turns]).toEqual([
      'check',
      1,
      null,
    ]);
    expect(
      of(0)
        .result.reasons.map((r) => r.says)
        .join(),
    ).toMatch(/Move the axle forward until the chain sags/);
  });

  test('the tightest place counts, and a chain whose loosest stays too loose is named', () => {
    const { result, verdict } = of(35, { otherPlacesMm: [33, 46] });
    expect([result.tightestMm, verdict]).toEqual([33, 'check']);
    expect(result.reasons[1]!.says).toMatch(
      /^The chain is uneven: 46 mm at its loosest with 33 mm/,
    );
    expect(of(35, { otherPlacesMm: [36, 40] }).result.reasons).toHaveLength(1);
    // One place alone tells nothing of the others.
    expect(of(44).result.reasons).toHaveLength(1);
  });

  test('what cannot be is refused at its field', () => {
    expect(problemOf(() => of(35, { wantMinMm: 41 })).field).toBe('wantMinMm');
    expect(problemOf(() => of(35, { otherPlacesMm: [201] })).message).toMatch(
      /would jump the sprocket/,
    );
  });
});

describe('wheel-align', () => {
  const setup = fc.record({
    left: fc.double({ min: 10, max: 60, noNaN: true }),
    right: fc.double({ min: 10, max: 60, noNaN: true }),
    adjusterSpanMm: fc.double({ min: 180, max: 299, noNaN: true }),
    inset: fc.double({ min: 0, max: 1, noNaN: true }),
    chainSide: fc.constantFrom('left' as const, 'right' as const),
  });

  test('its moves bring both marks level and leave the sprocket where it is', () => {
    fc.assert(
      fc.property(setup, ({ left, right, adjusterSpanMm, inset, chainSide }) => {
        const sprocketInsetMm = inset * adjusterSpanMm;
        const { result } = wheelAlign.run({
          leftMark: left,
          rightMark: right,
          adjusterSpanMm,
          chainSide,
          sprocketInsetMm,
        });
        const after = { left: left + result.leftMoveMm, right: right + result.rightMoveMm };
        expect(after.left).toBeCloseTo(after.right, 9);
        // Places along the axle, from the left adjuster: how far back the sprocket sits before and
        // after.
        const t =
          (chainSide === 'left' ? sprocketInsetMm : adjusterSpanMm - sprocketInsetMm) /
          adjusterSpanMm;
        expect(left + (right - left) * t).toBeCloseTo(
          after.left + (after.right - after.left) * t,
          9,
        );
        // The wheel's own line is square to the axle.
        const axle = [adjusterSpanMm, -right + left];
        expect(result.angleDeg).toBeCloseTo((Math.atan2(axle[1]!, axle[0]!) * 180) / Math.PI, 9);
      }),
    );
  });

  test('within the rule is good, beyond it the end that is further back is named; turns by the thread', () => {
    const of = (leftMark: number, rightMark: number) =>
      wheelAlign.run({ leftMark, rightMark, adjusterSpanMm: 240, runMm: 600, pitchMm: 1.25 });
    expect(of(31, 30).verdict).toBe('good');
    expect([of(31.1, 30).verdict, of(31.1, 30).result.reasons[0]!.says]).toEqual([
      'check',
      'The left end is 1.1 mm further back; spec 1.0 mm max.',
    ]);
    expect(of(30, 31.1).result.reasons[0]!.says).toMatch(/^The right end/);
    const { result } = of(32.5, 30);
    expect([result.leftTurns, result.rightTurns]).toEqual([0, 2]);
    expect(result.atSprocketMm).toBeCloseTo(6.25, 9);
    expect(
      wheelAlign.run({ leftMark: 30, rightMark: 30, adjusterSpanMm: 240 }).result.atSprocketMm,
    ).toBeNull();
    expect(
      problemOf(() =>
        wheelAlign.run({ leftMark: 1, rightMark: 1, adjusterSpanMm: 200, sprocketInsetMm: 201 }),
      ).field,
    ).toBe('sprocketInsetMm');
  });

  /**
   * Strings as lines in the plane, and the front tire as a rectangle that may be steered: gaps by
   * coordinates.
   */
  const gapsOf = (turnedRad: number, steeredRad: number, wheelbaseMm: number) => {
    const [rearHalf, frontHalf, reach] = [75, 55, 240];
    // A point of the front tire's side, to the right of and ahead of the rear axle's middle.
    const point = (side: number, ahead: number) => [
      side * frontHalf * Math.cos(steeredRad) - ahead * Math.sin(steeredRad),
      wheelbaseMm + ahead * Math.cos(steeredRad) + side * frontHalf * Math.sin(steeredRad),
    ];
    // The rear wheel's own coordinates: across it, turned to the left by the angle.
    const across = ([x, y]: number[]) => x! * Math.cos(turnedRad) + y! * Math.sin(turnedRad);
    const gap = (side: number, ahead: number) => rearHalf - side * across(point(side, ahead));
    return {
      leftFront: gap(-1, reach),
      leftRear: gap(-1, -reach),
      rightFront: gap(1, reach),
      rightRear: gap(1, -reach),
    };
  };

  test('a string along both wheels finds the angle, with the bars turned a little or not', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.008, max: 0.008, noNaN: true }),
        fc.double({ min: -0.003, max: 0.003, noNaN: true }),
        fc.double({ min: 1200, max: 1600, noNaN: true }),
        (turned, bars, wheelbaseMm) => {
          const gapsMm = gapsOf(turned, turned + bars, wheelbaseMm);
          const { result } = wheelAlignString.run({ gapsMm, wheelbaseMm, adjusterSpanMm: 236 });
          expect(result.angleDeg).toBeCloseTo((turned * 180) / Math.PI, 3);
        },
      ),
    );
  });

  test('bars that are turned are said; gaps that contradict each other are refused', () => {
    const turned = wheelAlignString.run({
      gapsMm: gapsOf(0, 0.02, 1400),
      wheelbaseMm: 1400,
      adjusterSpanMm: 236,
    });
    expect([turned.verdict, turned.result.reasons[0]!.says]).toEqual([
      'check',
      expect.stringMatching(/^The handlebars are turned/),
    ]);
    expect(
      wheelAlignString.run({
        gapsMm: gapsOf(0, 0.005, 1400),
        wheelbaseMm: 1400,
        adjusterSpanMm: 236,
      }).verdict,
    ).toBe('good');
    const gapsMm = { leftFront: 20, leftRear: 20, rightFront: 20, rightRear: 23.1 };
    expect(
      problemOf(() => wheelAlignString.run({ gapsMm, wheelbaseMm: 1400, adjusterSpanMm: 236 }))
        .field,
    ).toBe('gapsMm');
  });
});

test('adjuster marks that no axle could have are refused, whichever way they were measured', () => {
  const marks = (leftMark: number, rightMark: number, adjusterSpanMm: number) =>
    wheelAlign.run({ leftMark, rightMark, adjusterSpanMm });
  expect(() => marks(300, -100, 80)).toThrow(/400\.0 mm over 80 mm is not possible/);
  expect(() => marks(-100, 300, 80)).toThrow(/is not possible/);
  expect(() => marks(40, 0, 80)).not.toThrow();
  expect(() => marks(40.1, 0, 80)).toThrow(expect.objectContaining({ field: 'adjusterSpanMm' }));
});
