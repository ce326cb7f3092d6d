import { logOf, sampleChosen, sampleMachine, sampleWheel } from '../../../tests/sample';
import { DEFAULT_UNITS } from '../base/units';
import type { Wheel } from '../fit/wheels';
import type { WeightItem } from '../shop/records';
import {
  airOutOf,
  balanceAnswers,
  balanceQuestion,
  clampOf,
  crushOf,
  dialMarks,
  entryText,
  foldJob,
  gapOf,
  pairCrush,
  pairDoubts,
  pairNow,
  partnerOf,
  ringOf,
  ringsOf,
  rolloutOf,
  schoolsOf,
  seatLimitOf,
  stationReport,
  stepsOf,
  toolsOf,
  wheelHistory,
} from '.';

const TODAY = '2026-04-30';
const clamped = (more: Partial<Wheel> = {}): Wheel =>
  sampleWheel({
    build: 'beadlock',
    position: 'left-rear',
    tube: false,
    rimLockDegs: [],
    rings: 2,
    ringBolts: 6,
    ringTorqueNm: 20,
    ringBoltSize: 'M8',
    ringBoltGrade: '10.9',
    ...more,
  });
const jobOf = (wheel: Wheel) => logOf().open(sampleMachine({ kind: 'drag' }), wheel);

describe('bolts of a clamped wheel', () => {
  test('outer ring before inner, first pass before second, each bolt in its turn, until nothing is left', () => {
    const l = jobOf(clamped());
    const walked: string[] = [];
    for (let now = ringOf(foldJob(l.log))!; now.next; now = ringOf(foldJob(l.log))!) {
      const { ring, pass, bolt } = now.next;
      walked.push(`${ring} ${pass} ${bolt}`);
      expect(now.done).toBe(walked.length - 1);
      l.add('ring-bolt', { ring, pass, bolt, torqueNm: 20 });
    }
    expect(walked).toEqual(
      ['outer 1', 'outer 2', 'inner 1', 'inner 2'].flatMap((pass) =>
        [1, 2, 3, 4, 5, 6].map((b) => `${pass} ${b}`),
      ),
    );
    expect(ringOf(foldJob(l.log))).toMatchObject({ done: 24, next: null });
  });

  test('an undone bolt is next again; a split rim crosses; what is not clamped, or not counted, has no bolts', () => {
    const l = jobOf(clamped({ rings: null, build: 'split', rimBolts: 5, rimBoltTorqueNm: 24 }));
    const id = l.add('ring-bolt', { ring: 'rim', pass: 1, bolt: 1, torqueNm: 24 });
    expect(ringOf(foldJob(l.log))).toMatchObject({
      rings: ['rim'],
      wantedNm: 24,
      next: { bolt: 3, deg: 144 },
    });
    l.add('undo', { entryId: id });
    expect(ringOf(foldJob(l.log))?.next?.bolt).toBe(1);
    expect(ringsOf(foldJob(jobOf(clamped({ rings: null })).log))).toEqual(['outer']);
    expect(ringOf(foldJob(jobOf(clamped({ ringBolts: null })).log))).toBeNull();
    expect(ringOf(foldJob(jobOf(clamped({ build: 'cast' })).log))).toBeNull();
  });

  test('counted at the bench, the wheel keeps them, each build its own', () => {
    const ring = jobOf(clamped({ ringBolts: null, ringTorqueNm: null }));
    ring.add('ring-set', { bolts: 12, torqueNm: 14 });
    expect(foldJob(ring.log).wheel).toMatchObject({
      ringBolts: 12,
      ringTorqueNm: 14,
      rimBolts: null,
    });
    const split = jobOf(clamped({ build: 'split', ringBolts: null, ringTorqueNm: null }));
    split.add('ring-set', { bolts: 5, torqueNm: null });
    expect(foldJob(split.log).wheel).toMatchObject({
      ringBolts: null,
      rimBolts: 5,
      rimBoltTorqueNm: null,
    });
  });

  test('the dial shows the bolts of the pass at hand, the next one lit, and the last round of the feeler', () => {
    const l = jobOf(clamped());
    l.add('ring-bolt', { ring: 'outer', pass: 1, bolt: 1, torqueNm: 20 });
    l.add('ring-gap', {
      ring: 'outer',
      when: 'before the torque',
      readings: [
        { deg: 90, gapMm: 2 },
        { deg: 270, gapMm: 1 },
      ],
    });
    l.add('ring-gap', {
      ring: 'inner',
      when: 'before the torque',
      readings: [{ deg: 0, gapMm: 9 }],
    });
    const state = foldJob(l.log);
    const step = stepsOf(state, 'tire-on').find((s) => s.shows === 'ring');
    const marks = dialMarks(state, 'tire-on', { step });
    expect(marks.filter((m) => m.is === 'bolt').map((m) => [m.n, m.deg, m.state])).toEqual([
      [1, 0, 'done'],
      [2, 60, 'now'],
      [3, 120, 'open'],
      [4, 180, 'open'],
      [5, 240, 'open'],
      [6, 300, 'open'],
    ]);
    expect(marks.filter((m) => m.is === 'gap').map((m) => [m.deg, m.share, m.label])).toEqual([
      [90, 1, '2.00'],
      [270, 0.5, '1.00'],
    ]);
  });
});

