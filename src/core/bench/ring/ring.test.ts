import fc from 'fast-check';
import { INCH_IN_MM } from '../../base/units';
import { FOOT_IN_M } from '../../base/units/factors';
import {
  beadCrush,
  boltCircle,
  clampForce,
  ringGap,
  ringMoves,
  ringOrder,
  RING_STAGES,
  rollout,
  rolloutMatch,
  splitRim,
  wheelOffset,
} from '.';

describe('bolt circle', () => {
  test('five holes 82.114 mm apart are on 5.5 in, however it is measured', () => {
    const { result, verdict } = boltCircle.run({ holes: 5, chordMm: 82.114 });
    expect(result.diameterMm).toBeCloseTo(139.7, 2);
    expect(result.skipOneMm).toBeCloseTo(132.86, 2);
    expect(result.mistakes.map((m) => [m.readsMm.toFixed(2), m.offPct.toFixed(1)])).toEqual([
      ['132.86', '-4.9'],
      ['126.36', '-9.5'],
    ]);
    expect([result.nearest?.label, verdict]).toEqual(['5 on 5.5 in', 'good']);
    expect(boltCircle.run({ holes: 5, holeToFlatMm: 126.36 }).result.diameterMm).toBeCloseTo(
      139.7,
      1,
    );
    expect(boltCircle.run({ holes: 5, chordMm: 132.86, skipped: 1 }).result.diameterMm).toBeCloseTo(
      139.7,
      1,
    );
  });

  test('every distance of a polygon that is drawn gives its circle back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 12 }),
        fc.integer({ min: 0, max: 5 }),
        fc.integer({ min: 60, max: 300 }),
        (holes, skipped, radius) => {
          const at = (k: number) =>
            [
              radius * Math.cos((2 * Math.PI * k) / holes),
              radius * Math.sin((2 * Math.PI * k) / holes),
            ] as const;
          const [[x0, y0], [x1, y1]] = [at(0), at(skipped + 1)];
          const chordMm = Math.hypot(x1 - x0, y1 - y0);
          const run = () => boltCircle.run({ holes, chordMm, skipped }).result.diameterMm;
          if (skipped + 1 > holes / 2 || chordMm > 500) expect(run).toThrow();
          else expect(run()).toBeCloseTo(2 * radius, 6);
        },
      ),
    );
  });

  test('136 and 137 mm are nearer than the measuring; a circle that nobody makes is said', () => {
    const one = boltCircle.run({ holes: 4, chordMm: 136.4 / Math.SQRT2 });
    expect([one.verdict, one.result.reasons[0]!.says]).toEqual([
      'check',
      expect.stringMatching(/136 mm or 4 on 137/),
    ]);
    expect(boltCircle.run({ holes: 4, chordMm: 125 / Math.SQRT2 }).result.nearest).toBeNull();
  });

  test.each([
    [{ holes: 4, chordMm: 90, skipped: 2 }, 'skipped'],
    [{ holes: 5 }, 'chordMm'],
    [{ holes: 5, chordMm: 90, holeToFlatMm: 120 }, 'chordMm'],
    [{ holes: 6, holeToFlatMm: 120 }, 'holeToFlatMm'],
  ])('%j is refused at %s', (input, field) =>
    expect(() => boltCircle.run(input)).toThrow(expect.objectContaining({ field })),
  );
});

