import fc from 'fast-check';
import { seatLadder, SEAT_ADVICE } from '.';

const LIMIT = 260;
const ask = (more: Partial<Parameters<typeof seatLadder.run>[0]> = {}) =>
  seatLadder.run({
    limitKpa: LIMIT,
    readingsKpa: [],
    discSeated: null,
    otherSeated: null,
    triesBefore: 0,
    tube: true,
    ...more,
  });

test.each<[string, Parameters<typeof ask>[0], string, string]>([
  ['no air yet', {}, 'air in', 'good'],
  ['some air', { readingsKpa: [100, 180] }, 'go on', 'good'],
  ['one side on', { readingsKpa: [180], discSeated: true }, 'go on', 'good'],
  ['both on', { readingsKpa: [200], discSeated: true, otherSeated: true }, 'seated', 'good'],
  ['at the limit', { readingsKpa: [LIMIT] }, 'start over', 'check'],
  ['near the limit', { readingsKpa: [LIMIT * 0.96], otherSeated: true }, 'start over', 'check'],
  [
    'let down again after a high reading: the try is over',
    { readingsKpa: [LIMIT * 0.96, 40] },
    'start over',
    'check',
  ],
  ['two pops', { readingsKpa: [180], pops: 2 }, 'look', 'good'],
  [
    'two pops, near the limit',
    { readingsKpa: [LIMIT * 0.97], pops: 2, discSeated: true },
    'look',
    'good',
  ],
  [
    'two pops, and not seated',
    { readingsKpa: [180], pops: 2, otherSeated: false },
    'go on',
    'good',
  ],
  [
    'two pops, and a low place',
    { readingsKpa: [180], pops: 2, line: [{ side: 'disc', deg: 90, even: false }] },
    'go on',
    'check',
  ],
  ['two pops above the limit', { readingsKpa: [LIMIT + 1], pops: 2 }, 'stop', 'stop'],
  ['above it', { readingsKpa: [LIMIT + 1] }, 'stop', 'stop'],
  [
    'above it, though both are on',
    { readingsKpa: [LIMIT + 1], discSeated: true, otherSeated: true },
    'stop',
    'stop',
  ],
  ['above it once, and let down', { readingsKpa: [LIMIT + 1, 20] }, 'stop', 'stop'],
  ['the second try at the limit', { readingsKpa: [LIMIT], triesBefore: 1 }, 'start over', 'check'],
  ['the third try at the limit', { readingsKpa: [LIMIT], triesBefore: 2 }, 'give up', 'stop'],
  ['a fourth try', { triesBefore: 3 }, 'give up', 'stop'],
  ['the shop allows four', { triesBefore: 3, rules: { 'seat.tries': 4 } }, 'air in', 'good'],
])('%s', (_what, more, advice, verdict) => {
  const working = ask(more);
  expect([working.result.advice, working.verdict]).toEqual([advice, verdict]);
});

test('a low place is named as it is seen from its own side, until that side is seated', () => {
  const low = [
    { side: 'other' as const, deg: 90, even: false },
    { side: 'disc' as const, deg: 90, even: false },
    { side: 'disc' as const, deg: 180, even: true },
  ];
  const says = (more = {}) =>
    ask({ readingsKpa: [100], line: low, ...more })
      .result.reasons.slice(1)
      .map((r) => r.says);
  expect(says()).toEqual([
    expect.stringContaining('9 o’clock (270°) on the other side'),
    expect.stringContaining('3 o’clock (90°) on the disc side'),
  ]);
  expect(says({ discSeated: true })).toHaveLength(1);
});

test('a tube is looked for when it gives up, and only where there is one', () => {
  const says = (tube: boolean) =>
    ask({ triesBefore: 3, tube })
      .result.reasons.map((r) => r.says)
      .join(' ');
  expect(says(true)).toMatch(/tube caught/);
  expect(says(false)).not.toMatch(/tube/);
});

test('air is never advised past the limit, nor once it was passed, whatever was read and seen', () =>
  fc.assert(
    fc.property(
      fc.record({
        limitKpa: fc.double({ min: 20, max: 344, noNaN: true }),
        readingsKpa: fc.array(fc.double({ min: 0, max: 1000, noNaN: true }), { maxLength: 20 }),
        discSeated: fc.option(fc.boolean()),
        pops: fc.integer({ min: 0, max: 5 }),
        line: fc.array(
          fc.record({
            side: fc.constantFrom('disc' as const, 'other' as const),
            deg: fc.integer({ min: 0, max: 359 }),
            even: fc.boolean(),
          }),
          { maxLength: 6 },
        ),
        otherSeated: fc.option(fc.boolean()),
        triesBefore: fc.integer({ min: 0, max: 50 }),
        tube: fc.boolean(),
      }),
      (input) => {
        const { result, cautions } = seatLadder.run(input);
        expect(SEAT_ADVICE).toContain(result.advice);
        if (result.upToKpa !== null) {
          expect(result.upToKpa).toBeLessThanOrEqual(input.limitKpa);
          expect(Math.max(0, ...input.readingsKpa)).toBeLessThanOrEqual(input.limitKpa + 0.011);
          expect(result.tryNumber).toBeLessThanOrEqual(result.triesAllowed);
        }
        expect(cautions).toContain('Never above the limit. Never a flammable gas.');
      },
    ),
    { numRuns: 1000, seed: 7 },
  ));
