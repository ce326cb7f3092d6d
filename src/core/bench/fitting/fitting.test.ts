import { InputError } from '../../base/errors';
import {
  materials,
  rankTires,
  rimLockPick,
  stripPick,
  tireFit,
  tools,
  treadForUse,
  valvePick,
  type Candidate,
  type FitContext,
} from '.';

const context: FitContext = {
  from: '110/90-19',
  end: 'rear',
  kind: 'dirt',
  use: 'dirt',
  build: 'spoked',
  rimCode: '2.15x19',
  tubelessMarked: false,
  sealed: false,
  discSide: 'right',
  tube: true,
  clearancesMm: { above: 30 },
  onDate: '2026-04-30',
};
const tire = (more: Partial<Candidate> = {}): Candidate => ({
  id: 'a',
  marking: '110/90-19 62M TT',
  tread: 'soft',
  arrows: 'one',
  dateCode: '0126',
  takeOff: false,
  treadMm: null,
  count: 2,
  ...more,
});
const fit = (more: Partial<Candidate> = {}, where: Partial<FitContext> = {}) => {
  const { id: _id, count: _count, ...facts } = tire(more);
  const working = tireFit.run({ tire: facts, ...context, ...where });
  return {
    ...working,
    says: working.result.reasons
      .filter((r) => r.verdict !== 'good')
      .map((r) => `${r.topic}: ${r.says}`),
  };
};

describe('whether a tire goes on', () => {
  test('the same knobby on its own wheel is good, with a reason for every topic', () => {
    const { verdict, says, result } = fit();
    expect(says).toEqual([]);
    expect(verdict).toBe('good');
    expect(new Set(result.reasons.map((r) => r.topic))).toEqual(
      new Set(['size', 'rim', 'tube', 'tread', 'age', 'direction']),
    );
  });

  test.each<[Partial<Candidate>, Partial<FitContext>, RegExp, string]>([
    [
      { marking: '110/90-18 61M TT' },
      {},
      /size: An 18 inch tire does not go on a 19 inch rim/,
      'stop',
    ],
    [{ marking: '180/90-19 80M TT' }, {}, /rim: A rim 2.15 in wide is too narrow/, 'stop'],
    [
      {},
      { minLoadIndex: 70 },
      /load: Load index 62 \(265 kg\) is below the required 70 \(335 kg\)/,
      'stop',
    ],
    [{}, { minSpeedSymbol: 'H' }, /load: Speed symbol M \(130 km\/h\) is below/, 'stop'],
    [
      {},
      { tube: false },
      /tube: An unsealed spoked rim with a tube-type tire takes a tube/,
      'stop',
    ],
    [{ tread: 'slick' }, { use: 'road' }, /tread: A slick never goes on the road/, 'stop'],
    [{ tread: 'touring' }, {}, /tread: A road pattern has nowhere for gravel to go/, 'check'],
    [{ tread: 'soft' }, { use: 'road' }, /tread: Knobby on the road/, 'check'],
    [{ tread: 'other' }, {}, /tread: Tread use not recorded/, 'check'],
    [
      { marking: '110/90-19 62M TT NHS' },
      { use: 'road' },
      /tread: It is marked not for highway/,
      'stop',
    ],
    [{ dateCode: '0115' }, {}, /age: Made week 1 of 2015: 11\.\d years old/, 'stop'],
    [{ dateCode: null }, {}, /age: Date code unknown/, 'check'],
    [{ dateCode: '0199' }, {}, /age: Year 2099 is still to come/, 'check'],
    [
      { takeOff: true, treadMm: 1 },
      { use: 'road' },
      /age: Take-off, 1\.0 mm left: at the road minimum/,
      'stop',
    ],
    [{ takeOff: true, treadMm: 6 }, {}, /age: Take-off, 6\.0 mm left/, 'check'],
    [
      { marking: '110/90-19 62M TT Front' },
      {},
      /direction: It is marked for the front and goes on the rear/,
      'check',
    ],
    [{}, { rimCode: 'worn away' }, /rim: Rim code gives no width/, 'check'],
    [{}, { rimCode: '2.15x18' }, /rim: The rim is stamped 18 inch, the tire 19/, 'stop'],
    [{}, { clearancesMm: { above: 12 } }, /size: 12 mm clearance above the tire/, 'check'],
    [
      {},
      { kind: 'quad', rimCode: '10x3.5 AT', build: 'cast' },
      /tread: Its tread is not made for machines on four wheels/,
      'stop',
    ],
  ])('%j on %j', (more, where, says, verdict) => {
    const done = fit(more, where);
    expect(done.says.join('\n')).toMatch(says);
    expect(done.verdict).toBe(verdict);
  });

  test('a load sheet is judged on the tires of its end', () => {
    const sheet = {
      emptyFrontKg: 150,
      emptyRearKg: 200,
      riderKg: 90,
      passengerKg: 0,
      luggageKg: 40,
    };
    expect(fit({}, { sheet }).says.join()).toMatch(/load: Load 286 kg, max 265 kg/);
    expect(fit({}, { sheet, kind: 'quad' }).says.join()).not.toMatch(/load: Load/);
  });

  test('a size coming off that makes no sense is named', () => {
    expect(() => fit({}, { from: 'oval' })).toThrow(expect.objectContaining({ field: 'from' }));
  });
});

