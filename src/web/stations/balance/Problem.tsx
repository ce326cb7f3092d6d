import type { Attempt } from '../../../core/base/working';
import { refusalText } from '../../shared/refusal';

/** Why a working cannot be had, where it cannot. */
export const Problem = ({ found }: { found: Attempt<unknown> | null }) =>
  found && !found.ok ? <p className="text-stop">{refusalText(found.problem)}</p> : null;
