import { logOf, sampleChosen, sampleMachine, sampleWheel } from '../../../tests/sample';
import { complete } from '../shop/records';
import {
  balanceAnswers,
  balanceQuestion,
  biteInputOf,
  emptyJob,
  fitContextOf,
  foldJob,
  jobCard,
  orientationOf,
  partPicksOf,
  placeFor,
  pressureStartOf,
  runoutOf,
  schoolsOf,
  seatLadderOf,
  seatLimitOf,
  spokeRingOf,
  stationReport,
  weightMarks,
} from '.';
import { brakeInput } from './kinds/brake';
import { slackInput } from './kinds/slack';
import { clampedReport } from './ring-report';
import { DEFAULT_UNITS } from '../base/units';

const TODAY = '2026-04-30';

/** Both sides of what a job decides by: small, and dear where it is wrong. */
describe('on both sides of a limit', () => {
  test('a reading at the seating limit is within it; a hair above it is over', () => {
    const l = logOf().open();
    const { limitKpa } = seatLimitOf(foldJob(l.log)).result;
    const isOver = (gaugeKpa: number) => {
      const one = logOf().open();
      one.add('seat-reading', { gaugeKpa });
      return stationReport(foldJob(one.log), 'seat', TODAY).doubts.some((d) =>
        /above the seating limit/.test(d),
      );
    };
    expect([isOver(limitKpa - 0.005), isOver(limitKpa + 0.005), isOver(limitKpa + 0.02)]).toEqual([
      false,
      false,
      true,
    ]);
  });

  test('weights on are asked for until they are on, or it is balanced without', () => {
    const missing = (l: ReturnType<typeof logOf>) =>
      stationReport(foldJob(l.log), 'balance', TODAY).missing;
    const none = logOf().open();
    expect(missing(none)).toContain('weights on');
    const on = logOf().open();
    on.add('weights', { pieces: [], residualG: null });
    expect(missing(on)).not.toContain('weights on');
    const ended = logOf().open();
    ended.add('balanced', {
      heavyMassG: 1,
      heavyDeg: 0,
      leftG: 1,
      leftDeg: 0,
      bandG: 2,
      chance: 0.9,
    });
    expect(missing(ended)).not.toContain('weights on');
  });

  test('a load is reckoned with only where both ends of the machine were weighed', () => {
    const sheet = (emptyFrontKg: number | null, emptyRearKg: number | null, isLoaded = true) => {
      const l = logOf().open(sampleMachine({ emptyFrontKg, emptyRearKg }), sampleWheel());
      if (isLoaded) l.add('load', { riderKg: 80, passengerKg: 0, luggageKg: 5 });
      return fitContextOf(foldJob(l.log), TODAY)?.sheet;
    };
    expect(sheet(60, 70)).toEqual({
      emptyFrontKg: 60,
      emptyRearKg: 70,
      riderKg: 80,
      passengerKg: 0,
      luggageKg: 5,
    });
    expect([sheet(60, null), sheet(null, 70), sheet(60, 70, false)]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
  });

  test('a rim lock is picked by the hole that was measured', () => {
    const lock = (lockHoleMm: number | null) => {
      const l = logOf().open(sampleMachine(), sampleWheel({ lockHoleMm }));
      l.add('came-off', { marking: '110/90-18', dateCode: null, treadMm: null, use: 'dirt' });
      const shelf = {
        tubes: [],
        strips: [],
        valves: [],
        locks: [complete('locks', { id: 'l', widthIn: 2.15, holeMm: 8, count: 1 })],
      };
      const choice = { marking: '110/90-18', tube: true, tubeId: null, pressureKpa: 90 };
      return partPicksOf(foldJob(l.log), choice, shelf)?.lock?.result.lockId ?? null;
    };
    expect([lock(null), lock(8), lock(12)]).toEqual(['l', 'l', null]);
  });

  test('where the arrow is kept from is the disc’s side', () => {
    const says = (discSide: 'left' | 'right') => {
      const l = logOf().open(sampleMachine(), sampleWheel({ discSide }));
      return JSON.stringify(orientationOf(foldJob(l.log), 'disc', 'clockwise'));
    };
    expect(says('left')).not.toBe(says('right'));
  });

  test('a school that moves the weights says where they would go', () => {
    const sides = schoolsOf(foldJob(logOf().open().log)).find((s) => s.school === 'balance.sides');
    expect(sides?.others.map((o) => [o.value, o.changes.at(-1)])).toEqual(
      expect.arrayContaining([[expect.any(String), expect.stringMatching(/^weights: /)]]),
    );
    for (const other of sides!.others)
      expect(other.changes).toContain(
        other.value === 'both' ? 'weights: split over both sides' : 'weights: all on one side',
      );
  });
});

describe('nothing known yet', () => {
  test('a job without its wheel has no runout of spokes, no ring of them, and a card that says only “Job”', () => {
    const readings = [0, 60, 120, 180, 240, 300].map((angleDeg) => ({
      angleDeg,
      lateralMm: angleDeg / 100,
    }));
    const found = runoutOf(emptyJob(), readings);
    expect(found.ok).toBe(true);
    expect(runoutOf(foldJob(logOf().open().log), readings)).not.toEqual(found);
    expect(spokeRingOf(emptyJob(), [{ spoke: 1, sounds: 'dull' }]).ok).toBe(false);
    expect(jobCard(emptyJob(), TODAY, DEFAULT_UNITS).title).toBe('Job');
  });

  test('pieces are placed only where the advice is final', () => {
    const l = logOf().open();
    const asked = () => balanceAnswers(balanceQuestion(foldJob(l.log), [])!);
    expect(asked().advice.ok && asked().placed).toBeNull();
    l.add('rest', { restDeg: 200, from: 'left' });
    const { estimate, placed } = asked();
    expect([estimate === null, placed]).toEqual([false, null]);
  });

  test('a trial that stays on as it is makes no new placement; another mass, place or number does', () => {
    const piece = (massG: number, deg: number) => ({ massG, deg, side: 'near' as const });
    const placements = (
      kept: ReturnType<typeof piece>[],
      trial = [piece(20, 30), piece(10, 60)],
    ) => {
      const l = logOf().open();
      l.add('trial', { pieces: trial });
      l.add('weights', { pieces: kept, residualG: 1 });
      return foldJob(l.log).balance.placements;
    };
    expect(placements([piece(20, 30), piece(10, 60)])).toBe(1);
    expect(placements([piece(20, 30), piece(15, 60)])).toBe(2);
    expect(placements([piece(20, 30), piece(10, 66)])).toBe(2);
    expect(placements([piece(20, 30)])).toBe(2);
    expect(placements([], [])).toBe(2);
  });
});

/** What a job hands to its workings, and what comes of it. */
describe('what is reckoned with', () => {
  test('while seating: the readings of this try alone, and what the gauge shows now', () => {
    const l = logOf().open();
    l.add('seat-reading', { gaugeKpa: 150 });
    l.add('seat-again', { why: 'a bead hung' });
    l.add('seat-reading', { gaugeKpa: 110 });
    const input = seatLadderOf(foldJob(l.log), [115, 118]).input as {
      readingsKpa: readonly number[];
      triesBefore: number;
    };
    expect([input.readingsKpa, input.triesBefore]).toEqual([[110, 115, 118], 1]);
    const many = seatLadderOf(
      foldJob(l.log),
      Array.from({ length: 600 }, (_, i) => 100 + i / 100),
    );
    expect((many.input as { readingsKpa: readonly number[] }).readingsKpa).toHaveLength(500);
    expect((many.input as { readingsKpa: readonly number[] }).readingsKpa.at(-1)).toBe(105.99);
  });

  test('pieces that are wanted beyond what may be asked for are asked for up to that; the rim’s width where it is known', () => {
    const question = balanceQuestion(foldJob(logOf().open().log), [
      complete('weights', { id: 'a', massG: 10, kind: 'adhesive', count: 50 }),
    ])!;
    const asked = (massG: number, rimWidthMm?: number) => {
      const { rimWidthMm: _, ...bare } = question;
      const found = placeFor(
        { ...bare, ...(rimWidthMm === undefined ? {} : { rimWidthMm }) },
        { massG, deg: 0, limitG: 5 },
      );
      return found.ok
        ? (found.working.input as { counterMassG: number; rimWidthMm?: number })
        : null;
    };
    expect([asked(30)?.counterMassG, asked(5000)?.counterMassG]).toEqual([30, 1000]);
    expect([asked(30)?.rimWidthMm, asked(30, 54)?.rimWidthMm]).toEqual([undefined, 54]);
  });

  test('the rim is as stamped, else as its tire has it, else nobody knows', () => {
    const bites = (rimCode: string, tireMarking: string) =>
      biteInputOf(
        foldJob(logOf().open(sampleMachine(), sampleWheel({ rimCode, tireMarking })).log),
        'on',
      );
    const stamped = bites('2.15x18', '90/90-21');
    const byTire = bites('worn away', '90/90-21');
    expect(stamped).not.toBeNull();
    expect(byTire).not.toBeNull();
    expect(byTire).not.toEqual(stamped);
    expect(bites('worn away', '2.15x21 by hand')).toBeNull();
    expect(biteInputOf(emptyJob(), 'on')).toBeNull();
  });

  test('pieces at one place are one mark: so many of one mass, or their sum', () => {
    const labels = (...masses: number[]) =>
      weightMarks(masses.map((massG) => ({ massG, deg: 90 }))).map((m) =>
        'label' in m ? m.label : null,
      );
    expect([labels(20), labels(20, 20), labels(20, 5, 10)]).toEqual([
      ['20 g'],
      ['2 × 20 g'],
      ['35 g'],
    ]);
  });

  test('a chain’s pitch goes to its working where it is known', () => {
    const slack = {
      when: 'before',
      placesMm: [35, 33],
      wantMinMm: 30,
      wantMaxMm: 40,
      runMm: 600,
    } as const;
    expect(slackInput({ ...slack, placesMm: [35, 33], pitchMm: null })).not.toHaveProperty(
      'pitchMm',
    );
    expect(slackInput({ ...slack, placesMm: [35, 33], pitchMm: 15.875 })).toMatchObject({
      slackMm: 35,
      otherPlacesMm: [33],
      pitchMm: 15.875,
    });
  });

  test('a pressure that is asked for, a doubled tube, and a rest that a machine stands for', () => {
    const l = logOf().open();
    const of = (askedKpa?: number) => {
      const start = pressureStartOf(foldJob(l.log), askedKpa);
      return start.ok ? (start.working.input as { askedKpa?: number; doubled?: boolean }) : {};
    };
    expect(of()).not.toHaveProperty('askedKpa');
    expect(of(100).askedKpa).toBe(100);
    expect(of().doubled).toBe(false);
    l.add('chosen', sampleChosen({ doubled: true }));
    expect(of().doubled).toBe(true);
    const missing = (kind: 'rest' | 'machine-reading' | null) => {
      const one = logOf().open();
      if (kind === 'rest') one.add('rest', { restDeg: 180 });
      if (kind === 'machine-reading')
        one.add('machine-reading', { massG: 20, deg: 10, stepG: 1, stepDeg: 1 });
      return stationReport(foldJob(one.log), 'balance', TODAY).missing.includes('a settle reading');
    };
    expect([missing(null), missing('rest'), missing('machine-reading')]).toEqual([
      true,
      false,
      false,
    ]);
  });

  test('what the machine was taught stands with who and when; a job begins without troubles', () => {
    const l = logOf().open();
    l.add('taught', { done: true, found: 'both sensors' }, { who: 'Ned Ash' });
    expect(foldJob(l.log).taught).toMatchObject({
      done: true,
      found: 'both sensors',
      who: 'Ned Ash',
      at: l.log[2]!.at,
    });
    expect(emptyJob().troubles).toEqual([]);
  });

  test('a ring’s bolts may not be touched with air behind them', () => {
    const missing = (
      air: { silent: boolean; gaugeKpa: number | null; coreOut: boolean } | null,
    ) => {
      const l = logOf().open(
        sampleMachine({ kind: 'side-by-side' }),
        sampleWheel({ build: 'beadlock', tube: false }),
      );
      if (air) l.add('air-out', air);
      return clampedReport(foldJob(l.log), 'tire-off').missing;
    };
    expect(missing({ silent: true, gaugeKpa: 0, coreOut: true })).toEqual([]);
    expect(missing({ silent: true, gaugeKpa: 40, coreOut: true })).toEqual(['the gauge at zero']);
    expect(missing(null)).toEqual([
      'the valve core out',
      'silence at the valve',
      'the gauge at zero',
    ]);
  });

  test('a place of the molded line is as it was read last; every other place stays', () => {
    const l = logOf().open();
    const read = (side: 'disc' | 'other', deg: number, even: boolean) =>
      l.add('molded-line', { side, deg, even });
    read('disc', 0, false);
    read('disc', 90, true);
    read('other', 0, true);
    read('disc', 0, true);
    expect(foldJob(l.log).line).toEqual([
      { side: 'disc', deg: 90, even: true },
      { side: 'other', deg: 0, even: true },
      { side: 'disc', deg: 0, even: true },
    ]);
  });

  test('pulls at the brake go to its working where they were measured', () => {
    expect(brakeInput({ firm: true, spin: 'free', pullN: null, radiusMm: null })).toEqual({
      firm: true,
      spin: 'free',
    });
    const pulled = { firm: false, spin: 'free', pullN: 30, freePullN: 4, radiusMm: 310 } as const;
    expect(brakeInput(pulled)).toEqual(pulled);
  });

  test('the rim’s way round counts for the pieces where it is known', () => {
    const question = balanceQuestion(foldJob(logOf().open().log), [])!;
    const asked = (rimMm?: number) => {
      const { rimMm: _, ...bare } = question;
      const found = placeFor(
        { ...bare, stock: [{ massG: 10, count: 9 }], ...(rimMm ? { rimMm } : {}) },
        { massG: 10, deg: 0, limitG: 5 },
      );
      return found.ok ? (found.working.input as { rimMm?: number }).rimMm : 'refused';
    };
    expect([asked(), asked(1400)]).toEqual([undefined, 1400]);
  });

  test('the ground counts for the pressure; parts are picked only once machine and wheel are known', () => {
    const l = logOf().open();
    const ground = () => {
      const start = pressureStartOf(foldJob(l.log));
      return start.ok ? (start.working.input as { ground?: string }).ground : 'refused';
    };
    expect(ground()).toBeUndefined();
    l.add('ground', { ground: 'soft' });
    expect(ground()).toBe('soft');
    const state = foldJob(l.log);
    const choice = { marking: '110/90-18', tube: true, tubeId: null, pressureKpa: 90 };
    const shelf = { tubes: [], locks: [], strips: [], valves: [] };
    expect(partPicksOf(state, choice, shelf)).not.toBeNull();
    for (const less of [{ machine: null }, { wheel: null }])
      expect(partPicksOf({ ...state, ...less }, choice, shelf)).toBeNull();
    expect(balanceQuestion({ ...state, wheel: null }, [])).toBeNull();
  });

  test('a card has no section without a row', () => {
    const { sections } = jobCard(foldJob(logOf().open().log), TODAY, DEFAULT_UNITS);
    expect(sections.length).toBeGreaterThan(0);
    expect(sections.filter((s) => s.rows.length === 0)).toEqual([]);
  });
});
