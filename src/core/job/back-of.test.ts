import { logOf, sampleMachine as machine, sampleWheel as wheel } from '../../../tests/sample';
import { stepsOf } from './steps-of';
import { stationReport } from './station-report';
import { coolUntil, leaveFactsOf, readyOf, teachingOf } from './back-of';
import { foldJob } from './folded-log';

const open = (m: Parameters<typeof machine>[0] = {}, w: Parameters<typeof wheel>[0] = {}) =>
  logOf().open(machine(m), wheel(w));
/** Every point proved, as a fitter would write it. */
const whole = (m: Parameters<typeof machine>[0] = {}, w: Parameters<typeof wheel>[0] = {}) => {
  const l = open(m, w);
  for (const { id } of stepsOf(foldJob(l.log))) l.add('step', { stepId: id });
  l.add('seat-reading', { gaugeKpa: 40 });
  l.add('seated', { side: 'disc', seated: true });
  l.add('seated', { side: 'other', seated: true });
  l.add('pressure-set', { gaugeKpa: 90, shopC: 20, rideC: 20, rideKpa: 90 });
  for (const f of foldJob(l.log).machine!.fasteners)
    l.add('torqued', {
      fastener: f.name,
      how: f.torqueNm === null ? 'snug' : 'torqued',
      torqueNm: f.torqueNm,
      wrench: 'long',
    });
  l.add('test-ride', { how: 'ridden', by: 'Ada Marl', shakesAtKmh: null, found: '' });
  return l;
};
const missing = (l: ReturnType<typeof whole>) =>
  readyOf(foldJob(l.log)).result.missing.map((p) => p.point);

test.each([
  ['a dirt rear wheel', {}, {}],
  ['a drum on a scooter', { kind: 'scooter', drive: 'hub' }, { discSide: 'none', build: 'cast' }],
  [
    'a quad',
    {
      kind: 'quad',
      fasteners: [{ name: 'wheel nuts', wheel: 'any', torqueNm: 60, socket: null, renews: 'nut' }],
    },
    { position: 'left-front' },
  ],
] as const)(
  '%s whose log has it all misses nothing; one that was only opened misses all',
  (_name, m, w) => {
    expect(missing(whole(m as never, w as never))).toEqual([]);
    const { points, missing: open_ } = readyOf(foldJob(open(m as never, w as never).log)).result;
    expect(open_).toEqual(points);
  },
);

test('a wheel that came in loose has nothing of its machine to do, and nothing of it to prove', () => {
  const l = open({ loose: true });
  const state = foldJob(l.log);
  expect(new Set(stepsOf(state).map((s) => s.station))).toEqual(
    new Set(['tire-off', 'inspect', 'tire-on', 'seat', 'set']),
  );
  for (const station of ['wheel-off', 'wheel-back'] as const)
    expect(stationReport(state, station, '2026-04-30')).toMatchObject({
      fill: 1,
      missing: [],
      doubts: [],
    });
  expect(stationReport(state, 'tire-off', '2026-04-30').fill).toBe(0);
  expect(readyOf(state).result.points.map((p) => p.point)).toEqual([
    'seated',
    'limit',
    'pressure',
    'arrow',
    'cap',
  ]);
  expect(missing(whole({ loose: true }))).toEqual([]);
});

test('an undone proof is none any more', () => {
  const l = whole();
  for (const [stepId, point] of [
    ['back-pump', 'brake'],
    ['back-ends', 'axle'],
    ['back-pin', 'pin'],
    ['on-arrow', 'arrow'],
    ['set-cap', 'cap'],
  ] as const) {
    const { entryId } = foldJob(l.log).steps[stepId]!;
    const copy = whole();
    copy.add('undo', { entryId });
    expect(missing(copy)).toEqual([point]);
  }
});

test('what was written of the brake counts more than a tick; a click counts only where a wrench was listened to', () => {
  const soft = whole();
  soft.add('brake', { firm: false, spin: 'free' });
  expect(readyOf(foldJob(soft.log)).result.missing).toMatchObject([
    { point: 'brake', stands: 'failed' },
  ]);
  const clicked = (device: string | null) => {
    const l = whole();
    l.add('torqued', {
      fastener: 'rear axle nut',
      how: 'torqued',
      torqueNm: 80,
      wrench: 'long',
      device,
    });
    return missing(l);
  };
  expect([clicked('long'), clicked(null)]).toEqual([['torque'], []]);
});

test('a pop above the limit is one too many, and a refused ride counts', () => {
  const l = whole();
  l.add('pop', { gaugeKpa: 300 });
  l.add('test-ride', { how: 'refused', by: 'Ned Ash', shakesAtKmh: null, found: '' });
  expect(missing(l)).toEqual(['limit']);
  expect(leaveFactsOf(foldJob(l.log)).ride).toBe('refused');
});

test('it cools for the rule’s minutes after a ride, and not after a refusal', () => {
  const l = whole();
  const { at } = foldJob(l.log).ride!;
  expect(Date.parse(coolUntil(foldJob(l.log))!) - Date.parse(at)).toBe(45 * 60_000);
  l.add('test-ride', { how: 'refused', by: 'Ned Ash', shakesAtKmh: null, found: '' });
  expect(coolUntil(foldJob(l.log))).toBeNull();
  expect(coolUntil(foldJob(open().log))).toBeNull();
});

test('a machine is taught once both pressures are set, whichever wheel is here', () => {
  const asks = { teachKmh: 20, teachM: 120 };
  const rear = foldJob(whole(asks).log);
  expect(teachingOf(rear, null)!.result.reasons[0]!.says).toBe(
    'Set the pressure first: front not set yet.',
  );
  expect(teachingOf(rear, 180)!.result.ready).toBe(true);
  const front = foldJob(whole(asks, { position: 'front' }).log);
  expect(teachingOf(front, null)!.result.reasons[0]!.says).toBe(
    'Set the pressure first: rear not set yet.',
  );
  expect(teachingOf(foldJob([]), null)).toBeNull();
});
