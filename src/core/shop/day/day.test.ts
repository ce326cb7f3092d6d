import { howMany } from '../../../../tests/case-count';
import { seeded } from '../../base/statistics';
import { STATIONS } from '../../base/stations';
import { planStartMs, timeLeft, timeLeftOf, type StationLeft } from '.';

/** A normal deviate from two uniform ones. */
const normal = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

const left = (stations: StationLeft[], rules = {}) => timeLeft.run({ stations, rules }).result;
const at = (station: StationLeft['station'], tookS: number[], leftPct = 100): StationLeft => ({
  station,
  leftPct,
  tookS,
});

describe('time left', () => {
  test('without jobs the rules’ minutes; nothing left is nothing; half is half', () => {
    const whole = left([at('balance', [])]);
    expect(whole.medianS).toBeCloseTo(600, 6);
    expect(whole.ninetyS).toBeGreaterThan(whole.medianS * 1.4);
    expect(left([at('balance', [], 50)]).medianS).toBeCloseTo(300, 6);
    expect(left([at('balance', [900], 0)])).toEqual({ medianS: 0, ninetyS: 0, fewestJobs: 0 });
    expect(left([])).toEqual({ medianS: 0, ninetyS: 0, fewestJobs: 0 });
    expect(left([at('balance', [])], { 'time.balanceMin': 20 }).medianS).toBeCloseTo(1200, 6);
  });

  test('the answer alone is the working’s', () => {
    const stations = [at('balance', [500, 700]), at('set', [], 30), at('seat', [90], 0)];
    expect(timeLeftOf(stations, { 'time.priorJobs': 9 })).toEqual(
      left(stations, { 'time.priorJobs': 9 }),
    );
  });

  test('the more jobs, the nearer to the shop’s own middle, and the surer', () => {
    const jobs = (n: number) => Array.from({ length: n }, (_, i) => (i % 2 === 0 ? 1100 : 1300));
    const [few, many] = [left([at('balance', jobs(2))]), left([at('balance', jobs(40))])];
    const own = Math.sqrt(1100 * 1300);
    expect(Math.abs(many.medianS - own)).toBeLessThan(Math.abs(few.medianS - own));
    expect(many.medianS / own).toBeGreaterThan(0.9);
    expect(many.ninetyS / many.medianS).toBeLessThan(few.ninetyS / few.medianS);
    // A prior that counts as much as fifty jobs holds against them.
    const slow = left([at('balance', jobs(40))], { 'time.priorJobs': 50 });
    expect(slow.medianS).toBeLessThan(many.medianS);
    expect([few.fewestJobs, left([at('balance', jobs(3)), at('set', [])]).fewestJobs]).toEqual([
      2, 0,
    ]);
  });

  test('independent stations are surer together than each alone', () => {
    const one = left([at('balance', [])]);
    const both = left([at('balance', []), at('balance', [])]);
    expect(both.ninetyS).toBeLessThan(2 * one.ninetyS);
    expect(both.medianS).toBeGreaterThan(2 * one.medianS * 0.99);
  });

  // Shops that were drawn, with stations of their own pace and spread; each is asked for one more
  // wheel.
  test.each([
    ['many jobs', 20],
    ['a handful of jobs', 4],
    ['no job yet', 0],
  ])('nine in ten holds in 85 to 95 of 100 shops with %s', (_name, jobs) => {
    const random = seeded(7 + jobs);
    const SHOPS = howMany(400, 1200);
    let kept = 0;
    for (let shop = 0; shop < SHOPS; shop++) {
      let tookS = 0;
      const stations = STATIONS.map((station): StationLeft => {
        const spread = 0.25 + 0.3 * random();
        const middle = Math.log(60 * 9) + 0.2 * normal(random);
        const draw = () => Math.round(Math.exp(middle + spread * normal(random)));
        const seen = Array.from({ length: jobs }, draw);
        tookS += draw();
        return at(station, seen);
      });
      const rules = Object.fromEntries(
        STATIONS.map((s) => [`time.${s.replace(/-(.)/, (_, l: string) => l.toUpperCase())}Min`, 9]),
      );
      if (tookS <= left(stations, rules).ninetyS) kept++;
    }
    expect((100 * kept) / SHOPS).toBeGreaterThanOrEqual(85);
    expect((100 * kept) / SHOPS).toBeLessThanOrEqual(95);
  });
});

test('a plan begins at the next mark of five minutes on the clock', () => {
  const at = (time: string) =>
    new Date(planStartMs(Date.parse(`2026-04-30T${time}Z`))).toISOString().slice(11, 19);
  expect([at('09:00:00'), at('09:00:01'), at('09:57:30')]).toEqual([
    '09:00:00',
    '09:05:00',
    '10:00:00',
  ]);
});
