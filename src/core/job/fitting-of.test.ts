import { complete, inUse, type Shop } from '../shop/records';
import {
  chosenFitOf,
  fitContextOf,
  foldJob,
  materialsOf,
  partPicksOf,
  partsOf,
  toolsOf,
  tubeUseOf,
  wantsOf,
  wheelHistory,
  type JobSummary,
  type Shelves,
} from '.';
import { logOf, sampleMachine, sampleWheel } from '../../../tests/sample';

const DAY = '2026-04-30';
const shop = (): Shop & Shelves => ({
  name: 'Marl & Ash',
  people: ['Ada Marl'],
  paces: {},
  tires: [
    complete('tires', {
      id: 't',
      marking: '110/90-18 61M TT',
      pattern: 'knobby',
      tread: 'soft',
      count: 2,
      priceMinor: 8000,
    }),
  ],
  tubes: [
    complete('tubes', {
      id: 'u',
      label: '100/100-18, 110/90-18',
      wall: 'heavy',
      count: 1,
      priceMinor: 1500,
    }),
    complete('tubes', { id: 'old', label: '110/90-18', wall: 'heavy', count: 9, archived: true }),
  ],
  strips: [
    complete('strips', {
      id: 's',
      widthMm: 28,
      rimFromIn: 18,
      rimToIn: 19,
      count: 3,
      priceMinor: 300,
    }),
  ],
  locks: [complete('locks', { id: 'l', widthIn: 2.15, count: 1, priceMinor: 1200 })],
  valves: [complete('valves', { id: 'v', holeMm: 11.5, lengthMm: 43, count: 9, priceMinor: 200 })],
  weights: [],
  wrenches: [complete('wrenches', { id: 'w', name: 'long', minNm: 20, maxNm: 200 })],
  instruments: [],
});

const jobWith = (machine = sampleMachine(), wheel = sampleWheel()) => {
  const l = logOf().open(machine, wheel);
  l.add('came-off', { marking: '110/90-18 61M TT', dateCode: null, treadMm: 4, use: 'dirt' });
  l.add('clearance', { place: 'above', mm: 30, load: 'on the stand' });
  return l;
};

describe('what a tire has to suit', () => {
  test('comes from the log, the machine and the wheel', () => {
    const machine = sampleMachine({
      sprocketFront: 13,
      sprocketRear: 50,
      minLoadIndexRear: 60,
      minSpeedSymbol: 'M',
      emptyFrontKg: 54,
      emptyRearKg: 57,
    });
    const l = jobWith(machine);
    l.add('load', { riderKg: 90, passengerKg: 0, luggageKg: 5 });
    expect(fitContextOf(foldJob(l.log), DAY)).toMatchObject({
      from: '110/90-18 61M TT',
      end: 'rear',
      use: 'dirt',
      tube: true,
      clearancesMm: { above: 30 },
      sprockets: { front: 13, rear: 50 },
      minLoadIndex: 60,
      minSpeedSymbol: 'M',
      sheet: { emptyRearKg: 57, riderKg: 90 },
      otherEnd: undefined,
    });
    expect(fitContextOf(foldJob([]), DAY)).toBeNull();
    // Without the load, or without what the machine weighs at either end, no one knows what it
    // carries.
    const sheet = (more: object, load = true) => {
      const of = jobWith(sampleMachine({ emptyFrontKg: 54, emptyRearKg: 57, ...more }));
      if (load) of.add('load', { riderKg: 90, passengerKg: 0, luggageKg: 5 });
      return fitContextOf(foldJob(of.log), DAY)!.sheet;
    };
    expect(sheet({})).toMatchObject({ emptyFrontKg: 54, emptyRearKg: 57, riderKg: 90 });
    expect([sheet({}, false), sheet({ emptyFrontKg: null }), sheet({ emptyRearKg: null })]).toEqual(
      Array(3).fill(undefined),
    );
  });

  test('the other end counts only where both have sensors', () => {
    const front = sampleWheel({ id: 'f', position: 'front', tireMarking: '80/100-21' });
    const state = (wheelSensors: boolean) => foldJob(jobWith(sampleMachine({ wheelSensors })).log);
    expect(fitContextOf(state(true), DAY, [front])?.otherEnd).toBe('80/100-21');
    expect(fitContextOf(state(false), DAY, [front])?.otherEnd).toBeUndefined();
    expect(fitContextOf(state(true), DAY, [sampleWheel()])?.otherEnd).toBeUndefined();
  });

  test('a choice is judged as it was made; one that makes no sense is not', () => {
    const l = jobWith();
    expect(chosenFitOf(foldJob(l.log), DAY)).toBeNull();
    const chosen = {
      marking: '110/90-18 61M TT',
      dateCode: '0126',
      tireId: null,
      tube: false,
      tubeId: null,
      tubeLabel: null,
      lightMark: true,
      seatLimitKpa: null,
      tread: 'soft',
      arrows: 'one',
      takeOff: false,
      treadMm: null,
      parts: [],
      doubled: false,
    } as const;
    l.add('chosen', { ...chosen, parts: [] });
    expect(chosenFitOf(foldJob(l.log), DAY)?.verdict).toBe('stop');
    l.add('chosen', { ...chosen, marking: 'oval', parts: [] });
    expect(chosenFitOf(foldJob(l.log), DAY)).toBeNull();
  });
});

