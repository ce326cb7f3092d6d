import { howMany } from '../../../../tests/case-count';
import { linearSolver, placeInstance, stripInstance } from '../../../../tests/place-instances';
import { seeded } from '../../base/statistics';
import { angleBetween } from '../../base/units';
import type { PlaceProblem } from './place-layout';
import { searchPlaces } from './place-search';
import { NEAREST_G } from './place-nearest';

/** Asks after which a search ends that is not asked for the last proof: some 200,000 steps. */
const LONG = 50;
/** An end after so many thousand steps. */
const endsSoon = (asks = 8) => {
  let asked = 0;
  return () => ++asked > asks;
};

/** What the solver says of the same question. */
const answered = ({ within, leastMassG, picks, massG }: ReturnType<typeof searchPlaces>) =>
  within ? { leastMassG, pieces: picks.length, massG } : null;

/**
 * Against a general-purpose solver of integer programs, with the tolerance circle as a polygon for
 * both.
 */
test('random rims and shelves: the least mass, and within its factor as few pieces as the solver finds', async () => {
  const solve = await linearSolver();
  let found = 0;
  const many = howMany(15, 200);
  for (let seed = 1; seed <= many; seed++) {
    const problem = placeInstance(seed);
    const answer = searchPlaces({ ...problem, stop: endsSoon(LONG) });
    const right = solve(problem);
    expect([seed, answered(answer)]).toEqual([seed, right]);
    expect(answer.proved || !answer.within).toBe(true);
    if (answer.within) found++;
  }
  expect(found).toBeGreaterThan(0.6 * many);
}, 240_000);

test('a dozen rims with strips side by side: as the solver finds, and none over another', async () => {
  const solve = await linearSolver();
  let found = 0;
  for (let seed = 500; seed < 512; seed++) {
    const it = stripInstance(seed);
    const answer = searchPlaces({ ...it, stop: endsSoon(LONG) });
    const right = solve(it);
    expect([seed, answered(answer)]).toEqual([seed, right]);
    const { picks } = answer;
    if (picks.length > 1) found++;
    picks.forEach((a, i) =>
      picks.slice(i + 1).forEach((b) => {
        const apartMm =
          (Math.abs(angleBetween(it.spots[a.spot]!.deg, it.spots[b.spot]!.deg)) / 360) * it.rimMm!;
        expect(apartMm).toBeGreaterThanOrEqual(
          (it.kinds[a.kind]!.lengthMm + it.kinds[b.kind]!.lengthMm) / 2 - 1e-6,
        );
      }),
    );
  }
  expect(found).toBeGreaterThan(4);
}, 120_000);

const problem = (more: Partial<PlaceProblem> = {}): PlaceProblem => ({
  target: [0, 40],
  toleranceG: 3,
  spots: Array.from({ length: 36 }, (_, i) => ({ deg: i * 10, roomMm: 40 })),
  kinds: [
    { massG: 5, count: 12, lengthMm: 12 },
    { massG: 10, count: 6, lengthMm: 20 },
  ],
  perSpot: 2,
  mostPieces: 12,
  massFactor: 1.25,
  ...more,
});

test('stock, room and pieces at a place are kept to, whatever is asked', () => {
  for (let seed = 300; seed < 360; seed++) {
    const it = { ...placeInstance(seed), polygon: undefined } as unknown as PlaceProblem;
    const { picks, residualG, within } = searchPlaces({ ...it, stop: endsSoon() });
    it.kinds.forEach((kind, k) =>
      expect(picks.filter((p) => p.kind === k).length).toBeLessThanOrEqual(kind.count),
    );
    it.spots.forEach((spot, s) => {
      const here = picks.filter((p) => p.spot === s);
      expect(here.length).toBeLessThanOrEqual(it.perSpot);
      expect(here.reduce((t, p) => t + it.kinds[p.kind]!.lengthMm, 0)).toBeLessThanOrEqual(
        spot.roomMm! + 1e-9,
      );
    });
    const sum = picks.reduce(
      ([x, y], p) => {
        const rad = (it.spots[p.spot]!.deg * Math.PI) / 180;
        return [
          x! + it.kinds[p.kind]!.massG * Math.sin(rad),
          y! + it.kinds[p.kind]!.massG * Math.cos(rad),
        ];
      },
      [0, 0],
    );
    expect(Math.hypot(it.target[0] - sum[0]!, it.target[1] - sum[1]!)).toBeCloseTo(residualG, 9);
    expect(residualG <= it.toleranceG + 1e-6).toBe(within);
  }
});

