import { linearSolver, placeInstance, stripInstance } from '../../../tests/place-instances';
import { angleBetween } from '../units';
import { searchPlaces, type PlaceProblem } from './place-search';

/** Against a general-purpose solver of integer programs, with the tolerance circle as a polygon for both. */
test('two hundred random rims and shelves: as few pieces and as little mass as the solver finds', async () => {
  const solve = await linearSolver();
  let found = 0;
  for (let seed = 1; seed <= 200; seed++) {
    const problem = placeInstance(seed);
    const answer = searchPlaces(problem);
    const right = solve(problem);
    expect([seed, answer.picks && answer.picks.length, answer.picks && answer.massG]).toEqual([
      seed,
      right && right.pieces,
      right && right.massG,
    ]);
    expect(answer.proved).toBe(true);
    if (answer.picks) found++;
  }
  expect(found).toBeGreaterThan(120);
}, 240_000);

test('two dozen rims with strips side by side: as the solver finds, and none over another', async () => {
  const solve = await linearSolver();
  let found = 0;
  for (let seed = 500; seed < 524; seed++) {
    const it = stripInstance(seed);
    const answer = searchPlaces(it);
    const right = solve(it);
    expect([seed, answer.picks && answer.picks.length, answer.picks && answer.massG]).toEqual([
      seed,
      right && right.pieces,
      right && right.massG,
    ]);
    const picks = answer.picks ?? [];
    if (picks.length > 1) found++;
    picks.forEach((a, i) =>
      picks.slice(i + 1).forEach((b) => {
        const apartMm = (Math.abs(angleBetween(it.spots[a.spot]!.deg, it.spots[b.spot]!.deg)) / 360) * it.rimMm!;
        expect(apartMm).toBeGreaterThanOrEqual((it.kinds[a.kind]!.lengthMm + it.kinds[b.kind]!.lengthMm) / 2 - 1e-6);
      }),
    );
  }
  expect(found).toBeGreaterThan(8);
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
  ...more,
});

test('stock, room and pieces at a place are kept to, whatever is asked', () => {
  for (let seed = 300; seed < 360; seed++) {
    const it = { ...placeInstance(seed), polygon: undefined } as unknown as PlaceProblem;
    const { picks, residualG } = searchPlaces(it);
    if (!picks) continue;
    it.kinds.forEach((kind, k) => expect(picks.filter((p) => p.kind === k).length).toBeLessThanOrEqual(kind.count));
    it.spots.forEach((spot, s) => {
      const here = picks.filter((p) => p.spot === s);
      expect(here.length).toBeLessThanOrEqual(it.perSpot);
      expect(here.reduce((t, p) => t + it.kinds[p.kind]!.lengthMm, 0)).toBeLessThanOrEqual(spot.roomMm! + 1e-9);
    });
    const sum = picks.reduce(
      ([x, y], p) => {
        const rad = (it.spots[p.spot]!.deg * Math.PI) / 180;
        return [x! + it.kinds[p.kind]!.massG * Math.sin(rad), y! + it.kinds[p.kind]!.massG * Math.cos(rad)];
      },
      [0, 0],
    );
    expect(Math.hypot(it.target[0] - sum[0]!, it.target[1] - sum[1]!)).toBeCloseTo(residualG, 9);
    expect(residualG).toBeLessThanOrEqual(it.toleranceG + 1e-6);
  }
});

test('a shelf with too many ways to pick from is answered at once, without a proof', () => {
  const kinds = Array.from({ length: 12 }, (_, i) => ({ massG: 1 + i * 0.3, count: 24, lengthMm: 1 }));
  const answer = searchPlaces(problem({ target: [0, 75], kinds, mostPieces: 24 }));
  expect(answer).toMatchObject({ picks: null, proved: false });
  // The heaviest pull 4.3 g each at most, within 3 g of 75: sixteen do not do.
  expect(answer.piecesAtLeast).toBeGreaterThanOrEqual(17);
});

test('nothing to do, nothing to do it with, and an end on request', () => {
  expect(searchPlaces(problem({ target: [2, 2] }))).toMatchObject({ picks: [], proved: true, piecesAtLeast: 0 });
  expect(searchPlaces(problem({ kinds: [{ massG: 5, count: 2, lengthMm: 12 }] }))).toMatchObject({
    picks: null,
    proved: true,
  });
  // A hundred places and a tolerance that nothing meets: it stops when it is told to, and says what is proved so far.
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
  expect([stopped.picks, stopped.proved, asked]).toEqual([null, false, 4]);
  expect(stopped.piecesAtLeast).toBeGreaterThan(5);
});