describe('the air before a bolt', () => {
  test('nothing noted is not out; all three noted is; a wheel that is levered is not asked', () => {
    const l = jobOf(clamped());
    const may = () => {
      const air = airOutOf(foldJob(l.log));
      return air?.ok ? air.working.result.mayUndo : null;
    };
    expect(may()).toBe(false);
    l.add('air-out', { silent: true, gaugeKpa: 30, coreOut: true });
    expect(may()).toBe(false);
    l.add('air-out', { silent: true, gaugeKpa: 0, coreOut: true });
    expect(may()).toBe(true);
    expect(airOutOf(foldJob(jobOf(clamped({ build: 'cast' })).log))).toBeNull();
    const held = stepsOf(foldJob(l.log), 'tire-off').filter((s) => s.wants === 'air-out');
    expect(held.map((s) => s.id)).toEqual(['toff-ring']);
  });
});

describe('crush, gap and rollout of the job', () => {
  test('beads by their side, the last measuring counts, and the outer gap is written on the wheel', () => {
    const l = jobOf(clamped());
    expect(crushOf(foldJob(l.log))).toBeNull();
    l.add('bead-measured', { side: 'outer', bundleMm: [19, 19, 19], gapMm: [17, 17, 17] });
    l.add('bead-measured', { side: 'outer', bundleMm: [20], gapMm: [17.1, 17.3] });
    l.add('bead-measured', {
      side: 'inner',
      bundleMm: [20.1, 20.1, 20.1],
      gapMm: [17.4, 17.4, 17.4],
    });
    const state = foldJob(l.log);
    const crush = crushOf(state);
    expect(
      crush?.ok && crush.working.result.beads.map((b) => [b.side, b.crushMm.toFixed(2)]),
    ).toEqual([
      ['outer', '2.80'],
      ['inner', '2.70'],
    ]);
    expect(state.wheel?.ringGapMm).toBeCloseTo(17.2, 9);
    expect(gapOf(state, 'outer')).toBeNull();
  });

  test('a new tire begins its own rollout; the one that stays goes on with what the wheel keeps', () => {
    const kept = { onDate: TODAY, run: 0, circumferenceMm: 2480, gaugeKpa: 41.37 };
    const l = jobOf(clamped({ rollouts: [kept] }));
    l.add('taped', { run: 1, circumferenceMm: 2500, gaugeKpa: 41.37 });
    const of = () => {
      const found = rolloutOf(foldJob(l.log));
      return found?.ok ? found.working.result.runs.map((r) => r.run) : null;
    };
    expect(of()).toEqual([0, 1]);
    l.add('chosen', sampleChosen({ marking: '31.0/11.5-15', tube: false }));
    expect(of()).toEqual([1]);
  });
});