describe('ranking', () => {
  const order = (tires: Candidate[]) =>
    rankTires(tires, context).ranked.map((r) => [r.tire.id, r.because]);

  test('verdict, stock, size, tread, doubts, new, age, count: each says when it decides', () => {
    expect(
      order([
        tire({ id: 'other rim', marking: '110/90-18 61M TT' }),
        tire({ id: 'take-off', takeOff: true, treadMm: 8 }),
        tire({ id: 'best' }),
        tire({ id: 'none left', count: 0 }),
        tire({ id: 'hard ground', tread: 'hard' }),
        tire({ id: 'older', dateCode: '0124' }),
        tire({ id: 'other size', marking: '100/90-19 57M TT' }),
        tire({ id: 'fewer', count: 1 }),
      ]),
    ).toEqual([
      ['best', 'suits best'],
      ['fewer', 'fewer in stock'],
      ['older', 'older'],
      ['hard ground', 'tread suits less'],
      ['other size', 'another size'],
      ['none left', 'none in stock'],
      ['take-off', 'check first'],
      ['other rim', 'refused'],
    ]);
  });

  test('the order does not depend on the order of the shelf', () => {
    const shelf = ['soft', 'hard', 'half', 'trials', 'touring'].flatMap((tread, i) =>
      ['110/90-19 62M TT', '100/90-19 57M TT', '120/80-19 63M TT'].map((marking, j) =>
        tire({
          id: `${i}${j}`,
          tread: tread as Candidate['tread'],
          marking,
          count: 1 + ((i + j) % 3),
        }),
      ),
    );
    expect(order([...shelf].reverse())).toEqual(order(shelf));
    expect(order([])).toEqual([]);
  });

  test('a marking that makes no sense comes back apart', () => {
    const { ranked, unread } = rankTires([tire(), tire({ id: 'bad', marking: 'torn' })], context);
    expect(ranked).toHaveLength(1);
    expect(unread).toMatchObject([{ tire: { id: 'bad' }, problem: expect.any(InputError) }]);
  });

  test('a trials type comes first on the trail and last of the knobbies in the dirt', () => {
    expect(treadForUse('trials', 'trail', 'dirt').rank).toBe(0);
    expect(treadForUse('trials', 'dirt', 'dirt').rank).toBe(3);
    expect(treadForUse('trials', 'motocross', 'dirt').reason.says).toMatch(/clogs in mud/);
    expect(treadForUse('slick', 'dirt', 'dirt').reason.verdict).toBe('stop');
  });

  test('a slick is what a drag car runs on, and no other machine on four wheels', () => {
    expect(treadForUse('slick', 'road', 'drag')).toMatchObject({
      rank: 0,
      reason: { verdict: 'good' },
    });
    expect(treadForUse('slick', 'dirt', 'quad').reason.says).toMatch(
      /not made for machines on four wheels/,
    );
  });
});

