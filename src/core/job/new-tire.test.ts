import { logOf } from '../../../tests/sample';
import { dialMarks, foldJob, orientationOf, stepsOf } from '.';
import { lightMarkTo, newTireOf } from './new-tire';

test('before a tire is chosen steps, dial and orientation take the same one: with a light mark and an arrow', () => {
  const state = foldJob(logOf().open().log);
  expect(newTireOf(state)).toEqual({ lightMark: true, arrows: true });
  expect(stepsOf(state, 'tire-on').some((s) => s.id.startsWith('on-mark'))).toBe(true);
  expect(dialMarks(state, 'seat').some((m) => m.is === 'light-mark')).toBe(true);
  const found = orientationOf(state, 'disc');
  expect(found?.ok && found.working.result.reasons.map((r) => r.says).join()).toMatch(/light mark/);
});

test('a misspelled method is refused and never passes for the valve', () => {
  const state = { ...foldJob(logOf().open().log), rules: { 'lightMark.to': 'heavyspot' } };
  expect(() => lightMarkTo(state)).toThrow(/heavyspot is not a choice/);
  expect(() => stepsOf(state)).toThrow(/heavyspot is not a choice/);
});
