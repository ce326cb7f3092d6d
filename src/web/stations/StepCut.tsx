import { useMemo } from 'react';
import type { CutAtStep } from '../../core/job';
import { useJob } from '../shared/job-context';
import { useUnits } from '../shared/quantity';
import { useMoved } from '../parts/use-moved';
import { WheelCutPicture } from '../pictures/WheelCutPicture';

/** A bead on the flange, held by the lever. */
const HELD = 0.5;

/** The wheel cut through at a step: the bead goes over with each act, a step or a bite. */
export const StepCut = ({
  cut: { section, fillMm, isMoving, text: says, cut },
  act,
  className = '',
}: {
  cut: CutAtStep;
  act: string;
  className?: string;
}) => {
  const { station } = useJob();
  const from = !isMoving ? HELD : station === 'tire-on' ? 1 : 0;
  const share = useMoved(act, from, HELD);
  const { say } = useUnits();
  const { rimWidthMm, wellMm } = section;
  const shown = useMemo(() => {
    const found = cut(share);
    if (!found.isBare) return found;
    const wide = rimWidthMm === null ? '' : `${say(rimWidthMm, 'mm')} wide`;
    const deep = wellMm === null ? '' : `${say(wellMm, 'mm')} deep`;
    return { ...found, words: [wide, deep] as const };
  }, [cut, share, rimWidthMm, wellMm, say]);
  return (
    <WheelCutPicture
      section={section}
      cut={shown}
      fillMm={fillMm}
      label={says}
      className={className}
    />
  );
};
