import { foldJob, jobCard, type EntryData, type EntryKind } from '.';
import { logOf, sampleChosen } from '../../../tests/sample';
import { DEFAULT_UNITS } from '../base/units';

const TODAY = '2026-05-02';

/** The rows of a section of the card, by their labels, of a job with these entries. */
const rowsOf = (title: string, ...entries: [EntryKind, EntryData[EntryKind]][]) => {
  const l = logOf().open();
  for (const [kind, data] of entries) l.add(kind, data);
  const section = jobCard(foldJob(l.log), TODAY, DEFAULT_UNITS).sections.find(
    (s) => s.title === title,
  );
  return Object.fromEntries(section?.rows ?? []) as Record<string, string>;
};
const slack = (
  when: 'before' | 'after',
  ...placesMm: number[]
): [EntryKind, EntryData['slack']] => [
  'slack',
  { when, placesMm, wantMinMm: 30, wantMaxMm: 40, runMm: 600, pitchMm: null },
];
const disc = (...lateralMm: (number | undefined)[]): [EntryKind, EntryData['disc-runout']] => [
  'disc-runout',
  {
    readings: lateralMm.map((mm, i) => ({
      angleDeg: i * 45,
      ...(mm === undefined ? { radialMm: 9 } : { lateralMm: mm }),
    })),
    limitMm: null,
  },
];

describe('what the card says of the wheel going back', () => {
  test('nothing, where nothing was measured', () => {
    expect(rowsOf('Wheel on')).toEqual({});
  });
  test('the slack at its tightest, before and after', () => {
    expect(rowsOf('Wheel on', slack('after', 36, 33, 40))).toEqual({ Slack: '33 mm' });
    expect(rowsOf('Wheel on', slack('before', 20, 18), slack('after', 35))).toEqual({
      Slack: '18 mm before, 35 mm after',
    });
    expect(rowsOf('Wheel on', slack('before', 20, 18))).toEqual({ Slack: '18 mm' });
  });
  test('the marks, the sensor from its least gap to its largest, and the brake', () => {
    const rows = rowsOf(
      'Wheel on',
      ['marks', { leftMm: 12.5, rightMm: 13, spanMm: 250, chainSide: 'left' }],
      [
        'sensor-gap',
        {
          readings: [0.9, 0.7, 1.1].map((gapMm, i) => ({ angleDeg: i * 90, gapMm })),
          wantMinMm: null,
          wantMaxMm: null,
        },
      ],
      ['brake', { firm: false, spin: 'free' }],
    );
    expect(rows).toMatchObject({
      Marks: 'left 12.5 mm, right 13.0 mm',
      'Sensor gap': '0.70 mm to 1.10 mm',
    });
    expect(rows.Brake).toMatch(/^not firm, /);
    expect(rowsOf('Wheel on', ['brake', { firm: true, spin: 'free' }]).Brake).toMatch(/^firm, /);
  });
  test('the disc by the span of its face; its edge is not in it', () => {
    expect(rowsOf('Wheel on', disc(0.02, -0.05, undefined, 0.03))).toEqual({
      'Disc runout': '0.08 mm',
    });
    expect(rowsOf('Wheel on', disc(undefined, undefined))).toEqual({});
  });
  test('a string says which side is further back', () => {
    const by = (left: number, right: number) =>
      rowsOf('Wheel on', [
        'string',
        {
          gapsMm: { leftFront: left, leftRear: left, rightFront: right, rightRear: right },
          wheelbaseMm: 1450,
          spanMm: 250,
          chainSide: 'left',
        },
      ])['Alignment by string'];
    // The wheel that heads to the left has its left end further back.
    expect(
      [by(20, 20), by(23, 17), by(17, 23)].map((text) => text?.replace(/^[\d.]+ mm/, 'some')),
    ).toEqual([
      'same on both sides',
      'some further back on the left',
      'some further back on the right',
    ]);
  });
});

describe('what the card says of a wheel that left', () => {
  const ride = (
    more: Partial<EntryData['test-ride']> = {},
  ): [EntryKind, EntryData['test-ride']] => [
    'test-ride',
    { how: 'ridden', by: 'Ned Ash', shakesAtKmh: null, found: '', ...more },
  ];
  test('the ride, in as many words as there are', () => {
    expect(rowsOf('Final check', ride())['Test ride']).toBe('ridden by Ned Ash');
    expect(
      rowsOf('Final check', ride({ how: 'not good', shakesAtKmh: 90, found: 'pulls left' }))[
        'Test ride'
      ],
    ).toBe('ridden, problem found by Ned Ash, shakes at 90 km/h, pulls left');
    expect(rowsOf('Final check')['Test ride']).toBeUndefined();
  });
  test('what it was taught, what was declined, where the old tire went', () => {
    const taught = (done: boolean, found: string) =>
      rowsOf('Final check', ['taught', { done, found }]).Recalibrated;
    expect([taught(true, ''), taught(false, 'no tool')]).toEqual(['done', 'not done, no tool']);
    const left = rowsOf(
      'Final check',
      ['declined', { what: 'A new strip.', by: 'Ned Ash' }],
      ['declined', { what: 'A new valve.', by: 'Ned Ash' }],
      ['handed-over', { to: 'Ned Ash', oldTire: 'recycled' }],
    );
    expect(left).toMatchObject({ Declined: 'A new strip. A new valve.', 'Old tire': 'recycled' });
  });
  test('that it left all the same, by whom and why, and what its log does not prove', () => {
    const despite = (despite: { by: string; why: string } | null) => {
      const l = logOf().open();
      l.add('chosen', sampleChosen());
      l.add('handed-over', { to: 'Ned Ash', despite });
      return jobCard(foldJob(l.log), TODAY, DEFAULT_UNITS).despite;
    };
    expect(despite(null)).toBeNull();
    expect(despite({ by: 'Ada Marl', why: 'he walks' })).toMatch(
      /^Release with open safety checks by Ada Marl: he walks\. Not on record: [a-z].* \(.+\); .+\.$/,
    );
  });
});
