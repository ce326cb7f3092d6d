import { complete, type WeightItem } from '../shop/records';
import {
  balanceQuestion,
  beliefMark,
  changeMarks,
  foldJob,
  heavyOf,
  testsOfNow,
  weightsFor,
} from '.';
import { wheelDial } from '../fit/drawing';
import { logOf, sampleMachine, sampleWheel } from '../../../tests/sample';
import { balanceAdvise, balanceEstimate, type Piece } from '../bench/balance';

const WEIGHTS: WeightItem[] = [
  complete('weights', { id: 'a', massG: 5, kind: 'spoke', count: 20 }),
  complete('weights', { id: 'b', massG: 20, kind: 'spoke', count: 8 }),
  complete('weights', { id: 'c', massG: 7, kind: 'adhesive', count: 30, lengthMm: 17 }),
  complete('weights', { id: 'd', massG: 10, kind: 'spoke', count: 0 }),
];

const started = (wheel = sampleWheel()) => {
  const l = logOf().open(sampleMachine(), wheel);
  return {
    ...l,
    now: () => foldJob(l.log).balance,
    ask: (weights = WEIGHTS) => balanceQuestion(foldJob(l.log), weights)!,
  };
};
const PIECES = [
  { massG: 20, deg: 25, side: 'near' as const },
  { massG: 20, deg: 35, side: 'near' as const },
];

describe('the balancing in a log', () => {
  test('a trial that stays on for good is no new placement; what differs from it in one piece is', () => {
    const placements = (stays: readonly Piece[], trial: readonly Piece[] = PIECES) => {
      const l = started();
      l.add('trial', { pieces: [...trial] });
      l.add('weights', { pieces: [...stays], residualG: 2 });
      return l.now().placements;
    };
    expect(placements(PIECES)).toBe(1);
    expect(placements(PIECES.slice(0, 1))).toBe(2);
    expect(placements(PIECES, PIECES.slice(0, 1))).toBe(2);
    expect(placements([PIECES[0]!, { ...PIECES[1]!, deg: 36 }])).toBe(2);
    expect(placements([PIECES[0]!, { ...PIECES[1]!, massG: 10 }])).toBe(2);
    // Put on again where no trial was on it is one, though it is the same.
    const l = started();
    for (let i = 0; i < 2; i++) l.add('weights', { pieces: PIECES, residualG: 2 });
    expect(l.now().placements).toBe(2);
  });
  test('every reading keeps the weights that were on, in order', () => {
    const l = started();
    l.add('rest', { restDeg: 212, from: 'left' });
    l.add('trial', { pieces: PIECES.slice(0, 1) });
    l.add('rest', { restDeg: 190, from: 'right' });
    expect(l.now()).toMatchObject({ trial: true, placements: 1, weights: null });
    l.add('weights', { pieces: PIECES, residualG: 2 });
    l.add('level-test', { deg: 30, moved: 'stays' });
    l.add('swing', { periodS: 8 });
    l.add('machine-reading', { massG: 3, deg: 10, stepG: 1, stepDeg: 5 });
    expect(l.now().seen.map((o) => [o.kind, o.weights.length])).toEqual([
      ['settle', 0],
      ['settle', 1],
      ['level', 2],
      ['swing', 2],
      ['machine', 2],
    ]);
    expect(l.now()).toMatchObject({
      trial: false,
      placements: 2,
      on: PIECES,
      weights: { residualG: 2 },
    });
    expect(testsOfNow(l.now()).map((t) => t.moved)).toEqual(['stays']);
    // A test with other weights on is no test of these.
    l.add('weights', { pieces: PIECES.slice(1), residualG: 20 });
    expect(testsOfNow(l.now())).toEqual([]);
  });

  test('balanced until something more is seen or put on; begun anew it is as if nothing had been', () => {
    const l = started();
    const balanced = {
      heavyMassG: 40,
      heavyDeg: 211,
      leftG: 2,
      leftDeg: 5,
      bandG: 3,
      chance: 0.97,
    };
    l.add('rest', { restDeg: 212, from: null });
    l.add('balanced', balanced);
    expect(heavyOf(l.now())).toEqual({ deg: 211, massG: 40 });
    l.add('rest', { restDeg: 208, from: null });
    expect(l.now().balanced).toBeNull();
    expect(heavyOf(l.now())!.deg).toBeCloseTo(210, 6);
    l.add('balance-again', { why: 'the tire was turned' });
    expect(l.now()).toMatchObject({ seen: [], on: [], placements: 0 });
    expect(heavyOf(l.now())).toBeNull();
  });

  test('a log of an earlier program is read: trial, checks of the weights, and a rest that begins anew', () => {
    const l = started();
    l.add('rest', { restDeg: 210 });
    l.add('rest', { restDeg: 214 });
    l.add('trial-rest', { trialMassG: 20, trialDeg: 300, restDeg: 236.57 });
    l.add('weights', { pieces: PIECES, residualG: 1 });
    l.add('level-check', { clock: 3, moved: 'stays' });
    l.add('level-check', { clock: 9, moved: 'stays' });
    expect(l.now().seen.map((o) => o.kind)).toEqual([
      'settle',
      'settle',
      'settle',
      'level',
      'level',
    ]);
    expect(l.now().seen[2]!.weights).toEqual([{ massG: 20, deg: 300 }]);
    expect(testsOfNow(l.now()).map((t) => Math.round(t.deg))).toEqual([30, 30]);
    // What it amounts to is what statics says: the rest moved by atan(20 / 40).
    expect(balanceEstimate.run({ seen: l.ask().seen }).result.heavyMassG).toBeGreaterThan(34);
    l.add('rest', { restDeg: 90 });
    expect(l.now()).toMatchObject({ seen: [{ restDeg: 90 }], on: [], weights: null });
  });
});

