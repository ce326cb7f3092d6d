import { stepsFor, needsOwnTick } from '.';
import { PROOF_STEPS } from './needs-own-tick';
import { procedure } from './procedure';

const steps = stepsFor(procedure.run(procedure.example).input);
const own = (id: string): boolean => needsOwnTick(steps.find((s) => s.id === id)!);

test('a hazard, a reading, a judgement or a proof is tapped by itself; the rest goes at once', () => {
  for (const s of steps) {
    if (s.guards === 'person' || s.confirm !== null || s.wants !== null)
      expect([s.id, needsOwnTick(s)]).toEqual([s.id, true]);
    if (s.reads !== null && !['bead-path', 'photo'].includes(s.reads))
      expect([s.id, needsOwnTick(s)]).toEqual([s.id, true]);
  }
  expect(['off-lift', 'in-true', 'in-old-weights', 'seat-clear', 'back-torque'].map(own)).toEqual(
    Array(5).fill(true),
  );
  expect(['off-chain', 'back-grease', 'on-shake', 'set-lock'].map(own)).toEqual([
    false,
    false,
    false,
    false,
  ]);
});

test('a caution that guards a part goes with the rest; without a word of it a caution is somebody’s', () => {
  expect(steps.filter((s) => s.guards === 'part').map((s) => s.id)).toEqual([
    'off-caliper',
    'toff-lock',
    'toff-break',
    'toff-first',
    'toff-second',
    'on-start',
    'on-half',
    'back-pads',
  ]);
  for (const s of steps) expect([s.id, s.guards === null]).toEqual([s.id, s.caution === null]);
  expect(['toff-first', 'on-half', 'back-pads'].map(own)).toEqual([false, false, false]);
  expect(own('toff-lock')).toBe(true);
});

test('every step that proves a safety point wants its own tap, whatever else it carries', () => {
  for (const id of Object.values(PROOF_STEPS))
    expect(needsOwnTick({ id, guards: null, confirm: null, reads: null, wants: null })).toBe(true);
});