describe('offset', () => {
  test('backspace less half the width; both edges follow from it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 400 }),
        fc.integer({ min: 0, max: 99 }),
        fc.integer({ min: 100, max: 400 }),
        (wide, pct, other) => {
          const [backspaceMm, there] = [(wide * pct) / 100, (other * pct) / 100];
          const { result } = wheelOffset.run({
            overallWidthMm: wide,
            backspaceMm,
            other: { overallWidthMm: other, backspaceMm: there },
          });
          expect(result.offsetMm + wide / 2).toBeCloseTo(backspaceMm, 9);
          expect(result.frontspaceMm + backspaceMm).toBeCloseTo(wide, 9);
          expect(result.moves!.inwardMm + result.moves!.outwardMm).toBeCloseTo(other - wide, 9);
        },
      ),
    );
  });

  test('inside the rings and a ring on each side make the width; what moves is said with its direction', () => {
    expect(
      wheelOffset.run({ innerWidthMm: 200, ringMm: 15, backspaceMm: 100 }).result.overallWidthMm,
    ).toBe(230);
    const { result, cautions } = wheelOffset.run({
      overallWidthMm: 200,
      backspaceMm: 100,
      other: { overallWidthMm: 200, backspaceMm: 80 },
    });
    expect(result.reasons.map((r) => r.says)).toEqual([
      'The inner edge comes 20.0 mm away from the frame.',
      'The outer edge comes 20.0 mm nearer to the fender.',
    ]);
    expect(cautions).toHaveLength(1);
  });

  test('no width, both widths, or a backspace past the width is refused', () => {
    expect(() => wheelOffset.run({ backspaceMm: 100 })).toThrow(/One width/);
    expect(() =>
      wheelOffset.run({ innerWidthMm: 200, overallWidthMm: 230, backspaceMm: 100 }),
    ).toThrow(/One width/);
    expect(() => wheelOffset.run({ overallWidthMm: 200, backspaceMm: 200 })).toThrow(
      /not less than the overall width/,
    );
    expect(() =>
      wheelOffset.run({
        overallWidthMm: 200,
        backspaceMm: 90,
        other: { overallWidthMm: 90, backspaceMm: 90 },
      }),
    ).toThrow(expect.objectContaining({ field: 'other.backspaceMm' }));
  });
});

describe('crush', () => {
  /** One figure stands for three alike: a bead is measured at several places. */
  const places = (mm: number[]) => (mm.length === 1 ? [mm[0]!, mm[0]!, mm[0]!] : mm);
  const bead = (bundleMm: number[], gapMm = [17.27], side: 'inner' | 'outer' = 'outer') => ({
    side,
    bundleMm: places(bundleMm),
    gapMm: places(gapMm),
  });

  test('one reading of a bead is not enough to call it good, nor are two', () => {
    const once = (bundleMm: number[], gapMm: number[]) =>
      beadCrush.run({ beads: [{ side: 'outer', bundleMm, gapMm }], rings: 1 });
    expect(once([20], [17.2]).verdict).toBe('check');
    expect(once([20, 20, 20], [17.2, 17.2]).verdict).toBe('check');
    expect(once([20], [17.2]).result.reasons.map((r) => r.says)).toContain(
      'Outer bead: 1 reading of the bundle, 1 of the gap. Measure each at 3 places or more.',
    );
    expect(once([20, 20, 20], [17.2, 17.2, 17.2]).verdict).toBe('good');
  });

  test('0.800 and 0.780 in of bundle over a gap of 0.680 in: 0.120 and 0.100 in, both wanted', () => {
    const { result, verdict } = beadCrush.run({
      beads: [bead([20.32]), bead([19.81], [17.27], 'inner')],
    });
    expect(result.beads.map((b) => b.crushMm.toFixed(2))).toEqual(['3.05', '2.54']);
    expect(verdict).toBe('good');
  });

  test.each<[number, string]>([
    [2.53, 'stop'],
    [2.54, 'good'],
    [3.05, 'good'],
    [3.06, 'check'],
  ])('%d mm of crush: %s', (crush, verdict) =>
    expect(
      beadCrush.run({ beads: [bead([17.27 + crush]), bead([20], [17.27], 'inner')] }).verdict,
    ).toBe(verdict),
  );

  test('a thin place, a bead that was not measured and an unlike partner are named', () => {
    const says = (input: Parameters<typeof beadCrush.run>[0]) =>
      beadCrush
        .run(input)
        .result.reasons.map((r) => r.says)
        .join(' ');
    const inner = bead([20], [17.27], 'inner');
    expect(says({ beads: [bead([20.1, 19.7]), inner] })).toMatch(/only 2\.43 mm at its thinnest/);
    expect(says({ beads: [bead([20.4, 19.9]), inner] })).not.toMatch(/differ/);
    expect(says({ beads: [bead([20.41, 19.9]), inner] })).toMatch(/its places differ by 0\.51 mm/);
    expect(says({ beads: [inner] })).toMatch(/Measure outer bead too/);
    expect(says({ beads: [bead([20]), inner], other: [bead([20.3]), inner] })).not.toMatch(
      /pair differ/,
    );
    const pair = beadCrush.run({
      beads: [bead([19.82]), inner],
      other: [bead([20.33]), inner],
    }).result;
    expect(pair.pairDifferenceMm).toBeCloseTo(0.51, 6);
    expect(pair.reasons.map((r) => r.says).join()).toMatch(/The pair differs by 0\.51 mm/);
  });

  test('what cannot be is refused at its field', () => {
    const at = (field: string) => expect.objectContaining({ field });
    expect(() => beadCrush.run({ beads: [] })).toThrow(at('beads'));
    expect(() => beadCrush.run({ beads: [bead([17.27])] })).toThrow(at('beads[0].bundleMm'));
    expect(() => beadCrush.run({ beads: [bead([20], [])] })).toThrow(at('beads[0].gapMm'));
    expect(() => beadCrush.run({ beads: [bead([20]), bead([20])] })).toThrow(at('beads[1].side'));
    expect(() => beadCrush.run({ beads: [bead([20])], other: [bead([16])] })).toThrow(
      at('other[0].bundleMm'),
    );
  });
});

