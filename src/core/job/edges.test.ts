import { logOf, sampleMachine, sampleWheel } from '../../../tests/sample';
import { complete } from '../shop';
import {
  balanceAnswers,
  balanceQuestion,
  emptyJob,
  fitContextOf,
  foldJob,
  jobCard,
  orientationOf,
  partPicksOf,
  runoutOf,
  schoolsOf,
  seatLimitOf,
  spokeRingOf,
  stationReport,
} from '.';
import { DEFAULT_UNITS } from '../units';

const TODAY = '2026-04-30';

/** Both sides of what a job decides by: small, and dear where it is wrong. */
describe('on both sides of a limit', () => {
  test('a reading at the seating limit is within it; a hair above it is over', () => {
    const l = logOf().open();
    const { limitKpa } = seatLimitOf(foldJob(l.log)).result;
    const isOver = (gaugeKpa: number) => {
      const one = logOf().open();
      one.add('seat-reading', { gaugeKpa });
      return stationReport(foldJob(one.log), 'seat', TODAY).doubts.some((d) => /above the seating limit/.test(d));
    };
    expect([isOver(limitKpa - 0.005), isOver(limitKpa + 0.005), isOver(limitKpa + 0.02)]).toEqual([false, false, true]);
  });

  test('weights on are asked for until they are on, or it is balanced without', () => {
    const missing = (l: ReturnType<typeof logOf>) => stationReport(foldJob(l.log), 'balance', TODAY).missing;
    const none = logOf().open();
    expect(missing(none)).toContain('weights on');
    const on = logOf().open();
    on.add('weights', { pieces: [], residualG: null });
    expect(missing(on)).not.toContain('weights on');
    const ended = logOf().open();
    ended.add('balanced', { heavyMassG: 1, heavyDeg: 0, leftG: 1, leftDeg: 0, bandG: 2, chance: 0.9 });
    expect(missing(ended)).not.toContain('weights on');
  });

  test('a load is reckoned with only where both ends of the machine were weighed', () => {
    const sheet = (emptyFrontKg: number | null, emptyRearKg: number | null, isLoaded = true) => {
      const l = logOf().open(sampleMachine({ emptyFrontKg, emptyRearKg }), sampleWheel());
      if (isLoaded) l.add('load', { riderKg: 80, passengerKg: 0, luggageKg: 5 });
      return fitContextOf(foldJob(l.log), TODAY)?.sheet;
    };
    expect(sheet(60, 70)).toEqual({ emptyFrontKg: 60, emptyRearKg: 70, riderKg: 80, passengerKg: 0, luggageKg: 5 });
    expect([sheet(60, null), sheet(null, 70), sheet(60, 70, false)]).toEqual([undefined, undefined, undefined]);
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
    const readings = [0, 60, 120, 180, 240, 300].map((angleDeg) => ({ angleDeg, lateralMm: angleDeg / 100 }));
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
    const placements = (kept: ReturnType<typeof piece>[], trial = [piece(20, 30), piece(10, 60)]) => {
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
