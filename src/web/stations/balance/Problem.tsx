import { refusalText } from '../../../core/errors';
import type { Attempt } from '../../../core/working';

/** Why a working cannot be had, where it cannot. */
export const Problem = ({ found }: { found: Attempt<unknown> | null }) =>
  found && !found.ok ? <p className="text-stop">{refusalText(found.problem)}</p> : null;
