import { stepsFor, wantsOwnTap } from '.';
import { PROOF_STEPS } from './own-tap';
import { procedure } from './procedure';

const steps = stepsFor(procedure.run(procedure.example).input);
const own = (id: string): boolean => wantsOwnTap(steps.find((s) => s.id === id)!);

test('a hazard, a reading, a judgement or a proof is tapped by itself; the rest goes at once', () => {
  for (const s of steps) {
    if (s.caution !== null || s.confirm !== null || s.wants !== null)
      expect([s.id, wantsOwnTap(s)]).toEqual([s.id, true]);
    if (s.reads !== null && s.reads !== 'bead-slack') expect([s.id, wantsOwnTap(s)]).toEqual([s.id, true]);
  }
  expect(['off-lift', 'in-true', 'seat-clear', 'back-torque'].map(own)).toEqual([true, true, true, true]);
  expect(['off-chain', 'back-grease', 'on-shake', 'set-lock'].map(own)).toEqual([false, false, false, false]);
});

test('every step that proves a safety point wants its own tap, whatever else it carries', () => {
  for (const id of Object.values(PROOF_STEPS))
    expect(wantsOwnTap({ id, caution: null, confirm: null, reads: null, wants: null })).toBe(true);
});