describe('what is missing or doubtful of a clamped wheel', () => {
  const begun = (wheel: Wheel) => {
    const l = jobOf(wheel);
    for (const station of ['tire-off', 'inspect', 'tire-on'] as const)
      for (const { id } of stepsOf(foldJob(l.log), station))
        l.add('step', { stepId: id }, { station });
    return l;
  };
  const report = (l: ReturnType<typeof jobOf>, station: 'tire-off' | 'inspect' | 'tire-on') =>
    stationReport(foldJob(l.log), station, TODAY);

  test('air, beads and every turn of the wrench are asked for, and no more once they are there', () => {
    const l = begun(clamped());
    expect(report(l, 'tire-off').missing).toEqual([
      'the valve core out',
      'silence at the valve',
      'the gauge at zero',
    ]);
    expect(report(l, 'inspect').missing).toEqual([
      'bundle and gap of the outer bead',
      'bundle and gap of the inner bead',
    ]);
    expect(report(l, 'tire-on').missing).toEqual(['24 of 24 bolt turns']);
    l.add('air-out', { silent: true, gaugeKpa: 0, coreOut: true });
    for (const side of ['outer', 'inner'] as const)
      l.add('bead-measured', { side, bundleMm: [20, 20, 20], gapMm: [17.2, 17.2, 17.2] });
    for (const { ring, pass, bolt } of ringOf(foldJob(l.log))!.turns)
      l.add('ring-bolt', { ring, pass, bolt, torqueNm: 20 });
    for (const station of ['tire-off', 'inspect', 'tire-on'] as const)
      expect(report(l, station)).toMatchObject({ missing: [], doubts: [] });
  });

  test('too little crush, a tilted ring, another torque and a torque past proof are doubts', () => {
    const l = begun(clamped({ rings: 1, ringBoltSize: 'M6', ringBoltGrade: '8.8' }));
    l.add('bead-measured', { side: 'outer', bundleMm: [18, 18, 18], gapMm: [17.2, 17.2, 17.2] });
    l.add('ring-gap', {
      ring: 'outer',
      when: 'before the torque',
      readings: [0, 90, 180, 270].map((deg, i) => ({ deg, gapMm: [2, 1.5, 1, 1.5][i]! })),
    });
    l.add('ring-bolt', { ring: 'outer', pass: 1, bolt: 1, torqueNm: 30 });
    expect(report(l, 'inspect').doubts.join()).toMatch(/slip in the tire/);
    const doubts = report(l, 'tire-on').doubts.join();
    expect(doubts).toMatch(/Outer ring, bolt 1: clicked at the wrong torque/);
    expect(doubts).toMatch(/Tilted/);
    expect(doubts).toMatch(/Past proof/);
    expect(report(begun(clamped({ ringTorqueNm: null })), 'tire-on').doubts).toEqual([
      'The maker’s torque for its bolts is unknown.',
    ]);
    expect(report(begun(clamped({ ringBolts: null })), 'tire-on').missing).toEqual([
      'how many bolts hold it',
    ]);
  });

  test('a wheel of a pair wants its rollout', () => {
    const of = (wheel: Wheel) => stationReport(foldJob(jobOf(wheel).log), 'set', TODAY).missing;
    expect(of(clamped({ pair: 'drag rears' }))).toContain('the rollout by tape');
    expect(of(clamped())).not.toContain('the rollout by tape');
  });
});

test('the log says which ring, pass and bolt, and what made the reading', () => {
  const l = jobOf(clamped());
  l.add('ring-bolt', { ring: 'inner', pass: 2, bolt: 7, torqueNm: 20, device: 'bench click' });
  const words = entryText(l.log.at(-1)!, DEFAULT_UNITS, new Map());
  expect(words).toMatch(/^Inner ring, second pass: bolt 7 at .*, by bench click$/);
});

