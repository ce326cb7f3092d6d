import { torqueCheck, torqueWrench, type TorqueWrench } from '.';
import { FT_LBF_IN_NM } from '../units';

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
  expect(torqueWrench.run({ torqueNm: 40, wrenches: [] }).result.reason).toBe('There is no torque wrench in the shop.');
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
  expect(torqueWrench.run({ torqueNm: 30, wrenches: [long], extensionMm: 120 }).result.wrench).toBeNull();
});

test('an extension needs the length of the lever', () => {
  expect(torqueWrench.run({ torqueNm: 30, wrenches: [middle], extensionMm: 50 }).result.reason).toMatch(
    /lever length/i,
  );
  expect(
    torqueWrench.run({ torqueNm: 30, wrenches: [middle], extensionMm: 50, leverMm: 300 }).result.wrench?.name,
  ).toBe('middle');
});

/** Recalled from ISO 6789-1: 4 % above 10 N·m, 6 % up to it. */
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
  if (!within) expect(result.reason.says).toMatch(reachedNm < wantedNm ? /pull on/ : /loosen it/);
});
