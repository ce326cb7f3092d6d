import fc from 'fast-check';
import {
  failing,
  fromAnew,
  heard,
  isCalm,
  KINDS_OF_DEVICE,
  DEVICE_KINDS,
  NOTHING_HEARD,
  readiness,
  readingOf,
  readLine,
  takenFrom,
  type DeviceKind,
  type DeviceLine,
  type Track,
} from '.';

const line = (
  kind: DeviceKind,
  value: number,
  i: number,
  event?: DeviceLine['event'],
): DeviceLine => ({
  device: 'x',
  kind,
  value,
  unit: DEVICE_KINDS[kind].unit,
  at: new Date(Date.UTC(2026, 3, 30) + i * 50).toISOString(),
  ...(event ? { event } : {}),
});

/** A track that heard these values at twenty a second, through a failure if there is one. */
const after = (
  kind: DeviceKind,
  values: readonly number[],
  through: (l: DeviceLine) => string | null = JSON.stringify,
  from: Track = NOTHING_HEARD,
) => {
  let last = '';
  return values.reduce<{ track: Track; nowMs: number }>(
    ({ track }, value, i) => {
      const nowMs = 10_000 + i * 50;
      const text = through(line(kind, value, i));
      try {
        const read = text === null ? null : readLine(text);
        // As the hub does: the same moment is heard once.
        if (!read || read.at === last) return { track, nowMs };
        last = read.at;
        return { track: heard(track, read, nowMs), nowMs };
      } catch {
        return { track, nowMs };
      }
    },
    { track: from, nowMs: 0 },
  );
};
const still = (value: number, count: number) => Array.from({ length: count }, () => value);

describe('a reading is taken', () => {
  test('once it stands still, and has moved since the last', () => {
    const { track, nowMs } = after('gauge', [0, 10, 20, ...still(30, 6)]);
    expect(readingOf(track, 'gauge', nowMs)?.value).toBe(30);
    const again = after('gauge', still(30, 10), JSON.stringify, takenFrom(track));
    expect(readiness(again.track, 'gauge', again.nowMs)).toBe('not moved');
    expect(after('gauge', still(30, 10)).track.moved).toBe(false);
  });

  test('not while it moves, and not after a silence', () => {
    const { track, nowMs } = after(
      'gauge',
      Array.from({ length: 20 }, (_, i) => i * 4),
    );
    expect(readiness(track, 'gauge', nowMs)).toBe('moving');
    expect(isCalm(track)).toBe(true);
    expect(readiness(track, 'gauge', nowMs + 2001)).toBe('silent');
    expect(readingOf(NOTHING_HEARD, 'gauge', 0)).toBeNull();
    // What was said before the silence does not help to stand still.
    expect(heard(track, line('gauge', 76, 99), nowMs + 60_000).lines).toHaveLength(1);
  });

  test('of a wrench at its click, whatever the hand does after', () => {
    const pulled = after('torque-wrench', [0, 3, 6, 9, 12, 15]).track;
    const clicked = heard(pulled, line('torque-wrench', 18, 6, 'click'), 10_400);
    const gone = heard(clicked, line('torque-wrench', 2, 7), 10_450);
    expect(readiness(pulled, 'torque-wrench', 10_350)).toBe('no click');
    expect(readingOf(gone, 'torque-wrench', 10_450)?.value).toBe(18);
    expect(readingOf(takenFrom(gone), 'torque-wrench', 10_450)).toBeNull();
  });

  test('of a wrench whose lines came late, all at once; not of one that said nothing while it was pulled', () => {
    const pulled = after('torque-wrench', [0, 3, 6, 9, 12, 15]).track;
    const late = heard(pulled, line('torque-wrench', 18, 6, 'click'), 60_000);
    expect(readingOf(late, 'torque-wrench', 60_000)?.value).toBe(18);
    const silent = heard(pulled, line('torque-wrench', 18, 99, 'click'), 10_400);
    expect(readingOf(silent, 'torque-wrench', 10_400)).toBeNull();
    const back = heard(pulled, line('torque-wrench', 18, -1, 'click'), 10_400);
    expect(readingOf(back, 'torque-wrench', 10_400)).toBeNull();
  });

  test('the highest is what held, not a single jump, and a new try forgets it', () => {
    const { track } = after('gauge', [...still(100, 8), 300, ...still(90, 8)]);
    expect(track.highest).toBe(100);
    expect(fromAnew(track).highest).toBeNull();
  });
});

