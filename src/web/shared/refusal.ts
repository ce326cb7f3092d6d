import { refusalText as refusalTextIn, type InputProblem } from '../../core/base/errors';
import { selectUnits, store } from '../store';

/** A refusal as this device shows it: what is wrong, and what to do, in its units. */
export const refusalText = (
  problem: Pick<InputProblem, 'message' | 'expected' | 'inUnits'>,
): string => refusalTextIn(problem, selectUnits(store.getState()));
