import { useState } from 'react';
import { useJob } from '../../shared/job-context';
import { useUnits } from '../../shared/quantity';

/** The typed values of a spring scale at the tread. */
interface Typed {
  pull: string;
  free: string;
  radius: string;
}

/** The pulls as they are typed; each null where nothing is. */
export interface Pull {
  typed: Typed;
  put(part: Partial<Typed>): void;
  values: { pullN: number | null; freePullN: number | null; radiusMm: number | null };
  /** The missing or faulty value, as a sentence; null if it fits. */
  problem: string | null;
}

/** The pull at the tread that keeps the wheel turning, begun with what was written before. */
export const usePull = (): Pull => {
  const { brake } = useJob().state;
  const { read, write } = useUnits();
  const [typed, setTyped] = useState<Typed>({
    pull: brake?.pullN == null ? '' : write(brake.pullN, 'N'),
    free: brake?.freePullN == null ? '' : write(brake.freePullN, 'N'),
    radius: brake?.radiusMm == null ? '' : write(brake.radiusMm, 'mm', 0),
  });
  const pullN = typed.pull.trim() ? read(typed.pull, 'N') : null;
  const freePullN = typed.free.trim() ? read(typed.free, 'N') : null;
  const radiusMm = typed.radius.trim() ? read(typed.radius, 'mm') : null;
  const isNoNumber =
    (typed.pull.trim() !== '' && pullN === null) ||
    (typed.free.trim() !== '' && freePullN === null) ||
    (typed.radius.trim() !== '' && radiusMm === null);
  const problem = isNoNumber
    ? 'Spring scale: enter numbers such as 4 or 2.5.'
    : (pullN !== null || freePullN !== null) && (pullN === null || radiusMm === null)
      ? 'Spring scale: enter the pull and its distance from the axle.'
      : null;
  return {
    typed,
    put: (part) => setTyped((t) => ({ ...t, ...part })),
    values: { pullN, freePullN, radiusMm },
    problem,
  };
};
