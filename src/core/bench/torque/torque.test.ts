import { torqueCheck, torqueWrench, type TorqueWrench } from '.';
import { problemOf } from '../../../../tests/sample';
import { FT_LBF_IN_NM } from '../../base/units';

const lbfFt = (v: number) => v * FT_LBF_IN_NM;
const long: TorqueWrench = { name: 'long', minNm: lbfFt(20), maxNm: lbfFt(150), leverMm: 480 };
const small: TorqueWrench = { name: 'small', minNm: 2, maxNm: 12 };
const middle: TorqueWrench = { name: 'middle', minNm: 10, maxNm: 60 };

/** Common practice: a wrench has a range. */
test('a 20-to-150 wrench cannot set 16 lbf·ft', () => {
  const working = torqueWrench.run({ torqueNm: lbfFt(16), wrenches: [long] });
  expect(working.result).toMatchObject({
    wrench: null,
    settingNm: null,
    reason: 'No wrench covers it: long starts above it.',
  });
  expect(working.verdict).toBe('stop');
  expect(working.cautions.join()).toMatch(/guess/);
});

test('a value between the scales is said so', () => {
  const { result } = torqueWrench.run({ torqueNm: 20, wrenches: [long, small] });
  expect(result.reason).toBe('No wrench covers it: small ends below it; long starts above it.');
});

test('a value above all scales, and a shop without a wrench', () => {
  expect(torqueWrench.run({ torqueNm: 400, wrenches: [long, small] }).result.reason).toBe(
    'No wrench covers it: long ends below it.',
  );
  expect(torqueWrench.run({ torqueNm: 40, wrenches: [] }).result.reason).toBe(
    'The shop has no torque wrench on record.',
  );
});

test.each([
  [lbfFt(20), 'long'],
  [lbfFt(150), 'long'],
  [11, 'small'],
  [12, 'small'],
  [30, 'middle'],
  [110, 'long'],
])('%d N·m is for the %s wrench, ends of the scale included', (torqueNm, name) => {
  const wrenches = name === 'middle' ? [long, small, middle] : [long, small];
  const { result } = torqueWrench.run({ torqueNm, wrenches });
  expect(result.wrench?.name).toBe(name);
  expect(result.settingNm).toBe(torqueNm);
});

/** Statics of a lever: setting = T L / (L + A). */
test('an extension in line with the handle lowers the setting', () => {
  const working = torqueWrench.run({ torqueNm: 100, wrenches: [long], extensionMm: 120 });
  expect(working.result.settingNm).toBeCloseTo((100 * 480) / 600, 9);
  expect(working.lines.map((l) => l.label)).toContain('setting');
});

test('an extension may bring the setting under the scale', () => {
  expect(
    torqueWrench.run({ torqueNm: 30, wrenches: [long], extensionMm: 120 }).result.wrench,
  ).toBeNull();
});

test('an extension needs the length of the lever', () => {
  expect(
    torqueWrench.run({ torqueNm: 30, wrenches: [middle], extensionMm: 50 }).result.reason,
  ).toMatch(/lever length/i);
  expect(
    torqueWrench.run({ torqueNm: 30, wrenches: [middle], extensionMm: 50, leverMm: 300 }).result
      .wrench?.name,
  ).toBe('middle');
});

test('the wrench whose scale has the setting nearest its middle', () => {
  const low = { name: 'low', minNm: 10, maxNm: 50 };
  const high = { name: 'high', minNm: 25, maxNm: 105 };
  const of = (torqueNm: number) =>
    torqueWrench.run({ torqueNm, wrenches: [low, high] }).result.wrench?.name;
  // 32 is 2/40 off the middle of one and 33/80 off the other's; 48 is 18/40 and 17/80.
  expect([of(32), of(48), of(26), of(60)]).toEqual(['low', 'high', 'low', 'high']);
});

test('of several that do not cover it, the nearest on either side is named; a scale is shown for each', () => {
  const wrenches = [
    { name: 'a', minNm: 2, maxNm: 8 },
    { name: 'b', minNm: 3, maxNm: 12 },
    { name: 'c', minNm: 90, maxNm: 200 },
    { name: 'd', minNm: 40, maxNm: 120 },
  ];
  for (const order of [wrenches, [...wrenches].reverse()]) {
    const working = torqueWrench.run({ torqueNm: 20, wrenches: order });
    expect(working.result.reason).toBe('No wrench covers it: b ends below it; d starts above it.');
    expect(working.lines).toHaveLength(9);
  }
  const covered = torqueWrench.run({ torqueNm: 50, wrenches, extensionMm: 0, leverMm: 300 });
  expect(covered.result.wrench!.name).toBe('d');
  expect(covered.cautions).toEqual([]);
});

test('a wrench whose scale runs backwards is refused at its field', () => {
  const wrenches = [small, { name: 'odd', minNm: 60, maxNm: 20 }];
  const problem = problemOf(() => torqueWrench.run({ torqueNm: 30, wrenches }));
  expect(problem.field).toBe('wrenches[1].minNm');
  expect(problem.message).toBe('odd would start at 60 N·m and end at 20 N·m.');
  expect(() =>
    torqueWrench.run({ torqueNm: 30, wrenches: [{ name: 'none', minNm: 20, maxNm: 20 }] }),
  ).toThrow(/end at 20/);
});

test('the setting shows its arithmetic to a tenth', () => {
  const { lines, cautions } = torqueWrench.run({
    torqueNm: 33.333,
    wrenches: [middle],
    extensionMm: 50,
    leverMm: 300,
  });
  expect(lines.find((l) => l.label === 'setting')!.formula).toBe('33.3 × 300 / (300 + 50)');
  expect(cautions.join()).toMatch(/right angle/);
});

test('what is said of a click: at how much, against what, and which way to mend it', () => {
  const said = (wantedNm: number, reachedNm: number) =>
    torqueCheck.run({ wantedNm, reachedNm }).result.reason.says;
  expect(said(100, 101)).toBe('Clicked at 101 N·m.');
  expect(said(100, 90)).toBe(
    'Clicked at 90 N·m; manual says 100 N·m. Set the wrench again and pull on.',
  );
  expect(said(100, 110)).toBe(
    'Clicked at 110 N·m; manual says 100 N·m. Loosen it and tighten again.',
  );
  expect(said(5, 5.33)).toBe('Clicked at 5.3 N·m; manual says 5 N·m. Loosen it and tighten again.');
  const of = (wantedNm: number) =>
    torqueCheck.run({ wantedNm, reachedNm: wantedNm }).lines.find((l) => l.label === 'may be off')!;
  expect([of(10).formula, of(10).value, of(10.1).formula, of(10.1).value]).toEqual([
    'up to 10 N·m',
    6,
    'above 10 N·m',
    4,
  ]);
});

/** Recalled from ISO 6789-1: 4% above 10 N·m, 6% up to it. */
test.each([
  [100, 104, true],
  [100, 104.1, false],
  [100, 96, true],
  [100, 95.9, false],
  [8, 8.47, true],
  [8, 8.5, false],
  [10, 9.4, true],
])('wanted %d, reached %d: %s', (wantedNm, reachedNm, within) => {
  const { result, verdict } = torqueCheck.run({ wantedNm, reachedNm });
  expect([result.within, verdict]).toEqual([within, within ? 'good' : 'check']);
  if (!within) expect(result.reason.says).toMatch(reachedNm < wantedNm ? /pull on/ : /Loosen it/);
});
