import fc from 'fast-check';
import { problemOf } from '../../../../tests/sample';
import { InputError } from '../../base/errors';
import { angleBetween, normalDeg } from '../../base/units';
import { balancePlace, balanceTrial, fromVector, sumVectors, toVector, type Piece } from '.';

describe('masses as vectors', () => {
  test('opposite and equal masses cancel, and a right angle adds by Pythagoras', () => {
    expect(
      sumVectors([
        { massG: 20, deg: 30 },
        { massG: 20, deg: 210 },
      ]).massG,
    ).toBeCloseTo(0, 9);
    const sum = sumVectors([
      { massG: 30, deg: 0 },
      { massG: 40, deg: 90 },
    ]);
    expect(sum.massG).toBeCloseTo(50, 9);
    expect(sum.deg).toBeCloseTo(53.13, 2);
  });

  test('a vector and back', () => {
    expect(fromVector(toVector({ massG: 41, deg: 212 }))).toMatchObject({
      massG: expect.closeTo(41, 9),
      deg: expect.closeTo(212, 9),
    });
  });
});

describe('one trial mass', () => {
  /** Common practice: a trial a quarter turn away shifts the rest by atan(m / U). */
  test('a quarter turn away the shift is atan(m / U)', () => {
    const { result } = balanceTrial.run({
      restDeg: 210,
      trialMassG: 20,
      trialDeg: 300,
      restWithTrialDeg: 210 + (Math.atan(20 / 40) * 180) / Math.PI,
    });
    expect(result.heavyMassG).toBeCloseTo(40, 6);
    expect(result.heavyDeg).toBe(210);
    expect(result.counterMassG).toBeCloseTo(40, 6);
    expect(result.counterDeg).toBe(30);
  });

  test('any hidden heavy spot is found again from a frictionless stand', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 200, noNaN: true }),
        fc.double({ min: 0, max: 359.9, noNaN: true }),
        fc.double({ min: 8, max: 60, noNaN: true }),
        fc.double({ min: 45, max: 135, noNaN: true }),
        fc.boolean(),
        (massG, deg, trialMassG, off, left) => {
          const trialDeg = normalDeg(deg + (left ? -off : off));
          const rest = sumVectors([
            { massG, deg },
            { massG: trialMassG, deg: trialDeg },
          ]).deg;
          const shift = Math.abs(angleBetween(deg, rest));
          fc.pre(shift > 5.1 && Math.abs(angleBetween(rest, trialDeg)) > 5.1);
          const { result } = balanceTrial.run({
            restDeg: deg,
            trialMassG,
            trialDeg,
            restWithTrialDeg: rest,
          });
          expect(result.heavyMassG).toBeCloseTo(massG, 4);
        },
      ),
    );
  });

  test.each([
    [
      'no shift',
      { restDeg: 210, trialMassG: 5, trialDeg: 300, restWithTrialDeg: 211 },
      'restWithTrialDeg',
      /hardly moved/,
    ],
    [
      'in line',
      { restDeg: 210, trialMassG: 20, trialDeg: 210, restWithTrialDeg: 210 },
      'trialDeg',
      /in line/,
    ],
    [
      'opposite',
      { restDeg: 210, trialMassG: 20, trialDeg: 31, restWithTrialDeg: 240 },
      'trialDeg',
      /in line/,
    ],
    [
      'the wrong way',
      { restDeg: 210, trialMassG: 20, trialDeg: 300, restWithTrialDeg: 190 },
      'restWithTrialDeg',
      /did not turn toward/,
    ],
    [
      'past the trial',
      { restDeg: 210, trialMassG: 20, trialDeg: 300, restWithTrialDeg: 310 },
      'restWithTrialDeg',
      /did not turn toward/,
    ],
  ])('a trial that cannot tell is refused: %s', (_name, input, field, said) => {
    try {
      balanceTrial.run(input);
    } catch (error) {
      expect((error as InputError).field).toBe(field);
      expect((error as InputError).message).toMatch(said);
    }
    expect.assertions(2);
  });

  test('across the valve the turn is taken the short way', () => {
    const { result } = balanceTrial.run({
      restDeg: 350,
      trialMassG: 20,
      trialDeg: 80,
      restWithTrialDeg: 35,
    });
    expect(result.heavyMassG).toBeCloseTo(20, 6);
    expect(result.counterDeg).toBe(170);
  });

  test.each([
    ['a small shift', 9.9, 'check'],
    ['twice the least shift', 10, 'good'],
    ['in the middle', 45, 'good'],
    ['twice the least left to the trial', 80, 'good'],
    ['nearly at the trial', 80.1, 'check'],
  ] as const)(
    'a turn that is small on one side is worth a second look: %s',
    (_, shiftDeg, verdict) => {
      const rules = { 'balance.leastShiftDeg': 5 };
      const trial = { restDeg: 210, trialMassG: 20, trialDeg: 300, rules };
      const working = balanceTrial.run({ ...trial, restWithTrialDeg: 210 + shiftDeg });
      expect([working.verdict, working.cautions.length]).toEqual([
        verdict,
        verdict === 'good' ? 0 : 1,
      ]);
    },
  );
});

