import { problemOf } from '../../../../tests/sample';
import { estimate, type ChargedWheel } from '.';

const wheel = (more: Partial<ChargedWheel> = {}): ChargedWheel => ({
  name: 'rear wheel',
  build: 'spoked',
  parts: [
    { what: 'tire', count: 1, priceMinor: 8999 },
    { what: 'tube', count: 2, priceMinor: 1250 },
  ],
  spentS: 0,
  leftMedianS: 5000,
  leftNinetyS: 7000,
  tiresToDispose: 1,
  ...more,
});
const RULES = {
  'cost.currency': 'USD',
  'cost.disposalMinor': 350,
  'cost.taxPct': 7.5,
  'labour.hourMinor': 6000,
  'labour.spokedMinor': 4500,
  'labour.castMinor': 3500,
  'labour.beyondPct': 10,
};
const of = (wheels: ChargedWheel[], rules: object = {}, agreedMinor?: number) =>
  estimate.run({
    wheels,
    rules: { ...RULES, ...rules },
    ...(agreedMinor === undefined ? {} : { agreedMinor }),
  });

describe('against a table worked by hand', () => {
  test('by the wheel: two wheels of two builds', () => {
    // Parts 89.99 + 2 × 12.50, and 89.99: 204.98. Labour 45 + 35 = 80. Fee 2 × 3.50 = 7. Tax 7.5%
    // of 291.98 = 21.8985.
    const cast = wheel({
      name: 'front wheel',
      build: 'cast',
      parts: [{ what: 'tire', count: 1, priceMinor: 8999 }],
    });
    expect(of([wheel(), cast]).result).toMatchObject({
      partsMinor: 20_498,
      labourMinor: 8000,
      labourHighMinor: 8000,
      feeMinor: 700,
      taxMinor: 2190,
      totalMinor: 31_388,
      highMinor: 31_388,
      incomplete: false,
      askAgain: null,
    });
  });
  test('by the hour: what was worked and what is left, in the middle and at most', () => {
    // 1000 s + 5000 s = 1.6667 h × 60 = 100.00; 1000 + 7000 s = 2.2222 h: 133.33. Parts 114.99, fee
    // 3.50. Tax 7.5 % of 218.49 = 16.38675 → 16.39; of 251.82 = 18.8865 → 18.89.
    expect(of([wheel({ spentS: 1000 })], { 'labour.by': 'the hour' }).result).toMatchObject({
      labourMinor: 10_000,
      labourHighMinor: 13_333,
      taxMinor: 1639,
      totalMinor: 23_488,
      highMinor: 27_071,
    });
  });
  test('hours of all wheels are rounded together, once', () => {
    // Twice 10 s of 60 an hour: 0.1667 each would round to 0.17 twice; together 0.3333.
    const ten = wheel({ parts: [], tiresToDispose: 0, leftMedianS: 10, leftNinetyS: 10 });
    expect(of([ten, ten], { 'labour.by': 'the hour', 'cost.taxPct': 0 }).result.totalMinor).toBe(
      33,
    );
  });
  test('labour without tax, where the place has none', () => {
    // 7.5 % of 118.49 = 8.88675.
    expect(of([wheel()], { 'labour.taxed': 'no' }).result).toMatchObject({
      taxMinor: 889,
      totalMinor: 17_238,
    });
  });
  test('tax of half a coin goes up', () => {
    const half = wheel({ parts: [{ what: 'tire', count: 1, priceMinor: 100 }], tiresToDispose: 0 });
    const rules = { 'labour.spokedMinor': 0, 'cost.taxPct': 0.5 };
    expect(of([half], rules).result.taxMinor).toBe(1);
    expect(of([half], { ...rules, 'cost.taxPct': 0.49 }).result.taxMinor).toBe(0);
  });
});

describe('beside what was agreed', () => {
  // 114.99 + 45 + 3.50 + tax 12.26 = 175.75.
  const says = (agreedMinor: number, more: object = {}) => {
    const { result, verdict } = of([wheel()], more, agreedMinor);
    return [result.askAgain, verdict, result.reasons.map((r) => r.says)];
  };
  test('up to the rule it goes on, a coin beyond it is asked again', () => {
    expect(of([wheel()]).result.totalMinor).toBe(17_575);
    expect(says(15_978)).toEqual([false, 'good', []]);
    expect(says(15_977)).toEqual([
      true,
      'stop',
      [
        expect.stringMatching(
          /175\.75 is over the approved .*159\.77\. Get the rider’s OK before going on\.$/,
        ),
      ],
    ]);
    expect(says(17_574, { 'labour.beyondPct': 0 })[0]).toBe(true);
    expect(says(17_575, { 'labour.beyondPct': 0 })[0]).toBe(false);
  });
  test('where only the longest time goes beyond it, it says so and goes on', () => {
    const [askAgain, verdict, reasons] = says(22_500, { 'labour.by': 'the hour' });
    expect([askAgain, verdict]).toEqual([false, 'check']);
    expect((reasons as string[])[0]).toMatch(/^It could reach/);
  });
});

test('a price that is not known counts nothing, and that is said', () => {
  const { result, verdict } = of([
    wheel({ parts: [{ what: 'tire', count: 1, priceMinor: null }] }),
  ]);
  expect([result.partsMinor, result.incomplete, verdict]).toEqual([0, true, 'check']);
});

test('without a rate for labour it does not say that all is well', () => {
  const { result, verdict } = of([wheel()], { 'labour.spokedMinor': 0 });
  expect([verdict, result.reasons.map((r) => r.says)]).toEqual([
    'check',
    ['No labor rate set. Add one under Rules, Costs.'],
  ]);
});

test('times that contradict each other are refused; no wheel costs nothing', () => {
  expect(problemOf(() => of([wheel(), wheel({ leftNinetyS: 4999 })])).field).toBe(
    'wheels[1].leftNinetyS',
  );
  expect(of([]).result.totalMinor).toBe(0);
});

test('a percentage of money is exact: 15% over 100.00 is 115.00, whatever the amount and the rule', () => {
  const asks = (agreedMinor: number, beyondPct: number, totalMinor: number) =>
    estimate.run({
      wheels: [
        {
          name: 'rear wheel',
          build: 'spoked',
          parts: [{ what: 'tire', count: 1, priceMinor: totalMinor }],
          spentS: 0,
          leftMedianS: 0,
          leftNinetyS: 0,
          tiresToDispose: 0,
        },
      ],
      agreedMinor,
      rules: {
        'labour.by': 'the hour',
        'labour.hourMinor': 0,
        'cost.disposalMinor': 0,
        'cost.taxPct': 0,
        'labour.beyondPct': beyondPct,
      },
    }).result.askAgain;
  expect([asks(10_000, 15, 11_500), asks(10_000, 15, 11_501)]).toEqual([false, true]);
  for (let agreedMinor = 100; agreedMinor <= 40_000; agreedMinor += 700)
    for (const beyondPct of [5, 7, 10, 15, 20, 33]) {
      // Whole coins, by whole numbers alone.
      const limit =
        (agreedMinor * (100 + beyondPct) - ((agreedMinor * (100 + beyondPct)) % 100)) / 100;
      expect([
        asks(agreedMinor, beyondPct, limit),
        asks(agreedMinor, beyondPct, limit + 1),
      ]).toEqual([false, true]);
    }
});