describe('rim locks', () => {
  const locks = [
    { id: 'w185', widthIn: 1.85, holeMm: 8, massG: 105, count: 5 },
    { id: 'w215', widthIn: 2.15, holeMm: 8, massG: 125, count: 2 },
  ];
  const run = (more: object = {}) =>
    rimLockPick.run({
      use: 'dirt',
      tube: true,
      pressureKpa: 90,
      rimWidthIn: 2.15,
      lockDegs: [210],
      locks,
      ...more,
    } as never);

  test('one at low pressure with a tube, as wide as the rim, and what it does to balance', () => {
    const { result, verdict } = run();
    expect(verdict).toBe('good');
    expect(result).toMatchObject({ wanted: 1, lockId: 'w215' });
    expect(result.heavy!.massG).toBeCloseTo(125, 9);
    expect(result.heavy!.deg).toBeCloseTo(210, 6);
  });

  test('none without a tube, at road pressure, or in storage; motocross by rule', () => {
    for (const more of [{ tube: false }, { pressureKpa: 230 }, { use: 'storage' }])
      expect(run(more).result.wanted).toBe(0);
    expect(
      run({ use: 'motocross', rules: { 'lock.motocross': 2 }, lockDegs: [120, 240] }).result,
    ).toMatchObject({ wanted: 2, lockId: 'w215' });
  });

  test('two opposite balance each other; two at thirds add up to one', () => {
    expect(
      run({ lockDegs: [90, 270] })
        .result.reasons.map((r) => r.says)
        .join(),
    ).toMatch(/balance each other/);
    const { heavy } = run({ lockDegs: [120, 240] }).result;
    expect(heavy!.massG).toBeCloseTo(125, 6);
    expect(heavy!.deg).toBeCloseTo(180, 6);
  });

  test.each([
    [{ lockDegs: [] }, /no hole for one/],
    [{ lockDegs: [30] }, /right beside the valve/],
    [{ rimWidthIn: 1.6 }, /None in stock for a rim 1\.60 in wide/],
    [{ lockHoleMm: 12 }, /None in stock/],
    [
      {
        locks: [{ ...locks[1]!, count: 1 }],
        use: 'motocross',
        rules: { 'lock.motocross': 2 },
        lockDegs: [120, 240],
      },
      /1 in stock, 2 needed/,
    ],
  ])('%j is looked at', (more, says) => {
    const { result, verdict } = run(more);
    expect(result.reasons.map((r) => r.says).join()).toMatch(says);
    expect(verdict).toBe('check');
  });
});

describe('rim strips', () => {
  const strips = [
    { id: 'shared', material: 'rubber', widthMm: 28, rimFromIn: 18, rimToIn: 19, count: 2 },
    { id: 'wide', material: 'rubber', widthMm: 70, rimFromIn: 19, rimToIn: 19, count: 2 },
    { id: 'tape', material: 'tape', widthMm: 25, rimFromIn: 10, rimToIn: 21, count: 1 },
  ];
  const run = (more: object = {}) =>
    stripPick.run({
      build: 'spoked',
      sealed: 'no',
      rimWidthIn: 2.15,
      rimDiameterIn: 19,
      rimLocks: 1,
      strips,
      ...more,
    } as never);

  test('a snug one that shares two diameters and is no wider than the rim; the lock goes under the band', () => {
    expect(run().result).toMatchObject({ stripId: 'shared', material: 'rubber', wanted: 1 });
    expect(run().result.order[1]).toBe('Rim lock under the band');
  });

  test('no strip of that size: two layers of tape, the lock through it; nothing at all is said', () => {
    const taped = run({ rimDiameterIn: 17 }).result;
    expect(taped).toMatchObject({ stripId: 'tape', material: 'tape', wanted: 2 });
    expect(taped.order[1]).toMatch(/through a hole in the tape/);
    const bare = run({ rimDiameterIn: 17, strips: strips.slice(0, 2) });
    expect(bare.verdict).toBe('check');
    expect(bare.result.reasons[0]?.says).toMatch(/is loose, wanders .* chafe through the tube/);
  });

  test('two by rule, and none where there are no nipples', () => {
    expect(run({ rules: { 'strip.count': 2 } }).result.wanted).toBe(2);
    for (const more of [{ build: 'cast' }, { sealed: 'yes' }])
      expect(run(more).result).toMatchObject({ wanted: 0, stripId: null });
  });
});