describe('pieces from stock', () => {
  const stock = [
    { massG: 5, count: 12 },
    { massG: 10, count: 8 },
    { massG: 20, count: 4 },
  ];
  const residual = (counterMassG: number, counterDeg: number, pieces: Piece[]) =>
    sumVectors([{ massG: counterMassG, deg: normalDeg(counterDeg + 180) }, ...pieces]);

  test('40 g on both sides is a pair of 20', () => {
    const { result } = balancePlace.run({ counterMassG: 40, counterDeg: 30, stock, sides: 'both' });
    expect(result.pieces).toEqual([
      { massG: 20, deg: 30, side: 'near' },
      { massG: 20, deg: 30, side: 'far' },
    ]);
    expect(result.residualG).toBeCloseTo(0, 9);
  });

  test('between two spokes one piece is near enough, and two share the place where the limit is finer', () => {
    const between = (toleranceG: number) =>
      balancePlace.run({
        counterMassG: 20,
        counterDeg: 30,
        stock,
        positions: [25, 35, 45],
        sides: 'one',
        rules: { 'balance.toleranceG': toleranceG },
      }).result;
    expect(between(5)).toMatchObject({
      pieces: [expect.objectContaining({ massG: 20 })],
      proved: true,
    });
    expect(
      between(0.5)
        .pieces.map((p) => p.deg)
        .sort(),
    ).toEqual([25, 35]);
    expect(between(0.5).residualG).toBeLessThan(0.2);
  });

  test('what is left over is what the pieces really leave', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 120, noNaN: true }),
        fc.double({ min: 0, max: 359, noNaN: true }),
        fc.constantFrom('both' as const, 'one' as const),
        (massG, deg, sides) => {
          const positions = Array.from({ length: 36 }, (_, i) => i * 10 + 5);
          const working = balancePlace.run({
            counterMassG: massG,
            counterDeg: deg,
            stock,
            positions,
            sides,
          });
          const left = residual(massG, deg, working.result.pieces);
          expect(working.result.residualG).toBeCloseTo(left.massG, 6);
          expect(working.result.residualG).toBeLessThanOrEqual(massG + 1e-9);
          for (const s of stock)
            expect(
              working.result.pieces.filter((p) => p.massG === s.massG).length,
            ).toBeLessThanOrEqual(s.count);
          for (const p of working.result.pieces) expect(positions).toContain(p.deg);
          if (sides === 'both')
            expect(working.result.pieces.filter((p) => p.side === 'near').length * 2).toBe(
              working.result.pieces.length,
            );
        },
      ),
      { numRuns: 40 },
    );
  });

  test('a heavy counterweight is built from the largest pieces first', () => {
    const { result } = balancePlace.run({ counterMassG: 115, counterDeg: 90, stock, sides: 'one' });
    expect(result.pieces.reduce((t, p) => t + p.massG, 0)).toBe(115);
    expect(result.pieces.filter((p) => p.massG === 20)).toHaveLength(4);
  });

  test('nothing is put on when nothing helps', () => {
    expect(
      balancePlace.run({ counterMassG: 2, counterDeg: 0, stock, sides: 'both' }).result.pieces,
    ).toEqual([]);
  });

  test('common practice: a piece on each side of the rim halves the couple, and all on the inner face does as well', () => {
    const couple = (sides: 'both' | 'one' | 'inner') =>
      balancePlace.run({
        counterMassG: 40,
        counterDeg: 30,
        stock: [{ massG: 20, count: 10, lengthMm: 0 }],
        positions: [30],
        sides,
        rimWidthMm: 55,
      }).result.coupleGmm!;
    // One side: 40 g on one edge against 40 g on the other at worst, 55 mm apart.
    expect(couple('one')).toBeCloseTo(40 * 55, 6);
    expect(couple('both')).toBeCloseTo(couple('one') / 2, 6);
    expect(couple('inner')).toBeCloseTo(couple('one') / 2, 6);
    expect(
      balancePlace.run({ counterMassG: 40, counterDeg: 30, stock, sides: 'both' }).result.coupleGmm,
    ).toBeNull();
  });

  test('stuck pieces lie side by side, and keep clear of what is in their way', () => {
    const { result } = balancePlace.run({
      counterMassG: 60,
      counterDeg: 90,
      stock: [{ massG: 10, count: 12, lengthMm: 22 }],
      positions: Array.from({ length: 72 }, (_, i) => i * 5),
      sides: 'one',
      perPlace: 1,
      rimMm: 1350,
      clearOf: [90],
      rules: { 'balance.toleranceG': 4 },
    });
    expect(result.proved).toBe(true);
    expect(result.residualG).toBeLessThanOrEqual(4);
    const degs = result.pieces.map((p) => p.deg).sort((a, b) => a - b);
    // 22 mm of 1350 are 5.9°; half a piece and half a valve keep 8.9° clear.
    degs.slice(1).forEach((deg, i) => expect(deg - degs[i]!).toBeGreaterThanOrEqual(5.86));
    for (const deg of degs) expect(Math.abs(deg - 90)).toBeGreaterThanOrEqual(8.9);
    // A shelf of pieces too long for any gap leaves it as it is, and says so.
    const long = balancePlace.run({
      counterMassG: 60,
      counterDeg: 90,
      stock: [{ massG: 30, count: 12, lengthMm: 190 }],
      positions: [80, 100],
      sides: 'one',
      rimMm: 1350,
      clearOf: [70, 90, 110],
    });
    expect([long.result.pieces, long.verdict]).toEqual([[], 'check']);
  });

  test('a named place takes as many pieces as it may, side by side, measured or not; its neighbors keep clear of all', () => {
    const place = (perPlace: number, positions: number[], lengthMm?: number) =>
      balancePlace.run({
        counterMassG: 40,
        counterDeg: 90,
        stock: [{ massG: 10, count: 12, ...(lengthMm === undefined ? {} : { lengthMm }) }],
        positions,
        sides: 'one',
        perPlace,
        rimMm: 1400,
      }).result;
    // One place: as many as are allowed, with the usual length of 20 mm each as with a measured
    // one.
    for (const lengthMm of [undefined, 20, 0])
      expect([1, 2, 3, 4].map((n) => place(n, [90], lengthMm).residualG.toFixed(0))).toEqual([
        '30',
        '20',
        '10',
        '0',
      ]);
    // Two at 90° take 40 mm: a third 10° on (39 mm) would lie over them.
    expect(place(2, [90, 97]).pieces.map((p) => p.deg)).toEqual([90, 90]);
    expect(
      place(2, [90, 101])
        .pieces.map((p) => p.deg)
        .sort((a, b) => a - b),
    ).toEqual([90, 90, 101, 101]);
    // Anywhere on the rim each has a place of its own.
    const anywhere = balancePlace
      .run({ counterMassG: 40, counterDeg: 90, stock: [{ massG: 10, count: 12 }], sides: 'one' })
      .result.pieces.map((p) => p.deg);
    expect(new Set(anywhere).size).toBe(anywhere.length);
  });

  test('an empty shelf is said, and a shelf that runs out is a check', () => {
    expect(() =>
      balancePlace.run({ counterMassG: 20, counterDeg: 0, stock: [], sides: 'one' }),
    ).toThrow(InputError);
    expect(() =>
      balancePlace.run({
        counterMassG: 20,
        counterDeg: 0,
        stock: [{ massG: 5, count: 1 }],
        sides: 'both',
      }),
    ).toThrow(/no weights/);
    const short = balancePlace.run({
      counterMassG: 60,
      counterDeg: 90,
      stock: [{ massG: 5, count: 2 }],
      sides: 'one',
    });
    // Both go on, side by side: 14 mm apart at least on the usual 1400 mm, so each up to 3.6° off
    // the middle.
    expect(short.result.residualG).toBeGreaterThanOrEqual(50);
    expect(short.result.residualG).toBeLessThan(50.1);
    expect(short.result).toMatchObject({ found: false, proved: true, leastMassG: null });
    expect(short.verdict).toBe('check');
    expect(short.lines.find((l) => l.label === 'proof')!.value).toMatch(/this leaves the least$/);
    expect(short.cautions.join()).toMatch(/cannot make this counterweight/);
  });

  test('no piece lies on valve, lock or cast spoke, whoever asks and whatever is left out', () => {
    const lengthOf = (massG: number) => 8 + 1.2 * massG;
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 70, noNaN: true }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.uniqueArray(fc.constantFrom(40, 95, 150, 210, 290), { maxLength: 4 }),
        (counterMassG, counterDeg, clearOf) => {
          const { pieces } = balancePlace.run({
            counterMassG,
            counterDeg,
            stock,
            sides: 'one',
            clearOf,
          }).result;
          for (const p of pieces)
            for (const deg of [0, ...clearOf])
              expect(Math.abs(angleBetween(deg, p.deg))).toBeGreaterThanOrEqual(
                6 + ((lengthOf(p.massG) / 2) * 360) / 1400 - 1e-6,
              );
          pieces.forEach((a, i) =>
            pieces.slice(i + 1).forEach((b) => {
              const apartMm = (Math.abs(angleBetween(a.deg, b.deg)) / 360) * 1400;
              expect(apartMm).toBeGreaterThanOrEqual(
                (lengthOf(a.massG) + lengthOf(b.massG)) / 2 - 1e-6,
              );
            }),
          );
        },
      ),
      { numRuns: 60 },
    );
  });

  test('a place named twice is one place, an empty list and places on the valve are refused', () => {
    const at = (positions: number[], more = {}) =>
      balancePlace.run({
        counterMassG: 40,
        counterDeg: 90,
        stock: [{ massG: 20, count: 9, lengthMm: 0 }],
        sides: 'one',
        positions,
        perPlace: 1,
        ...more,
      }).result;
    expect(at([90, 90, 450 - 360]).pieces).toHaveLength(1);
    expect(at([90, 90]).places).toBe(1);
    expect(at([90, 360, 0, 5.9, 354.1], { clearOf: [] }).places).toBe(1);
    expect(at([90, 6]).places).toBe(2);
    expect(problemOf(() => at([]))).toMatchObject({
      field: 'positions',
      message: 'The list of places is empty.',
    });
    expect(problemOf(() => at([0, 100], { clearOf: [102] }))).toMatchObject({ field: 'positions' });
    // Anywhere: every 5 mm of the rim but for the valve's 12°.
    expect(
      balancePlace.run({ counterMassG: 40, counterDeg: 90, stock, sides: 'one', rimMm: 1800 })
        .result.places,
    ).toBe(360 - 11);
  });

  test('never 60 + 60 g where 41 are wanted: the factor of the least mass is stated and kept', () => {
    const shelf = [
      { massG: 60, count: 4, lengthMm: 0 },
      { massG: 10, count: 6, lengthMm: 0 },
    ];
    const run = (rules = {}) =>
      balancePlace.run({ counterMassG: 41, counterDeg: 90, stock: shelf, sides: 'one', rules });
    const usual = run();
    expect(usual.result.pieces.map((p) => p.massG)).toEqual([10, 10, 10, 10]);
    expect(usual.result).toMatchObject({ found: true, proved: true, leastMassG: 40 });
    expect(usual.lines.find((l) => l.label === 'weight allowed')).toMatchObject({
      value: 50,
      formula: '× 1.25, to allow fewer weights',
    });
    expect(usual.lines.find((l) => l.label === 'proof')!.formula).toMatch(/ at 27\d places$/);
    expect(run({ 'balance.massFactor': 3 }).result.pieces.map((p) => p.massG)).toEqual([60, 60]);
  });

  test('the shop’s tolerance decides what is good', () => {
    const run = (toleranceG: number) =>
      balancePlace.run({
        counterMassG: 23,
        counterDeg: 0,
        stock: [{ massG: 20, count: 1 }],
        sides: 'one',
        rules: { 'balance.toleranceG': toleranceG },
      });
    expect(run(5).verdict).toBe('good');
    expect(run(1).verdict).toBe('check');
  });
});