describe('clamp force', () => {
  const CLAMP = {
    torqueNm: 27.12,
    bolt: '5/16-18',
    grade: '8',
    lubricant: 'anti-seize',
    bolts: 16,
    ringDiameterMm: 330,
  } as const;

  test('20 lbf·ft with anti-seize on 5/16-18 is past proof of grade 8 and far past grade 5', () => {
    const eight = clampForce.run(CLAMP);
    expect(eight.result.forcePerBoltN / 1000).toBeCloseTo(28.5, 1);
    expect(eight.result.proofN / 1000).toBeCloseTo(28.0, 1);
    expect([eight.verdict, eight.result.reasons[0]!.says]).toEqual([
      'stop',
      expect.stringMatching(/^Past proof/),
    ]);
    expect(clampForce.run({ ...CLAMP, grade: '5' }).result.proofN / 1000).toBeCloseTo(19.8, 1);
  });

  test('the torque that reaches the rule is the last one that is good', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('1/4-20', '5/16-18', '3/8-16', 'M6', 'M8', 'M10' as const),
        fc.constantFrom('anti-seize', 'oiled', 'dry, plated' as const),
        fc.boolean(),
        (bolt, lubricant, strong) => {
          const grade = bolt.startsWith('M') ? (strong ? '10.9' : '8.8') : strong ? '8' : '5';
          const at = (torqueNm: number) =>
            clampForce.run({ ...CLAMP, bolt, lubricant, grade, torqueNm } as typeof CLAMP);
          const { mostNm } = at(10).result;
          expect(at(mostNm).verdict).toBe('good');
          expect(at(mostNm * 1.001).verdict).toBe('stop');
          expect(at(mostNm).result.shareOfProof).toBeCloseTo(0.75, 6);
          // Twice the bolts, or half the ring, is twice the clamp on a millimetre.
          expect(clampForce.run({ ...CLAMP, bolts: 32 }).result.forcePerMm).toBeCloseTo(
            2 * clampForce.run(CLAMP).result.forcePerMm,
            6,
          );
        },
      ),
    );
  });

  test('a grade that such a bolt is not made in is refused', () => {
    expect(() => clampForce.run({ ...CLAMP, grade: '8.8' })).toThrow(
      expect.objectContaining({ field: 'grade' }),
    );
    expect(() => clampForce.run({ ...CLAMP, bolt: 'M8' })).toThrow(
      expect.objectContaining({ field: 'grade' }),
    );
  });
});

describe('order of the ring', () => {
  test('each bolt once a stage; crossing never takes neighbors one after the other, four bolts excepted', () => {
    for (let bolts = 4; bolts <= 36; bolts++)
      for (const school of ['round and round', 'crossing'] as const) {
        const moves = ringMoves(bolts, school, RING_STAGES);
        for (const stage of RING_STAGES) {
          const its = moves.filter((m) => m.stage === stage).map((m) => m.bolt);
          expect([...its].sort((a, b) => a - b)).toEqual(
            Array.from({ length: bolts }, (_, i) => i + 1),
          );
        }
        const neighbors = moves.filter((m, i) => {
          if (i === 0) return false;
          const gap = Math.abs(m.bolt - moves[i - 1]!.bolt);
          return Math.min(gap, bolts - gap) === 1;
        }).length;
        // Four in a ring: one neighbor a stage cannot be avoided, as trying all orders shows; the
        // next stage begins across.
        if (school === 'crossing') expect(neighbors).toBe(bolts === 4 ? RING_STAGES.length : 0);
        for (const m of moves) expect(m.deg).toBeCloseTo((360 * (m.bolt - 1)) / bolts, 9);
      }
  });

  test('the school is the shop’s where nobody says; stages are the caller’s', () => {
    const order = (input: Parameters<typeof ringOrder.run>[0]) =>
      ringOrder.run(input).result.moves.map((m) => m.bolt);
    expect(order({ bolts: 5, stages: ['a'] })).toEqual([1, 2, 3, 4, 5]);
    expect(
      order({ bolts: 6, stages: ['a'], rules: { 'ring.order': 'crossing' } }).slice(0, 2),
    ).toEqual([1, 4]);
    expect(order({ bolts: 6, stages: [] })).toEqual([]);
  });
});