describe('the parts of a choice', () => {
  const choice = {
    marking: '110/90-18 61M TT',
    tube: true,
    tubeId: null,
    pressureKpa: 90,
    tireId: 't',
  };

  test('tube, lock and strip for spokes; what is archived is not offered', () => {
    const state = foldJob(jobWith().log);
    const picks = partPicksOf(state, choice, inUse(shop()))!;
    expect(picks.tubes?.fits.map((f) => f.id)).toEqual(['u']);
    const wants = wantsOf(choice, picks, shop());
    expect(wants.map((w) => [w.what, w.count, w.stockId])).toEqual([
      ['tire 110/90-18 61M TT', 1, 't'],
      ['tube 100/100-18, 110/90-18', 1, 'u'],
      ['rim lock', 1, 'l'],
      ['rim strip', 1, 's'],
    ]);
    const list = materialsOf(wants, shop(), {});
    expect(list.result).toMatchObject({ totalMinor: 11_000, incomplete: false });
    expect(list.result.lines.map((l) => l.short)).toEqual([0, 0, 0, 0]);
    expect(partsOf(wants)).toEqual(wants);
  });

  test('a lock has to pass the rim’s hole, where its size is known', () => {
    const lockFor = (lockHoleMm: number | null) => {
      const state = foldJob(jobWith(sampleMachine(), sampleWheel({ lockHoleMm })).log);
      const locks = [complete('locks', { id: 'l', widthIn: 2.15, holeMm: 8, count: 1 })];
      return partPicksOf(state, choice, { ...inUse(shop()), locks })!.lock!.result.lockId;
    };
    expect([lockFor(null), lockFor(8), lockFor(12)]).toEqual(['l', 'l', null]);
  });

  test('a new stem for a cast wheel without a tube, and no strip', () => {
    const state = foldJob(
      jobWith(
        sampleMachine({ kind: 'road' }),
        sampleWheel({
          build: 'cast',
          rimCode: 'MT3.50x18',
          tube: false,
          valveHoleMm: 11.5,
          rimLockDegs: [],
        }),
      ).log,
    );
    const bare = { ...choice, tube: false };
    const picks = partPicksOf(state, bare, inUse(shop()))!;
    expect([picks.tubes, picks.lock, picks.strip]).toEqual([null, null, null]);
    expect(wantsOf(bare, picks, shop()).map((w) => w.stockId)).toEqual(['t', 'v']);
  });

  test('a rim code that cannot be read gives way to the tire; what cannot be known is left out', () => {
    const state = foldJob(jobWith(sampleMachine(), sampleWheel({ rimCode: 'worn away' })).log);
    const picks = partPicksOf(state, choice, inUse(shop()))!;
    expect([picks.lock, picks.strip]).toEqual([null, null]);
    expect(toolsOf(state, choice, inUse(shop()))!.result.groups.length).toBeGreaterThan(3);
  });

  test.each([
    ['motocross', 'dirt', 'motocross'],
    ['road', 'scooter', 'scooter'],
    ['storage', 'road', 'road'],
    ['scooter-front', 'scooter', 'scooter'],
  ] as const)('%s on a %s is %s for the tube', (use, kind, tube) => {
    expect(tubeUseOf(use, kind)).toBe(tube);
  });
});

