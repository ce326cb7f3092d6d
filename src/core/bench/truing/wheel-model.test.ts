import { ringAtRest } from '../../../../tests/ring-energy';
import { seeded } from '../../base/statistics';
import { sideOfSpoke, wheelModel } from './wheel-model';

const SPOKES = [12, 28, 32, 36, 40, 80] as const;

describe('what a turn of a nipple does', () => {
  test('at its own place: the rim goes to its side and in, its tension rises; on the other side of the wheel hardly anything', () => {
    for (const spokes of SPOKES) {
      const model = wheelModel(spokes, 240);
      for (const spoke of [1, 2, spokes]) {
        const deg = ((spoke - 0.5) * 360) / spokes;
        expect(Math.sign(model.sideMm(spoke, deg))).toBe(sideOfSpoke(spoke));
        expect(model.upMm(spoke, deg)).toBeLessThan(0);
        expect(model.tensionPct(spoke, spoke)).toBeGreaterThan(0);
        expect(Math.abs(model.sideMm(spoke, deg + 180))).toBeLessThan(
          0.35 * Math.abs(model.sideMm(spoke, deg)),
        );
      }
    }
  });

  test('looks the same from every other spoke, mirrored from the next, and alike both ways round', () => {
    const model = wheelModel(36, 236);
    for (const off of [0, 7, 31, 90, 200])
      for (const spoke of [1, 2, 19, 36]) {
        const deg = (spoke - 0.5) * 10;
        expect(model.sideMm(spoke, deg + off)).toBeCloseTo(
          sideOfSpoke(spoke) * model.sideMm(1, 5 + off),
          9,
        );
        expect(model.upMm(spoke, deg + off)).toBeCloseTo(model.upMm(1, 5 + off), 9);
        expect(model.sideMm(spoke, deg - off)).toBeCloseTo(model.sideMm(spoke, deg + off), 9);
        expect(model.upMm(spoke, deg - off)).toBeCloseTo(model.upMm(spoke, deg + off), 9);
      }
  });

  test('one spoke does to another what that one does to it', () => {
    for (const spokes of SPOKES) {
      const model = wheelModel(spokes, 215, { side: 0.7, up: 1.6, spoke: 1.3, pitch: 0.9 });
      for (let i = 1; i <= spokes; i++)
        for (const j of [1, 2, Math.ceil(spokes / 3), spokes])
          expect(model.tensionPct(i, j)).toBeCloseTo(model.tensionPct(j, i), 8);
    }
  });

  test('the hub is pulled nowhere: what the spokes gain balances, sideways, round and about', () => {
    for (const spokes of SPOKES) {
      const model = wheelModel(spokes, 250);
      for (const spoke of [1, 2, 9]) {
        const pulls = Array.from({ length: spokes }, (_, i) => {
          const rad = ((i + 0.5) * 2 * Math.PI) / spokes;
          const pull = model.tensionPct(spoke, i + 1);
          return [pull * Math.cos(rad), pull * Math.sin(rad), sideOfSpoke(i + 1) * pull];
        });
        const sum = (k: number, by: (i: number) => number = () => 1) =>
          pulls.reduce((all, p, i) => all + p[k]! * by(i), 0);
        const rad = (i: number) => ((i + 0.5) * 2 * Math.PI) / spokes;
        for (const zero of [
          sum(0),
          sum(1),
          sum(2),
          sum(2, (i) => Math.cos(rad(i))),
          sum(2, (i) => Math.sin(rad(i))),
        ])
          expect(Math.abs(zero)).toBeLessThan(1e-6);
      }
    }
  });

  test('every spoke of one side by the same turn shifts the rim and bends nothing; of both sides it only tightens', () => {
    const model = wheelModel(36, 240);
    const by = (turnsOf: (spoke: number) => number, deg: number) =>
      Array.from({ length: 36 }, (_, i) => i + 1).reduce(
        (sum, s) =>
          [
            sum[0] + turnsOf(s) * model.sideMm(s, deg),
            sum[1] + turnsOf(s) * model.upMm(s, deg),
          ] as const,
        [0, 0] as readonly [number, number],
      );
    const shifted = [0, 5, 111].map((deg) => by((s) => sideOfSpoke(s), deg));
    for (const [side, up] of shifted) {
      expect(side).toBeCloseTo(shifted[0]![0], 9);
      expect(up).toBeCloseTo(0, 9);
    }
    // A turn of each moves it by a thread over the slant of a spoke, with no pull gained: geometry
    // of a straight line.
    expect(shifted[0]![0]).toBeCloseTo((0.7 * Math.hypot(195, 34)) / 34, 6);
    for (const deg of [0, 5, 111]) {
      const [side, up] = by(() => 1, deg);
      expect(side).toBeCloseTo(0, 9);
      expect(up).toBeLessThan(0);
    }
  });

  test('as a ring of points that is let go finds its rest, for nipples turned together', () => {
    const chance = seeded(2203);
    const turns = Array.from({ length: 36 }, () =>
      chance() < 0.3 ? Math.round(8 * (chance() - 0.5)) / 8 : 0,
    );
    const ring = ringAtRest(36, 240, turns);
    const model = wheelModel(36, 240);
    const most = Math.max(...ring.sideMm.map(Math.abs));
    for (let deg = 0; deg < 360; deg += 9) {
      const sum = (of: 'sideMm' | 'upMm') =>
        turns.reduce((all, t, i) => all + t * model[of](i + 1, deg), 0);
      expect(Math.abs(sum('sideMm') - ring.sideMm[deg]!)).toBeLessThan(0.01 * most);
      expect(Math.abs(sum('upMm') - ring.upMm[deg]!)).toBeLessThan(0.01 * most);
    }
  });

  test('a stiffer rim spreads a turn farther and moves less; a finer thread moves less, all alike', () => {
    const usual = wheelModel(36, 240);
    const stiff = wheelModel(36, 240, { side: 3, up: 3, spoke: 1, pitch: 1 });
    expect(stiff.sideMm(1, 5)).toBeLessThan(usual.sideMm(1, 5));
    expect(stiff.sideMm(1, 65) / stiff.sideMm(1, 5)).toBeGreaterThan(
      usual.sideMm(1, 65) / usual.sideMm(1, 5),
    );
    const fine = wheelModel(36, 240, { side: 1, up: 1, spoke: 1, pitch: 0.5 });
    for (const deg of [5, 50, 300]) {
      expect(fine.sideMm(1, deg)).toBeCloseTo(usual.sideMm(1, deg) / 2, 9);
      expect(fine.upMm(1, deg)).toBeCloseTo(usual.upMm(1, deg) / 2, 9);
    }
  });
});