describe('ring gap', () => {
  const ring = (mean: number, tilt: number, openDeg: number, places = 8) =>
    Array.from({ length: places }, (_, i) => {
      const deg = (360 * i) / places;
      return { deg, gapMm: mean + (tilt / 2) * Math.cos(((deg - openDeg) * Math.PI) / 180) };
    });
  const ask = (
    readings: ReturnType<typeof ring>,
    when: 'bolts just started' | 'before the torque' | 'after the torque' = 'before the torque',
  ) => ringGap.run({ readings, when, bolts: 12, bolt: '5/16-18' });

  test('a tilted ring: how much, where, and the turns that level it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 30, max: 300 }),
        fc.integer({ min: 0, max: 359 }),
        (hundredths, openDeg) => {
          const tilt = hundredths / 100;
          const { result } = ask(ring(4, tilt, openDeg));
          expect([result.state, result.tiltMm, result.meanMm]).toEqual([
            'tilted',
            expect.closeTo(tilt, 9),
            expect.closeTo(4, 9),
          ]);
          expect(Math.cos(((result.openDeg - openDeg) * Math.PI) / 180)).toBeCloseTo(1, 9);
          // Pulled by those turns, every bolt stands where the closed side stands.
          const pitchMm = INCH_IN_MM / 18;
          for (const p of result.pulls) {
            const gap = 4 + (tilt / 2) * Math.cos(((p.deg - openDeg) * Math.PI) / 180);
            expect(gap - p.turns * pitchMm).toBeCloseTo(4 - tilt / 2, 6);
          }
          expect(result.pulls.map((p) => p.turns)).toEqual(
            result.pulls.map((p) => p.turns).sort((a, b) => b - a),
          );
        },
      ),
    );
  });

  test('even, closed and tilted, before and after the torque', () => {
    expect(ask(ring(1, 0.25, 40)).verdict).toBe('good');
    expect(ask(ring(1, 0.26, 40)).verdict).toBe('check');
    expect(ask(ring(1, 0.26, 40), 'after the torque').verdict).toBe('stop');
    expect(ask(ring(1, 0.1, 40), 'after the torque').verdict).toBe('check');
    expect(ask(ring(0.02, 0.02, 40), 'after the torque').result.state).toBe('closed');
    expect(ask(ring(1, 0.1, 40)).result.pulls).toEqual([]);
    expect(ask(ring(3.56, 0, 0), 'bolts just started').verdict).toBe('good');
    expect(ask(ring(3.5, 0, 0), 'bolts just started').verdict).toBe('check');
  });

  test('one place that stands out is no tilt; readings of half the ring are refused', () => {
    const dented = ring(1, 0, 0, 12).map((r, i) => (i === 3 ? { ...r, gapMm: 1.8 } : r));
    expect(
      ask(dented)
        .result.reasons.map((r) => r.says)
        .join(),
    ).toMatch(/stands out by 0\.6\d mm, at 3 o’clock/);
    expect(() => ask(ring(1, 0, 0, 3))).toThrow(/unread/);
    expect(() => ask(ring(1, 0, 0, 12).slice(0, 7))).toThrow(/unread/);
  });
});