describe('valve stems', () => {
  const stems = [
    { id: 'long', stem: 'snap-in', holeMm: 11.5, lengthMm: 43, angled: false, count: 30 },
    { id: 'short', stem: 'snap-in', holeMm: 11.5, lengthMm: 33, angled: false, count: 9 },
    { id: 'clamp', stem: 'clamp-in', holeMm: 11.5, lengthMm: 38, angled: true, count: 2 },
  ];
  const run = (more: object = {}) =>
    valvePick.run({ tube: false, rimDiameterIn: 17, valveHoleMm: 11.5, stems, ...more } as never);

  test('a new one by hole; short on a small wheel; the tube brings its own', () => {
    expect(run().result.stemId).toBe('long');
    expect(run({ rimDiameterIn: 10 }).result.stemId).toBe('short');
    expect(run({ prefers: 'clamp-in' }).result).toMatchObject({ stemId: 'clamp' });
    expect(run({ tube: true }).result.stemId).toBeNull();
  });

  test('no stem for the hole, and a hole that was not measured, are checks', () => {
    expect(run({ valveHoleMm: 8.3 })).toMatchObject({ verdict: 'check', result: { stemId: null } });
    expect(run({ valveHoleMm: undefined }).verdict).toBe('check');
  });
});

describe('materials', () => {
  const shelf = [
    { id: 't', count: 3, priceMinor: 8450 },
    { id: 'u', count: 1, priceMinor: 1299 },
    { id: 's', count: 5, priceMinor: null },
  ];
  const run = (wants: object[], rules = {}) =>
    materials.run({ wants: wants as never, shelf, tiresToDispose: 1, rules });

  test('by hand: (84.50 + 12.99 + 4.00) and 7.5% of it is 109.10', () => {
    const { result, verdict } = run(
      [
        { what: 'tire', count: 1, stockId: 't' },
        { what: 'tube', count: 1, stockId: 'u' },
      ],
      { 'cost.disposalMinor': 400, 'cost.taxPct': 7.5 },
    );
    expect(result).toMatchObject({
      partsMinor: 9749,
      disposalMinor: 400,
      taxMinor: 761,
      totalMinor: 10_910,
      incomplete: false,
    });
    expect(verdict).toBe('good');
  });

  test('tax is rounded half up, once', () => {
    expect(
      run([{ what: 'tube', count: 1, stockId: 'u' }], { 'cost.taxPct': 50 }).result.taxMinor,
    ).toBe(650);
  });

  test('short parts and unknown prices are said; the same part wanted twice is short the second time', () => {
    const { result, verdict } = run([
      { what: 'tube', count: 1, stockId: 'u' },
      { what: 'one more', count: 1, stockId: 'u' },
      { what: 'strip', count: 1, stockId: 's' },
      { what: 'rag', count: 1, stockId: null },
    ]);
    expect(result.lines.map((l) => l.short)).toEqual([0, 1, 0, 1]);
    expect(result.incomplete).toBe(true);
    expect(verdict).toBe('check');
  });
});