test('a shelf with too many ways to pick from is answered at once, without a proof', () => {
  const kinds = Array.from({ length: 12 }, (_, i) => ({
    massG: 1 + i * 0.3,
    count: 24,
    lengthMm: 1,
  }));
  const answer = searchPlaces(
    problem({ target: [0, 75], kinds, mostPieces: 24, stop: endsSoon() }),
  );
  expect(answer).toMatchObject({ within: true, proved: false, leastMassG: null });
  // The heaviest pull 4.3 g each at most, within 3 g of 75: sixteen do not do.
  expect(answer.piecesAtLeast).toBeGreaterThanOrEqual(17);
  expect(answer.picks.length).toBeGreaterThanOrEqual(answer.piecesAtLeast);
});

test('few pieces never cost more than the factor of the least mass', () => {
  const kinds = [
    { massG: 60, count: 4, lengthMm: 0 },
    { massG: 5, count: 20, lengthMm: 0 },
    { massG: 20, count: 1, lengthMm: 0 },
  ];
  const of = (massFactor: number) => {
    const { picks, massG, leastMassG, proved } = searchPlaces(
      problem({ target: [0, 41], kinds, massFactor }),
    );
    return { pieces: picks.length, massG, leastMassG, proved };
  };
  // 38 g is the least that comes near: 20 and four of 5, since nothing else sums up to it.
  expect(of(1.25)).toEqual({ pieces: 5, massG: 40, leastMassG: 40, proved: true });
  expect(of(1)).toEqual({ pieces: 5, massG: 40, leastMassG: 40, proved: true });
  // Only where three times the mass is allowed two pieces do, of 60 and 20 g, spread apart.
  expect(of(3)).toMatchObject({ pieces: 2, massG: 80, leastMassG: 40 });
});

test('where nothing comes within the limit, nothing on the shelf leaves less: every choice is tried beside it', () => {
  let short = 0;
  for (let seed = 1; seed <= 80; seed++) {
    const chance = seeded(seed);
    const spots = Array.from({ length: 3 + Math.floor(chance() * 3) }, () => ({
      deg: chance() * 360,
      roomMm: null,
    }));
    const kinds = [
      { massG: 5 + Math.round(chance() * 20), count: 2, lengthMm: 0 },
      { massG: 8 + Math.round(chance() * 30), count: 1, lengthMm: 0 },
    ];
    const it = problem({
      target: [chance() * 60 - 30, chance() * 60 - 30],
      toleranceG: 1,
      spots,
      kinds,
      perSpot: 2,
      mostPieces: 3,
    });
    // Every way to put none, one or two of the one and none or one of the other anywhere.
    const places = [null, ...spots];
    let least = Infinity;
    for (const a of places)
      for (const b of places)
        for (const c of places) {
          const sum = [a, b, c].reduce(
            ([x, y], spot, i) => {
              const m = spot ? kinds[i === 2 ? 1 : 0]!.massG : 0;
              const rad = ((spot?.deg ?? 0) * Math.PI) / 180;
              return [x! - m * Math.sin(rad), y! - m * Math.cos(rad)];
            },
            [...it.target],
          );
          // All three at one spot are one too many there.
          if (!(a && a === b && b === c)) least = Math.min(least, Math.hypot(sum[0]!, sum[1]!));
        }
    const answer = searchPlaces(it);
    expect(answer.within).toBe(least <= 1 + 1e-9);
    if (answer.within) continue;
    short++;
    expect(answer.proved).toBe(true);
    expect(answer.residualG).toBeGreaterThanOrEqual(least - 1e-9);
    expect(answer.residualG).toBeLessThan(least + NEAREST_G);
  }
  expect(short).toBeGreaterThan(40);
});

test('nothing to do, nothing to do it with, and an end on request', () => {
  expect(searchPlaces(problem({ target: [2, 2] }))).toMatchObject({
    picks: [],
    proved: true,
    piecesAtLeast: 0,
  });
  const short = searchPlaces(problem({ kinds: [{ massG: 5, count: 2, lengthMm: 12 }] }));
  expect(short).toMatchObject({ within: false, proved: true, massG: 10 });
  expect(short.residualG).toBeCloseTo(30, 9);
  // A hundred places and a tolerance that nothing meets: it stops when it is told to, and says what
  // is proved so far.
  let asked = 0;
  const stopped = searchPlaces(
    problem({
      spots: Array.from({ length: 100 }, (_, i) => ({ deg: i * 3.6 + 0.01 * i * i, roomMm: null })),
      target: [0.3, 41.7],
      toleranceG: 1e-7,
      kinds: [
        { massG: 7, count: 12, lengthMm: 1 },
        { massG: 5, count: 12, lengthMm: 1 },
      ],
      stop: () => ++asked > 3,
    }),
  );
  expect([stopped.within, stopped.proved]).toEqual([false, false]);
  expect(stopped.picks.length).toBeGreaterThan(5);
  expect(stopped.residualG).toBeLessThan(5);
});
