import { logOf } from '../../../tests/sample';
import { dialMarks, foldJob, orientationOf, stepsOf } from '.';
import { lightMarkTo, newTireOf } from './new-tire';

test('before a tire is chosen steps, dial and orientation take the same one: with a light mark and an arrow', () => {
  const state = foldJob(logOf().open().log);
  expect(newTireOf(state)).toEqual({ lightMark: true, arrows: true });
  expect(stepsOf(state, 'tire-on').some((s) => s.id.startsWith('on-mark'))).toBe(true);
  const isMarked = (station: 'tire-on' | 'seat') =>
    dialMarks(state, station).some((m) => m.is === 'light-mark');
  expect(isMarked('tire-on')).toBe(true);
  // Once it should be on, a tire that no one chose has no mark to draw.
  expect(isMarked('seat')).toBe(false);
  const found = orientationOf(state, 'disc');
  expect(found?.ok && found.working.result.reasons.map((r) => r.says).join()).toMatch(/light mark/);
});

test('a misspelled method is refused and never passes for the valve', () => {
  const state = { ...foldJob(logOf().open().log), rules: { 'lightMark.to': 'heavyspot' } };
  expect(() => lightMarkTo(state)).toThrow(/heavyspot is not a choice/);
  expect(() => stepsOf(state)).toThrow(/heavyspot is not a choice/);
});