describe('tools', () => {
  const wrenches = [{ name: 'big click', minNm: 27, maxNm: 203 }];
  const fasteners = [
    { name: 'rear axle nut', wheel: 'rear', torqueNm: 108, socket: '27 mm' },
    { name: 'adjuster locknuts', wheel: 'rear', torqueNm: 16, socket: '13 mm' },
    { name: 'rim lock nut', wheel: 'any', torqueNm: null, socket: null, renews: 'nothing' },
  ];
  const run = (more: object = {}) =>
    tools.run({
      kind: 'dirt',
      drive: 'chain',
      end: 'rear',
      build: 'spoked',
      discSide: 'right',
      tube: true,
      rimLocks: 1,
      rimDiameterIn: 19,
      fasteners,
      wrenches,
      ...more,
    } as never);
  const names = (more: object = {}) =>
    run(more).result.groups.flatMap((g) => g.tools.map((t) => t.what));

  test('sockets from the machine, a wrench for every torque, and what no wrench covers', () => {
    expect(names()).toEqual(
      expect.arrayContaining([
        '27 mm',
        '13 mm',
        'big click',
        'no wrench covers it',
        'talc',
        'wrench for the rim lock',
        'three levers',
      ]),
    );
    expect(run().verdict).toBe('check');
    expect(
      run()
        .result.reasons.map((r) => r.says)
        .join(),
    ).toMatch(
      /No torque wrench covers the adjuster locknuts, 16 N·m\..*socket is not recorded for: rim lock nut/,
    );
  });

  test('nothing for what the wheel does not have', () => {
    const cast = names({ build: 'cast', tube: false, rimLocks: 0, kind: 'road', discSide: 'none' });
    for (const gone of ['talc', 'wrench for the rim lock', 'strip or cloth tape', 'wire or cord'])
      expect(cast).not.toContain(gone);
    expect(cast).toContain('soapy water');
    // With two rings nothing is levered; with one the other bead is.
    expect(names({ build: 'beadlock', rings: 2 })).not.toContain('three levers');
    for (const rings of [{}, { rings: 1 }])
      expect(names({ build: 'beadlock', ...rings })).toEqual(
        expect.arrayContaining([
          'lubricant for beads',
          'three levers',
          'bead breaker',
          'sockets for the ring bolts',
        ]),
      );
    expect(names({ build: 'beadlock', kind: 'road' })).not.toContain('steel tape');
    for (const kind of ['drag', 'sidecar']) expect(names({ kind })).toContain('steel tape');
    expect(names({ kind: 'scooter', rimDiameterIn: 10 })).toEqual(
      expect.arrayContaining(['adapter for a hub-mounted wheel', 'bead breaker']),
    );
    expect(names({ drive: 'shaft' })).toContain('spline grease');
  });

  test('the shop’s methods bring their tools, and leave out those they replace', () => {
    const by = (rules: object) => names({ rules });
    expect(by({ 'bead.break': 'squeeze breaker' })).toContain('squeeze breaker');
    const changer = by({ 'lever.tool': 'changer', 'bead.break': 'shoe breaker' });
    expect(changer).toEqual(
      expect.arrayContaining(['changer', 'shoe breaker', 'strap', 'rim protectors']),
    );
    for (const gone of ['bead keeper', 'three levers']) expect(changer).not.toContain(gone);
    // Hands and levers break the beads before the changer moves them.
    expect(by({ 'lever.tool': 'changer', 'bead.break': 'hands and levers' })).toContain(
      'three levers',
    );
  });

  test('a split rim is deflated first', () => {
    expect(run({ build: 'split' }).cautions.join()).toMatch(/let all air out before any rim bolt/);
  });
});

test('a valve hole of 11.5 mm is said as such', () => {
  const { result } = valvePick.run({ ...valvePick.example, valveHoleMm: 11.5 });
  expect(result.reasons.map((r) => r.says).join()).toMatch(/for a hole of 11\.5 mm/);
});
