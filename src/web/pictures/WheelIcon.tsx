import { memo } from 'react';
import { mergedShapes, wheelDial, type DialMark, type DrawnWheel } from '../../core/fit/drawing';
import { Shape } from './DrawnShape';

const NO_MARKS: readonly DialMark[] = [];

interface Props {
  wheel: DrawnWheel;
  tireOnly?: boolean;
  marks?: readonly DialMark[];
  tireOn?: boolean;
  className?: string;
}

/**
 * A wheel or a tire beside its name in a list, to one scale with its neighbors. Only to be seen:
 * its name says what it is.
 */
export const WheelIcon = memo(
  ({ wheel, tireOnly = false, marks = NO_MARKS, tireOn = true, className = 'size-12' }: Props) => (
    <svg viewBox="46 46 508 508" aria-hidden className={`dial dial-icon shrink-0 ${className}`}>
      {mergedShapes(
        wheelDial({ wheel, marks, sideUp: 'disc', tireOn, small: true, tireOnly, letters: 0 }),
      ).map((shape, i) => (
        <Shape key={i} shape={shape} />
      ))}
    </svg>
  ),
);