/** A frozen, noisy or absurd instrument never reaches a job. */
describe.each(KINDS_OF_DEVICE)('a %s that fails gives no reading', (kind) => {
  const { min, max } = DEVICE_KINDS[kind];
  const values = Array.from({ length: 60 }, (_, i) => min + ((max - min) * Math.min(i, 30)) / 80);
  test.each(['drop out', 'freeze', 'noise', 'nonsense'] as const)('%s', (mode) => {
    for (let seed = 1; seed <= 40; seed++) {
      const { track, nowMs } = after(kind, values, failing(mode, seed));
      expect(readingOf(track, kind, nowMs)).toBeNull();
    }
  });

  test('and one that works does', () => {
    const whole = after(kind, values);
    const { event } = DEVICE_KINDS[kind];
    const track =
      event === 'click' || event === 'rest'
        ? heard({ ...whole.track }, line(kind, values.at(-1)!, 61, event), whole.nowMs)
        : whole.track;
    expect(readingOf(track, kind, whole.nowMs)?.value).toBeCloseTo(values.at(-1)!, 9);
  });
});

test('whatever lines come, a reading that is given is one that was said and stood still', () =>
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 400, noNaN: true }), { maxLength: 60 }),
      (values) => {
        const { track, nowMs } = after('gauge', values);
        const reading = readingOf(track, 'gauge', nowMs);
        if (!reading) return;
        const last = values.slice(-6);
        expect(Math.max(...last) - Math.min(...last)).toBeLessThanOrEqual(2.5);
        expect(reading.value).toBe(values.at(-1));
      },
    ),
  ));

test('a drifting one goes away from the truth, slowly', () => {
  const drift = failing('drift');
  const off = [0, 20, 80].map(
    (i) => (JSON.parse(drift(line('caliper', 5, i))!) as DeviceLine).value - 5,
  );
  expect(off).toEqual([0, expect.closeTo(0.01, 6), expect.closeTo(0.04, 6)]);
});

describe('a wheel on the stand', () => {
  const rest = (track: Track, value: number, i: number, event?: 'rest') =>
    heard(track, line('balance-stand', value, i, event), 10_000 + i * 50);

  test('is read once it came to rest, not while it is only held, and not twice', () => {
    const held = after('balance-stand', still(200, 20));
    expect(readiness(held.track, 'balance-stand', held.nowMs)).toBe('no rest');
    const rested = rest(held.track, 200, 21, 'rest');
    expect(readingOf(rested, 'balance-stand', 11_050)?.value).toBe(200);
    const taken = takenFrom(rested);
    const again = Array.from({ length: 8 }, (_, i) => i).reduce(
      (t, i) => rest(t, 200, 22 + i),
      taken,
    );
    expect(readiness(again, 'balance-stand', 11_450)).toBe('no rest');
  });

  test('that moves again no longer rests; across the top of the wheel is no jump', () => {
    const rested = rest(after('balance-stand', still(200, 8)).track, 200, 9, 'rest');
    expect(rest(rested, 203, 10).event).toBeNull();
    const across = [359.9, 0.1, 359.8, 0, 0.2, 359.9].reduce(
      (t, v, i) => rest(t, v, i, i === 0 ? 'rest' : undefined),
      NOTHING_HEARD,
    );
    expect(readingOf(across, 'balance-stand', 10_260)?.value).toBe(359.9);
  });
});
