import type { Step } from '../../../core/job/procedure';
import { counted } from '../../../core/base/units';
import type { Batch } from '../use-batch';
import type { TorqueBatch } from './use-torque-batch';
import type { TorqueWalk, WalkRow } from './use-torque-walk';

/** The step that the fasteners are tightened at. */
export const TORQUE = 'back-torque';

/** The mode of the station. */
export type BackMode =
  | { is: 'loose' | 'done' | 'round' }
  /** Plain steps, or fasteners, written at once. */
  | { is: 'steps'; batch: Batch }
  | { is: 'fasteners'; batch: TorqueBatch }
  /**
   * The fastener that comes next; `isSure` where a wrench covers it or the manual has no figure.
   */
  | { is: 'fastener'; row: WalkRow; isSure: boolean }
  | { is: 'step'; step: Step; hasNoFigures: boolean };

interface Open {
  /** The first open step; undefined once all are done. */
  current: Step | undefined;
  walk: Pick<TorqueWalk, 'rows' | 'next' | 'sure' | 'isSecondRound'>;
  /** The plain steps that stand at the one at hand. */
  batch: Batch | null;
  torques: TorqueBatch | null;
  isLoose: boolean;
}

/** The mode of the station, by what is open. */
export const backModeOf = ({ current, walk, batch, torques, isLoose }: Open): BackMode => {
  if (isLoose) return { is: 'loose' };
  if (!current) return { is: 'done' };
  if (batch) return { is: 'steps', batch };
  const step = { is: 'step', step: current, hasNoFigures: false } as const;
  if (current.id !== TORQUE) return step;
  if (walk.rows.length === 0) return { ...step, hasNoFigures: true };
  if (torques) return { is: 'fasteners', batch: torques };
  if (walk.next) return { is: 'fastener', row: walk.next, isSure: walk.sure.includes(walk.next) };
  return walk.isSecondRound ? { is: 'round' } : step;
};

/** The one thing to do: what it is called, why, and what the button says. */
interface BackWords {
  now: string;
  why: string;
  label: string;
}

/** The words of what the station is at. */
export const backWordsOf = (mode: BackMode): BackWords => {
  switch (mode.is) {
    case 'loose':
      return {
        now: 'Loose wheel.',
        why: 'The rider installs it: torque by the manual, two passes, and pump the brake.',
        label: 'Next: hand over',
      };
    case 'done':
      return { now: 'The wheel is on.', why: 'Next: the paperwork.', label: 'Next: hand over' };
    case 'steps':
      return {
        now: `${counted(mode.batch.steps.length - mode.batch.left.size, 'step')}, as shown.`,
        why: 'Untap any you did not do.',
        label: 'All done as shown',
      };
    case 'fasteners':
      return {
        now: `Tighten ${counted(mode.batch.count, 'fastener')}, in this order.`,
        why: 'Values from the manual. Make sure the far end of the axle does not turn too. Untap any you did not do.',
        label: 'All tightened as shown',
      };
    case 'fastener':
      return {
        now: `Next: ${mode.row.fastener.name}.`,
        why: 'Axle nut before pinch bolts. Values from the manual.',
        label: mode.row.fastener.torqueNm === null ? 'Snug' : 'Torqued',
      };
    case 'round':
      return {
        now: 'Second pass: every fastener.',
        why: 'Tightening one can loosen the others.',
        label: 'Second pass done',
      };
    case 'step':
      return mode.hasNoFigures
        ? {
            now: 'No torque values are known.',
            why: 'Get them from the machine’s manual and note them.',
            label: 'Done',
          }
        : { now: mode.step.say, why: mode.step.why, label: 'Done' };
  }
};
