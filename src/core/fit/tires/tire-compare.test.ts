import fc from 'fast-check';
import { problemOf } from '../../../../tests/sample';
import { tireCompare } from '.';

const compare = (from: string, to: string, more: object = {}) => {
  const working = tireCompare.run({ sizes: [from, to], ...more });
  return { working, change: working.result.changes[0]! };
};
test('130/90-16 to 130/80-16: 13 mm of sidewall, 26 mm of diameter, about 4%, and 13 mm (0.51 in) more room', () => {
  const { change } = compare('130/90-16', '130/80-16', { clearancesMm: { above: 20, left: 15 } });
  expect(change.sectionHeightChangeMm).toBeCloseTo(-13, 6);
  expect(change.diameterChangeMm).toBeCloseTo(-26, 6);
  expect(change.diameterChangePct).toBeCloseTo(-4.06, 2);
  expect(change.clearancesAfterMm).toEqual({ above: 33, left: 15 });
  expect((change.clearancesAfterMm.above! - 20) / 25.4).toBeCloseTo(0.51, 2);
  expect(change.rideHeightChangeMm).toBeCloseTo(-13, 6);
});

test('a smaller tire makes the speedometer read high, and turns more often', () => {
  const { change, working } = compare('130/90-16', '130/80-16');
  expect(change.speedometerErrorPct).toBeCloseTo((640 / 614 - 1) * 100, 6);
  expect(change.circumferenceChangePct).toBeCloseTo((614 / 640 - 1) * 100, 6);
  expect(change.turnsPerKm).toBeCloseTo(1e6 / (Math.PI * 614), 6);
  expect(working.result.turnsPerKm).toBeCloseTo(1e6 / (Math.PI * 640), 6);
});

test('a larger tire lowers the speedometer: said once it is more than the rule', () => {
  const says = (rules: object) =>
    compare('150/70-17', '160/80-17', { rules })
      .change.reasons.map((r) => r.says)
      .join();
  expect(says({})).toMatch(/reads 6\.7% low/);
  expect(says({ 'speedo.readsLowPct': 8 })).not.toMatch(/speedometer/);
});

test('gearing is said as a rear sprocket: a tire 4% smaller is like two teeth more', () => {
  const { change } = compare('130/90-16', '130/80-16', {
    end: 'rear',
    sprockets: { front: 16, rear: 42 },
  });
  expect(change.likeRearTeeth).toBeCloseTo((42 * 640) / 614, 6);
  expect(
    compare('130/90-16', '130/80-16', { end: 'front', sprockets: { front: 16, rear: 42 } }).change
      .likeRearTeeth,
  ).toBeNull();
});

test('wheel-speed sensors: front turns for one of the rear, before and after', () => {
  const rear = compare('180/55-17', '190/50-17', { end: 'rear', otherEnd: '120/70-17' }).change;
  expect(rear.sensor?.present).toBeCloseTo(630 / 600, 9);
  expect(rear.sensor?.after).toBeCloseTo(622 / 600, 9);
  expect(rear.reasons.filter((r) => /sensors/.test(r.says))).toHaveLength(0);
  const front = compare('120/70-17', '120/60-17', { end: 'front', otherEnd: '180/55-17' }).change;
  expect(front.sensor?.after).toBeCloseTo(630 / 576, 9);
  expect(front.reasons.map((r) => r.says).join()).toMatch(/a different ratio, by 4\.2%/);
});

test('room is judged with growth: none standing and none at speed are stops, little is a check', () => {
  const at = (above: number) => compare('110/80-18', '150/70-18', { clearancesMm: { above } });
  // Half the diameter change is 17 mm; growth is 7 % of 105 mm.
  expect(at(40).change.clearancesAfterMm.above).toBeCloseTo(23, 6);
  expect(at(40).change.clearancesAtSpeedMm.above).toBeCloseTo(23 - 7.35, 6);
  expect(at(17).working.verdict).toBe('stop');
  expect(at(17).working.cautions.join()).toMatch(/No clearance left above the tire/);
  expect(at(23).change.reasons[0]).toMatchObject({
    verdict: 'stop',
    says: '6 mm clearance above the tire at rest, none at speed.',
  });
  expect(at(30).change.reasons[0]).toMatchObject({ verdict: 'check' });
  expect(at(40).change.reasons[0]).toMatchObject({ verdict: 'good' });
  const side = compare('110/80-18', '150/70-18', { clearancesMm: { right: 18 } });
  expect(side.change.clearancesAfterMm.right).toBe(-2);
});

test('another rim diameter is a stop', () => {
  const { change, working } = compare('110/90-19', '110/90-18');
  expect(change.sameRim).toBe(false);
  expect(working.verdict).toBe('stop');
});

test('up to four sizes of any notation at once, each against the first', () => {
  const { result } = tireCompare.run({ sizes: ['130/90-16', 'MT90B16', '5.10-16', '130/80-16'] });
  expect(result.changes.map((c) => Math.round(c.diameterChangeMm))).toEqual([0, -1, -26]);
  expect(result.changes[0]!.reasons.map((r) => r.says).join()).toMatch(/estimate/);
});

test('back and forth cancel out in millimetres', () => {
  const metric = fc
    .tuple(
      fc.integer({ min: 60, max: 240 }),
      fc.integer({ min: 40, max: 100 }),
      fc.integer({ min: 10, max: 21 }),
    )
    .map(([w, r, d]) => `${w}/${r}-${d}`);
  const inch = fc
    .tuple(fc.integer({ min: 200, max: 500 }), fc.integer({ min: 10, max: 21 }))
    .map(([w, d]) => `${(w / 100).toFixed(2)}-${d}`);
  const size = fc.oneof(metric, inch);
  fc.assert(
    fc.property(size, size, (a, b) => {
      const there = compare(a, b).change;
      const back = compare(b, a).change;
      expect(there.diameterChangeMm + back.diameterChangeMm).toBeCloseTo(0, 9);
      expect(there.sectionHeightChangeMm + back.sectionHeightChangeMm).toBeCloseTo(0, 9);
      expect(there.sectionWidthChangeMm + back.sectionWidthChangeMm).toBeCloseTo(0, 9);
      expect(there.rideHeightChangeMm + back.rideHeightChangeMm).toBeCloseTo(0, 9);
    }),
  );
});

test.each([
  [{ sizes: ['130/90-16', 'nonsense'] }, 'sizes[1]'],
  [{ sizes: ['??', '130/90-16'] }, 'sizes[0]'],
  [{ sizes: ['130/90-16'] }, 'sizes'],
  [{ sizes: Array(5).fill('130/90-16') }, 'sizes'],
  [{ sizes: ['130/90-16', '130/80-16'], clearancesMm: { above: -1 } }, 'clearancesMm.above'],
  [{ sizes: ['130/90-16', '130/80-16'], otherEnd: '120/70-17' }, 'end'],
  [{ sizes: ['130/90-16', '130/80-16'], end: 'rear', otherEnd: 'oval' }, 'otherEnd'],
])('%j is refused at its field', (input, field) => {
  expect(problemOf(() => tireCompare.run(input as never)).field).toBe(field);
});