describe('rollout', () => {
  const tape = (...mm: number[]) =>
    mm.map((circumferenceMm, run) => ({ run, circumferenceMm, gaugeKpa: 41.37 }));

  test('growth from run to run, until it settles', () => {
    const growing = rollout.run({ readings: tape(2640, 2665.4, 2670) });
    expect(growing.result.growths.map((g) => g.growthMm.toFixed(1))).toEqual(['25.4', '4.6']);
    expect([growing.verdict, growing.result.settled]).toEqual(['check', false]);
    const settled = rollout.run({ readings: tape(2640, 2665.4, 2668.5) });
    expect([settled.verdict, settled.result.settled]).toEqual(['good', true]);
    expect(settled.result.next).toEqual({
      lowMm: expect.closeTo(2666.9, 6),
      highMm: expect.closeTo(2673.2, 6),
    });
    const once = rollout.run({ readings: tape(2640) });
    expect([once.verdict, once.result.next, once.result.settled]).toEqual(['check', null, false]);
    expect(rollout.run({ readings: tape(2640, 2630) }).result.reasons[0]!.says).toMatch(
      /10\.0 mm less after run 1/,
    );
  });

  test('two pressures of one run tell the stretch, and bring other readings to the measuring pressure', () => {
    const readings = [
      ...tape(2640, 2665),
      { run: 1, circumferenceMm: 2685, gaugeKpa: 61.37 },
      { run: 2, circumferenceMm: 2690, gaugeKpa: 61.37 },
    ];
    const { result } = rollout.run({ readings });
    expect(result.stretchMmPerKpa).toBeCloseTo(1, 9);
    expect(result.circumferenceMm).toBeCloseTo(2670, 9);
    expect(() =>
      rollout.run({
        readings: [...tape(2640), { run: 1, circumferenceMm: 2690, gaugeKpa: 61.37 }],
      }),
    ).toThrow(expect.objectContaining({ field: 'readings[1].gaugeKpa' }));
    expect(() =>
      rollout.run({
        readings: [
          { run: 0, circumferenceMm: 2600, gaugeKpa: 40 },
          { run: 0, circumferenceMm: 2590, gaugeKpa: 60 },
        ],
      }),
    ).toThrow(/shrink/);
    expect(() => rollout.run({ readings: [] })).toThrow(/Nothing was taped/);
  });
});

describe('a pair', () => {
  const inch = (value: number) => value * INCH_IN_MM;
  const match = (differenceIn: number, more: object = {}) =>
    rolloutMatch.run({
      leftMm: inch(104),
      rightMm: inch(104 + differenceIn),
      measuringKpa: 41.37,
      ...more,
    });

  test.each<[number, string]>([
    [0, 'good'],
    [0.25, 'good'],
    [0.26, 'check'],
    [0.375, 'check'],
    [0.49, 'check'],
    [0.5, 'stop'],
  ])('%d in apart: %s', (differenceIn, verdict) =>
    expect(match(differenceIn).verdict).toBe(verdict),
  );

  test('one inch on 104 with a 60 inch track is a circle of 520 ft', () =>
    expect(match(1, { trackMm: inch(60) }).result.circleRadiusM! / FOOT_IN_M).toBeCloseTo(520, 6));

  test('air by the smaller one’s own stretch, never past its limit; without a stretch nobody can know', () => {
    const says = (more: object) =>
      match(0.5, more)
        .result.reasons.map((r) => r.says)
        .join(' ');
    expect(match(0.5, { stretchMmPerKpa: 1.27, limitKpa: 51.37 }).result.correct).toEqual({
      side: 'left',
      addKpa: expect.closeTo(10, 9),
      toKpa: expect.closeTo(51.37, 9),
    });
    expect(match(0.5, { stretchMmPerKpa: 1.27, limitKpa: 51.36 }).result.correct).toBeNull();
    expect(says({ stretchMmPerKpa: 1.27, limitKpa: 51.36 })).toMatch(
      /Change the tire; don’t add air/,
    );
    expect(says({})).toMatch(/Air needed is unknown\. Tape the left one at a second pressure/);
    expect(says({ stretchMmPerKpa: 1.27 })).toMatch(/Read the left tire’s limit first/);
    expect(match(0.25, { stretchMmPerKpa: 1.27, limitKpa: 90 }).result.correct).toBeNull();
  });

  test('left and right exchanged is the same answer for the other side', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2000, max: 2200 }),
        fc.integer({ min: 2000, max: 2200 }),
        (leftMm, rightMm) => {
          const more = { measuringKpa: 41, stretchMmPerKpa: 1, limitKpa: 90, trackMm: 1500 };
          const [a, b] = [
            rolloutMatch.run({ ...more, leftMm, rightMm }),
            rolloutMatch.run({ ...more, leftMm: rightMm, rightMm: leftMm }),
          ];
          expect(a.result.differenceMm + b.result.differenceMm).toBeCloseTo(0, 9);
          expect([a.verdict, a.result.correct?.addKpa, a.result.circleRadiusM]).toEqual([
            b.verdict,
            b.result.correct?.addKpa,
            b.result.circleRadiusM,
          ]);
          if (a.result.smaller) expect(a.result.smaller).not.toBe(b.result.smaller);
        },
      ),
    );
  });

  test('other pairs have rules of their own; two that differ by a tenth are no pair', () => {
    expect(match(0.5, { pair: 'driven axle of four' }).verdict).toBe('check');
    expect(match(0.5, { pair: 'rear and driven sidecar' }).verdict).toBe('stop');
    expect(
      match(0.5, { pair: 'rear and driven sidecar', rules: { 'rollout.sidecarGoodMm': 20 } })
        .verdict,
    ).toBe('good');
    expect(() =>
      rolloutMatch.run({ leftMm: inch(104), rightMm: inch(140), measuringKpa: 41 }),
    ).toThrow(expect.objectContaining({ field: 'rightMm', message: expect.stringMatching(/35%/) }));
  });
});