describe('a pair', () => {
  const tapes = (...mm: number[]) =>
    mm.map((circumferenceMm, run) => ({ onDate: TODAY, run, circumferenceMm, gaugeKpa: 41.37 }));
  const left = clamped({
    id: 'l',
    pair: 'drag rears',
    rollouts: tapes(2470, 2490),
    rimLimitKpa: 200,
  });
  const right = clamped({
    id: 'r',
    position: 'right-rear',
    pair: 'drag rears',
    rollouts: tapes(2472, 2505),
  });

  test('is the other wheel of the machine with the same word, at the same end, not archived', () => {
    expect(partnerOf(left, [left, right])?.id).toBe('r');
    expect(partnerOf({ ...left, pair: null }, [left, right])).toBeNull();
    expect(partnerOf(left, [left, { ...right, archived: true }])).toBeNull();
    expect(partnerOf(left, [left, { ...right, machineId: 'another' }])).toBeNull();
    const axle = (position: Wheel['position'], id: string): Wheel => ({
      ...left,
      id,
      position,
      pair: 'driven axle of four',
    });
    const four = [
      axle('left-front', 'a'),
      axle('right-front', 'b'),
      axle('left-rear', 'c'),
      axle('right-rear', 'd'),
    ];
    expect(four.map((w) => partnerOf(w, four)?.id)).toEqual(['b', 'a', 'd', 'c']);
    const rear: Wheel = { ...left, id: 'x', position: 'rear', pair: 'rear and driven sidecar' };
    expect(partnerOf(rear, [rear, { ...rear, id: 'y', position: 'sidecar' }])?.id).toBe('y');
  });

  test('matches by what was taped of each, whichever is asked first', () => {
    const [a, b] = [pairNow(left, right, {}), pairNow(right, left, {})];
    expect(a.match?.ok && a.match.working.result).toMatchObject({
      differenceMm: -15,
      smaller: 'left',
    });
    expect([b.left.id, b.match]).toEqual(['l', a.match]);
    expect(pairNow(left, { ...right, rollouts: [] }, {}).match).toBeNull();
  });

  test('corrected with air, it matches as it is aired; let down again, or aired by a hair, it does not', () => {
    const then = (gaugeKpa: number, circumferenceMm: number): Wheel => ({
      ...left,
      rollouts: [...left.rollouts, { onDate: TODAY, run: 1, circumferenceMm, gaugeKpa }],
    });
    const aired = pairNow(then(55, 2503), right, {});
    expect(aired.aired).toMatchObject({ leftKpa: 55, rightKpa: 41.37 });
    expect(aired.aired?.match.ok && aired.aired.match.working.result.differenceMm).toBe(-2);
    expect(aired.match?.ok && aired.match.working.verdict).not.toBe('good');
    const doubts = (wheel: Wheel) => pairDoubts(foldJob(jobOf(right).log), [wheel, right]);
    expect(doubts(then(55, 2503))).toEqual([]);
    expect(doubts(then(55, 2495))).not.toEqual([]);
    expect(pairNow(then(41.37, 2490), right, {}).aired).toBeNull();
    expect(pairNow(then(42.5, 2490), right, {}).aired).toBeNull();
  });

  test('stands at hand-over of either wheel: apart, not taped, or nothing', () => {
    const of = (wheel: Wheel, mm: number | null, wheels = [left, right]) => {
      const l = jobOf(wheel);
      if (mm !== null) l.add('taped', { run: 2, circumferenceMm: mm, gaugeKpa: 41.37 });
      return pairDoubts(foldJob(l.log), wheels);
    };
    expect(of(left, 2490)).toEqual([
      expect.stringMatching(/^15\.0 mm apart; .* Correct the left one, the smaller\.$/),
    ]);
    expect(of(right, 2505)).toEqual([expect.stringMatching(/^15\.0 mm apart/)]);
    expect(of(left, 2504)).toEqual([]);
    expect(of({ ...left, rollouts: [] }, null)).toEqual([expect.stringMatching(/not taped/)]);
    expect(of({ ...left, pair: null }, 2400)).toEqual([]);
  });
});

describe('crush and clamp of both wheels of a pair', () => {
  const beads = (mm: number) => [
    { side: 'outer' as const, bundleMm: Array<number>(3).fill(17 + mm), gapMm: [17, 17, 17] },
  ];
  const pair = { left: clamped({ id: 'l', rings: 1 }), right: clamped({ id: 'r', rings: 1 }) };

  test('beside each other: one that differs is said, and nothing before the left one was measured', () => {
    const of = (left: number, right: number | null) =>
      pairCrush(pair, { left: beads(left), right: right === null ? [] : beads(right) }, {});
    const told = of(2.6, 3.0);
    expect(told?.ok && told.working.result.beads.map((b) => b.wheel)).toEqual(['this', 'other']);
    expect(told?.ok && told.working.verdict).toBe('good');
    const apart = of(2.5, 3.05);
    expect(apart?.ok && apart.working.result.reasons.map((r) => r.says).join()).toMatch(
      /The pair differs by/,
    );
    const alone = of(2.8, null);
    expect(alone?.ok && alone.working.result.pairDifferenceMm).toBeNull();
    expect(pairCrush(pair, { left: [], right: beads(2.8) }, {})).toBeNull();
  });

  test('what clamps is by the record and by what the shop puts on threads; unknown, it is not guessed', () => {
    const share = (rules: object) => {
      const found = clampOf(clamped(), rules as never);
      return found?.ok ? found.working.result.shareOfProof : null;
    };
    expect(share({ 'clamp.lubricant': 'dry, plated' })! / share({})!).toBeCloseTo(0.12 / 0.2, 9);
    for (const key of ['ringTorqueNm', 'ringBolts', 'ringBoltSize', 'ringBoltGrade'] as const)
      expect(clampOf(clamped({ [key]: null }), {})).toBeNull();
  });

  test('the wheel’s history holds beads and turns of the jobs that had them, the newest first', () => {
    const job = { id: 'j', openedAt: '2026-04-02T09:00:00.000Z' } as never;
    const l = jobOf(clamped());
    const of = () => wheelHistory([{ job, entries: l.log }]).clamped;
    expect(of()).toEqual([]);
    l.add('bead-measured', { side: 'inner', bundleMm: [20, 20, 20], gapMm: [17.2, 17.2, 17.2] });
    l.add('ring-bolt', { ring: 'outer', pass: 1, bolt: 1, torqueNm: 20 });
    expect(of()).toEqual([
      {
        beads: [{ side: 'inner', bundleMm: [20, 20, 20], gapMm: [17.2, 17.2, 17.2] }],
        turnsDone: 1,
        turns: 24,
        onDate: '2026-04-02',
        jobId: 'j',
      },
    ]);
  });
});

