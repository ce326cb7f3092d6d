import fc from 'fast-check';
import { clampsTimes, FASTENER_ROLES, inTighteningOrder, roleOf, torqueSequence } from '.';

const wrenches = [
  { name: 'long', minNm: 40, maxNm: 200, leverMm: 450 },
  { name: 'short', minNm: 8, maxNm: 50, leverMm: 250 },
];
const turns = (fasteners: Parameters<typeof torqueSequence.run>[0]['fasteners']) =>
  torqueSequence.run({ fasteners, wrenches }).result.turns;

test.each([
  ['axle pinch bolts', 'pinch bolt'],
  ['front axle', 'axle'],
  ['rear axle nut', 'axle'],
  ['rear hub nut', 'axle'],
  ['caliper bracket bolt', 'bracket'],
  ['Caliper bolts', 'caliper'],
  ['brake disc bolts', 'disc'],
  ['wheel nuts', 'wheel nut'],
  ['chain adjuster locknuts', 'adjuster'],
  ['rear sprocket nuts', 'sprocket'],
  ['rim lock nut', 'rim lock'],
  ['speed sensor bolt', 'sensor'],
  ['exhaust clamp', 'exhaust'],
  ['fork clamp bolts', 'pinch bolt'],
  ['silencer mount', 'exhaust'],
  ['something else', 'other'],
])('%s is read as %s', (name, role) => expect(roleOf(name)).toBe(role));

test('axle before pinch bolts, bracket before caliper, whatever the order of the record; nothing is lost', () => {
  const names = [
    'caliper bolts',
    'axle pinch bolts',
    'caliper bracket',
    'front axle',
    'wheel nuts',
    'a',
    'b',
  ];
  fc.assert(
    fc.property(fc.shuffledSubarray(names, { minLength: names.length }), (shuffled) => {
      const order = inTighteningOrder(shuffled.map((name) => ({ name }))).map((f) => f.name);
      expect(order.slice(0, 5)).toEqual([
        'wheel nuts',
        'front axle',
        'axle pinch bolts',
        'caliper bracket',
        'caliper bolts',
      ]);
      expect(order.slice(5)).toEqual(shuffled.filter((n) => n.length === 1));
    }),
  );
  expect(FASTENER_ROLES.indexOf('axle')).toBeLessThan(FASTENER_ROLES.indexOf('pinch bolt'));
});

test('each with the wrench that covers it; an extension in line lowers the setting; none is made up', () => {
  const [axle, pinch] = turns([
    { name: 'axle pinch bolts', torqueNm: 22 },
    { name: 'rear axle nut', torqueNm: 100, extensionMm: 50, renews: 'split pin' },
  ]);
  expect(axle).toMatchObject({
    name: 'rear axle nut',
    wrench: 'long',
    settingNm: 90,
    verdict: 'good',
  });
  expect(axle!.says).toEqual([
    'Watch both ends: the far end must not turn too.',
    'A new cotter pin.',
  ]);
  expect(pinch).toMatchObject({ wrench: 'short', settingNm: 22, says: ['After the axle nut.'] });
});

test('what no wrench covers and what has no figure is not good; a critical one without a figure is a stop', () => {
  const all = turns([
    { name: 'rear axle nut', torqueNm: null },
    { name: 'rim lock nut', torqueNm: null },
    { name: 'caliper bolts', torqueNm: 5 },
  ]);
  expect(all.map((t) => [t.name, t.verdict, t.settingNm])).toEqual([
    ['rear axle nut', 'stop', null],
    ['caliper bolts', 'stop', null],
    ['rim lock nut', 'check', null],
  ]);
  expect(all[0]!.says[0]).toMatch(/machine’s manual/);
  expect(torqueSequence.run({ fasteners: [], wrenches }).verdict).toBe('stop');
});

/**
 * Published: Shigley, torque factors 0.20 dry and plated, 0.18 lubricated, 0.12 with anti-seize.
 */
test('what is on the threads changes the clamp, and is said', () => {
  expect(clampsTimes('anti-seize')).toBeCloseTo(0.2 / 0.12, 12);
  expect(clampsTimes('oiled')).toBeCloseTo(0.2 / 0.18, 12);
  expect(clampsTimes('dry, plated')).toBe(1);
  const of = (thread: 'anti-seize' | 'dry, plated') =>
    turns([{ name: 'rear axle nut', torqueNm: 100, thread }])[0]!;
  expect([of('anti-seize').verdict, of('anti-seize').says[0]]).toEqual([
    'check',
    'Clamps 1.67× as hard as dry. Check which one the manual means.',
  ]);
  expect(of('dry, plated').verdict).toBe('good');
});