describe('what jobs know of a wheel', () => {
  const job = (id: string, openedAt: string): JobSummary => ({ id, openedAt }) as JobSummary;

  test('the newest first, and the last room at each place with the tire that was on', () => {
    const newer = jobWith();
    newer.add('rest', { restDeg: 210 });
    newer.add('runout', {
      readings: [0, 60, 120, 180, 240, 300].map((angleDeg) => ({
        angleDeg,
        lateralMm: angleDeg === 60 ? 0.8 : 0,
      })),
      device: null,
    });
    newer.add('weights', { pieces: [{ massG: 20, deg: 30, side: 'near' }], residualG: 2 });
    const older = jobWith();
    older.add('clearance', { place: 'above', mm: 12, load: 'rider on' });
    older.add('clearance', { place: 'left', mm: 9, load: 'rider on' });
    const history = wheelHistory([
      { job: job('b', '2026-04-30T09:00:00Z'), entries: newer.log },
      { job: job('a', '2025-04-30T09:00:00Z'), entries: older.log },
    ]);
    expect(history.clearances.map((c) => [c.place, c.mm, c.withTire, c.jobId])).toEqual([
      ['above', 30, '110/90-18 61M TT', 'b'],
      ['left', 9, '110/90-18 61M TT', 'a'],
    ]);
    expect(history.heavySpots).toEqual([{ deg: 210, onDate: '2026-04-30', jobId: 'b' }]);
    expect(history.weights).toHaveLength(1);
    expect(history.runouts).toMatchObject([{ lateralMm: 0.8, radialMm: null, jobId: 'b' }]);
    expect(wheelHistory([])).toEqual({
      fitted: [],
      clamped: [],
      clearances: [],
      heavySpots: [],
      runouts: [],
      weights: [],
      life: [],
    });
    expect(history.life.map((e) => [e.jobId, e.by])).toEqual([
      ['b', null],
      ['a', null],
    ]);
    expect(history.life[0]!.facts.map((f) => f.says)).toContain('20 g of weights');
  });
});

describe('what a wheel brings with it', () => {
  test('the sprockets turn the rear wheel alone, and only where both are known', () => {
    const of = (front: number | null, rear: number | null, position: 'front' | 'rear' = 'rear') =>
      fitContextOf(
        foldJob(
          jobWith(
            sampleMachine({ sprocketFront: front, sprocketRear: rear }),
            sampleWheel({ position }),
          ).log,
        ),
        DAY,
      )?.sprockets;
    expect(of(13, 50)).toEqual({ front: 13, rear: 50 });
    expect([of(13, null), of(null, 50), of(13, 50, 'front')]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
  });

  test('the load index of its own end', () => {
    const of = (position: 'front' | 'rear') =>
      fitContextOf(
        foldJob(
          jobWith(
            sampleMachine({ minLoadIndexFront: 51, minLoadIndexRear: 62 }),
            sampleWheel({ position }),
          ).log,
        ),
        DAY,
      )?.minLoadIndex;
    expect([of('front'), of('rear')]).toEqual([51, 62]);
  });

  test('its bolts want a wrench: those of its ring, of its halves, or none', () => {
    const bolted = (more: Parameters<typeof sampleWheel>[0]) => {
      const state = foldJob(
        jobWith(sampleMachine({ kind: 'quad' }), sampleWheel({ tube: false, ...more })).log,
      );
      const { reasons } = toolsOf(
        state,
        { tube: false, marking: '110/90-18' },
        { wrenches: [] },
      )!.result;
      return (
        /the (?:ring|rim) bolts, \d+ N·m/.exec(reasons.map((r) => r.says).join(' '))?.[0] ?? null
      );
    };
    const both = { ringTorqueNm: 25, rimBoltTorqueNm: 35 };
    expect([
      bolted({ build: 'beadlock', ...both }),
      bolted({ build: 'split', ...both }),
      bolted({ build: 'split', rimBoltTorqueNm: null, ringTorqueNm: 25 }),
      bolted({ build: 'cast', ...both }),
    ]).toEqual(['the ring bolts, 25 N·m', 'the rim bolts, 35 N·m', null, null]);
  });

  test('without machine or wheel nothing is laid out', () => {
    const bare = { tube: true, marking: '110/90-18' };
    const state = foldJob(jobWith().log);
    expect(toolsOf(foldJob([]), bare, { wrenches: [] })).toBeNull();
    expect(toolsOf({ ...state, machine: null }, bare, { wrenches: [] })).toBeNull();
    expect(toolsOf({ ...state, wheel: null }, bare, { wrenches: [] })).toBeNull();
  });

  test('tape where no strip is as narrow', () => {
    const wheel = sampleWheel({ rimCode: '1.40x17', tireMarking: '2.75-17', rimLockDegs: [] });
    const state = foldJob(jobWith(sampleMachine(), wheel).log);
    const strips = [
      complete('strips', {
        id: 'tape',
        material: 'tape',
        widthMm: 20,
        rimFromIn: 8,
        rimToIn: 19,
        count: 4,
      }),
    ];
    const at = { ...choice17, marking: '2.75-17' };
    const wants = wantsOf(at, partPicksOf(state, at, { ...inUse(shop()), strips })!, shop());
    expect(wants.find((w) => w.stockId === 'tape')).toEqual({
      what: 'cloth tape',
      count: 1,
      stockId: 'tape',
    });
  });
});
const choice17 = { marking: '2.75-17', tube: true, tubeId: null, pressureKpa: 90, tireId: 't' };
