import { visitLogText, type VisitEntry } from '../../../core/shop/visit';
import { dueFrom } from '../visit/due-from';
import { momentText } from '../../parts/moment-text';
import { hoursFrom, placeOf } from './TimeScale';

/** A moment in the time zone of the shop, whichever it is. */
const local = (day: number, hour: number, minute = 0): Date =>
  new Date(2026, 10, day, hour, minute);

describe('a moment as somebody in the shop says it', () => {
  const now = local(25, 10, 42).getTime();
  test.each([
    [local(25, 15, 30), '3:30 PM'],
    [local(25, 9, 5), '9:05 AM'],
    [local(26, 0, 0), 'tomorrow 12:00 AM'],
    [local(27, 9), 'Fri 9:00 AM'],
    [local(24, 9), 'yesterday 9:00 AM'],
    [local(20, 12), 'Nov 20 12:00 PM'],
    [new Date(2026, 11, 3, 9), 'Dec 3 9:00 AM'],
    [new Date(2027, 0, 15, 9), 'Jan 15, 2027 9:00 AM'],
  ])('%p is %s', (at, says) => {
    expect(momentText(at.toISOString(), now)).toBe(says);
  });
});

describe('a promise as it is typed', () => {
  test('a day and a time in the shop’s own zone; no time is no promise; nonsense is a sentence', () => {
    expect(dueFrom('2026-11-25', '15:30')).toBe(local(25, 15, 30).toISOString());
    expect([dueFrom('2026-11-25', ''), dueFrom('', ' ')]).toEqual([null, null]);
    for (const [day, time] of [
      ['', '15:30'],
      ['2026-11-25', '25:00'],
      ['26-11-25', '15:30'],
    ] as const)
      expect((dueFrom(day, time) as Error).message).toMatch(/a day and a time/);
  });
});

describe('the clock of the day', () => {
  const HOUR = 3_600_000;
  const hours = hoursFrom(10.7 * HOUR, 9);
  test('begins with the hour that runs; what lies past its end stands at the end', () => {
    expect([hours[0], hours.at(-1), hours.length]).toEqual([10 * HOUR, 19 * HOUR, 10]);
    expect(placeOf(10 * HOUR, hours)).toBe(0);
    expect(placeOf(14.5 * HOUR, hours)).toBeCloseTo(50, 9);
    expect([placeOf(30 * HOUR, hours), placeOf(2 * HOUR, hours)]).toEqual([100, 0]);
  });
});

test('the log of a visit in words; what is undone is named', () => {
  const entry = (seq: number, kind: VisitEntry['kind'], data: object): VisitEntry =>
    ({
      id: `e${seq}`,
      seq,
      at: local(25, 9).toISOString(),
      who: 'Ada Marl',
      kind,
      data,
    }) as VisitEntry;
  const log = [
    entry(1, 'opened', { machineId: 'm', machineName: 'Hob 250', rider: 'Ned Ash' }),
    entry(2, 'wheel-added', { jobId: 'a', wheelId: 'w', position: 'front' }),
    entry(3, 'wheel-removed', { jobId: 'a', why: 'only the rear' }),
    entry(4, 'wheel-removed', { jobId: 'gone', why: 'x' }),
    entry(5, 'promised', { dueAt: local(25, 15, 30).toISOString() }),
    entry(6, 'agreed', { amountMinor: 24_050, currency: 'USD', by: 'Ned Ash' }),
    entry(7, 'waits', { what: 'a tube' }),
    entry(8, 'waits', { what: null }),
    entry(9, 'undo', { entryId: 'e7' }),
    entry(10, 'undo', { entryId: 'nothing' }),
    entry(11, 'wanted', { text: 'both tires' }),
    entry(12, 'note', { text: 'dry' }),
    entry(13, 'handed-over', { to: 'Ned Ash' }),
  ];
  expect(
    log.map((e) => visitLogText(e, log, (iso) => momentText(iso, local(25, 10).getTime()))),
  ).toEqual([
    'Hob 250 checked in, Ned Ash',
    'Front wheel added',
    'Front wheel removed: only the rear',
    'A wheel removed: x',
    'Promised for 3:30 PM',
    expect.stringMatching(/^Approved: .*240\.50.* by Ned Ash$/),
    'On hold for a tube',
    'Off hold',
    'Undone: On hold for a tube',
    'Undone',
    'Requested: both tires',
    'Note: dry',
    'Handed over to Ned Ash',
  ]);
});