describe('split rim', () => {
  const OUT = {
    silent: true,
    gaugeKpa: 0,
    coreOut: true,
    bolts: 5,
    torqueNm: 24,
    tube: true,
    sealed: false,
  };

  test('no bolt is touched before it is silent, at nought and the core is out, all three', () => {
    for (const silent of [true, false])
      for (const coreOut of [true, false])
        for (const gaugeKpa of [null, 0, 0.5, 0.6, 200]) {
          const { result, verdict } = splitRim.run({ ...OUT, silent, coreOut, gaugeKpa });
          const may = silent && coreOut && gaugeKpa !== null && gaugeKpa <= 0.5;
          expect([result.mayUndo, verdict === 'stop', result.missing.length === 0]).toEqual([
            may,
            !may,
            may,
          ]);
        }
  });

  test('torque, seal and tube are asked for', () => {
    const at = (more: object) => splitRim.run({ ...OUT, ...more });
    expect(at({ torqueNm: null }).verdict).toBe('check');
    expect(at({ tube: false }).verdict).toBe('stop');
    expect(at({ tube: false, sealed: true }).verdict).toBe('check');
    expect(at({ tube: false, sealed: true, sealRenewed: true }).verdict).toBe('good');
    expect(
      at({ school: 'round and round' })
        .result.moves.slice(0, 6)
        .map((m) => m.bolt),
    ).toEqual([1, 2, 3, 4, 5, 1]);
    expect(at({}).cautions.join()).toMatch(/Deflate fully before undoing any rim bolt/);
    expect(at({ ring: true }).cautions.join()).toMatch(/before undoing any ring bolt/);
    expect(at({ ring: true }).cautions.join()).not.toMatch(/rim bolt|halves/);
  });
});

describe('a gap that is not even without a tilt', () => {
  const gap = (
    gaps: number[],
    when: 'bolts just started' | 'before the torque' | 'after the torque',
  ) =>
    ringGap.run({
      readings: gaps.map((gapMm, i) => ({ deg: (360 * i) / gaps.length, gapMm })),
      when,
    });
  test.each(['before the torque', 'after the torque'] as const)(
    '0, 2, 0, 2 mm %s is uneven, never even',
    (when) => {
      const { result, verdict } = gap([0, 2, 0, 2], when);
      expect(result.state).toBe('uneven');
      expect(verdict).toBe(when === 'after the torque' ? 'stop' : 'check');
      expect(result.reasons.map((r) => r.says).join()).not.toMatch(/Even/);
    },
  );
  test('so far open no bolt holds it: never good', () => {
    for (const when of ['bolts just started', 'before the torque'] as const)
      expect(gap([45, 45, 45, 45], when)).toMatchObject({
        verdict: 'check',
        result: { state: 'far open' },
      });
    expect(gap([45, 45, 45, 45], 'after the torque').verdict).toBe('stop');
    expect(gap([4, 4, 4, 4], 'bolts just started').verdict).toBe('good');
  });
  test('whatever the readings, it is called even only where no place stands out and it is not tilted', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 5, noNaN: true }), { minLength: 6, maxLength: 12 }),
        (gaps) => {
          const { result } = gap(gaps, 'before the torque');
          const says = result.reasons.map((r) => r.says).join();
          if (result.state === 'even') expect(says).not.toMatch(/stands out|Tilted/);
        },
      ),
    );
  });
});

test('a tire that reads less than before is not said to grow', () => {
  const { result } = rollout.run({
    ...rollout.example,
    readings: [
      { run: 0, circumferenceMm: 2600, gaugeKpa: 41.37 },
      { run: 1, circumferenceMm: 2590, gaugeKpa: 41.37 },
    ],
  });
  const says = result.reasons.map((r) => r.says).join(' ');
  expect(says).not.toMatch(/growing|−/);
  expect(says).toMatch(/Not settled: it reads 10\.0 mm less by run 1/);
});