describe('what is asked of the workings', () => {
  test('only weights that hold on this wheel and are on the shelf', () => {
    expect(
      started()
        .ask()
        .stock.map((s) => s.massG),
    ).toEqual([5, 20]);
    expect(
      started(sampleWheel({ build: 'cast' }))
        .ask()
        .stock.map((s) => s.massG),
    ).toEqual([7]);
    // No crimp-on left: stuck to the flats of the rim.
    expect(weightsFor(sampleWheel(), 'both', WEIGHTS.slice(2)).stuck).toBe(true);
    expect(weightsFor(sampleWheel(), 'inner', WEIGHTS)).toEqual({
      stuck: true,
      stock: [{ massG: 7, count: 30, lengthMm: 17 }],
    });
  });

  test('stuck pieces get the length of the rim, and keep clear of valve, locks and cast spokes', () => {
    const cast = started(
      sampleWheel({ build: 'cast', spokes: 5, rimLockDegs: [], rimCode: 'MT 3.50x17' }),
    ).ask();
    // A 17 inch rim is 432 mm across by the table of nominal diameters.
    expect(cast.rimMm).toBeCloseTo(Math.PI * 432, 6);
    expect(cast.clearOf).toEqual([0, 36, 108, 180, 252, 324]);
    // A crimp-on sits at a spoke and takes up none of the rim.
    expect(
      started()
        .ask()
        .stock.map((s) => s.lengthMm),
    ).toEqual([0, 0]);
    expect(started().ask().positions).toHaveLength(32);
    expect(cast).not.toHaveProperty('positions');
    const l = started(
      sampleWheel({ build: 'cast', spokes: 5, rimLockDegs: [], rimCode: 'MT 3.50x17' }),
    );
    l.add('machine-reading', { massG: 40, deg: 288, stepG: 1, stepDeg: 1 });
    const { result } = balanceAdvise.run(l.ask());
    expect(result.do).toBe('final');
    // Against 288° stands the spoke at 108°: the pieces go on either side of it.
    for (const p of result.place)
      expect(
        Math.min(
          ...[0, 36, 108, 180, 252, 324].map((c) => Math.abs(((p.deg - c + 540) % 360) - 180)),
        ),
      ).toBeGreaterThanOrEqual(6);
  });

  test('last time is a hint, and the workings take what they are given', () => {
    const l = started();
    l.add('balance-hint', { massG: 38, deg: 205, jobId: 'a', onDate: '2025-04-30' });
    expect(l.ask().prior).toEqual({ massG: 38, deg: 205, spreadG: 12 });
    l.add('rest', { restDeg: 212, from: 'left', device: 'bench stand' });
    expect(balanceAdvise.run(l.ask()).result.do).toBe('settle');
    for (let i = 0; i < 60; i++) l.add('level-test', { deg: 90, moved: 'stays' });
    // However long a log gets, the workings still answer.
    expect(l.ask().seen).toHaveLength(40);
    expect(() => balanceEstimate.run({ seen: l.ask().seen })).not.toThrow();
  });
});

describe('what the dial shows', () => {
  const at = (massG: number, deg: number) => ({ massG, deg });

  test('what stays, what comes off, what is put on', () => {
    const marks = changeMarks(
      [at(20, 30), at(10, 60), at(5, 90)],
      [at(20, 30), at(10, 60), at(10, 60), at(7, 120)],
    );
    expect(marks.map((m) => [m.is, 'label' in m ? m.label : ''])).toEqual([
      ['weight', '20 g'],
      ['rest', 'take off'],
      ['rest', 'take off'],
      ['trial', 'put 2 × 10 g'],
      ['trial', 'put 7 g'],
    ]);
    expect(changeMarks([], [])).toEqual([]);
  });

  test('the belief fills the dial, however heavy, and reaches no farther than the rim', () => {
    for (const massG of [3, 20, 45, 90, 230]) {
      const region = [at(massG * 0.8, 200), at(massG * 1.2, 205), at(massG, 215)];
      const mark = beliefMark({ region, heavyMassG: massG, heavyDeg: 206, alongG: massG / 10 });
      expect(mark.is === 'belief' && mark.fullG).toBeGreaterThanOrEqual(Math.min(massG, 240));
      const shapes = wheelDial({
        wheel: sampleWheel(),
        marks: [mark],
        sideUp: 'disc',
        tireOn: true,
      });
      const wedge = shapes.find((s) => s.role === 'wedge');
      const corners =
        wedge?.kind === 'path'
          ? [...wedge.d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map((m) =>
              Math.hypot(Number(m[1]) - 300, Number(m[2]) - 300),
            )
          : [];
      expect(corners).toHaveLength(3);
      const inner = shapes.flatMap((s) => (s.role === 'open' && s.kind === 'circle' ? [s.r] : []));
      expect(Math.max(...corners)).toBeLessThanOrEqual(Math.max(...inner));
      expect(Math.max(...corners)).toBeGreaterThan(Math.max(...inner) * 0.15);
      expect(shapes.some((s) => s.kind === 'text' && s.text === `${massG} g`)).toBe(true);
      // A mass that could be anything is not said.
      expect(
        beliefMark({ region, heavyMassG: massG, heavyDeg: 206, alongG: massG / 2 }),
      ).toMatchObject({ label: 'heavy' });
    }
  });
});