describe('a ring wheel on the balancer', () => {
  const tape = (massG: number): WeightItem =>
    ({
      id: `a${massG}`,
      massG,
      kind: 'adhesive',
      lengthMm: massG,
      count: 40,
      archived: false,
    }) as WeightItem;
  const crimp = { ...tape(20), id: 'c', kind: 'spoke' } as WeightItem;
  const shelf = [crimp, tape(5), tape(10)];

  test('whatever the shop does elsewhere, weights go on its inner face, stuck, clear of the valve alone', () => {
    for (const sides of ['both', 'one', 'inner']) {
      const l = jobOf(clamped({ rimCode: '12x15' }));
      const state = { ...foldJob(l.log), rules: { 'balance.sides': sides } };
      const asked = balanceQuestion(state, shelf);
      expect(asked).toMatchObject({ sides: 'inner', clearOf: [0] });
      expect(asked).not.toHaveProperty('positions');
      expect(asked!.stock.map((s) => s.massG)).toEqual([5, 10]);
      expect(schoolsOf(state).map((s) => s.school)).not.toContain('balance.sides');
    }
    const cast = foldJob(jobOf(clamped({ build: 'cast' })).log);
    expect(schoolsOf(cast).map((s) => s.school)).toContain('balance.sides');
  });

  test('a machine’s word is another observation: its weights stand opposite, on the inner face', () => {
    const l = jobOf(clamped({ rimCode: '12x15' }));
    l.add('machine-reading', { massG: 40, deg: 90, stepG: 1, stepDeg: 3 });
    const { advice, placed } = balanceAnswers(balanceQuestion(foldJob(l.log), shelf)!);
    expect(advice.ok && advice.working.result.do).toBe('final');
    const pieces = placed?.ok ? placed.working.result.pieces : [];
    expect(pieces.reduce((sum, p) => sum + p.massG, 0)).toBeGreaterThanOrEqual(35);
    expect(new Set(pieces.map((p) => p.side))).toEqual(new Set(['inner']));
    for (const { deg } of pieces) expect(Math.abs(deg - 270)).toBeLessThan(25);
  });
});

test('the wrench for the bolts, the feeler and the tape are laid out with the rest', () => {
  const wrenches = [{ id: 'w', name: 'small click', minNm: 5, maxNm: 60 }] as never;
  const names = (wheel: Wheel) =>
    toolsOf(foldJob(jobOf(wheel).log), { tube: false, marking: '33.0/10.5-15' }, { wrenches })!
      .result.groups.flatMap((g) => g.tools)
      .map((t) => `${t.what}: ${t.why}`);
  expect(names(clamped())).toEqual(
    expect.arrayContaining([
      expect.stringMatching(/^feeler gauge/),
      expect.stringMatching(/^steel tape/),
      expect.stringMatching(/^small click: .*ring bolts/),
    ]),
  );
  expect(names(clamped({ ringTorqueNm: null })).join()).not.toContain('ring bolts, ');
  expect(names(clamped({ build: 'split', rimBoltTorqueNm: 20 })).join()).toContain('rim bolts');
});

test('a tire whose sidewall bears less than the centering pressure is centered by the sidewall', () => {
  const limit = (seatLimitKpa: number | null) => {
    const l = jobOf(clamped());
    l.add('chosen', sampleChosen({ marking: '33.0/10.5-15', tube: false, seatLimitKpa }));
    return seatLimitOf(foldJob(l.log)).result;
  };
  expect(limit(null).binds).toBe('beadlock');
  const ruled = limit(null).limitKpa;
  expect(limit(ruled - 14)).toMatchObject({ limitKpa: ruled - 14, binds: 'sidewall' });
  expect(limit(ruled + 14)).toMatchObject({ limitKpa: ruled, binds: 'beadlock' });
});
