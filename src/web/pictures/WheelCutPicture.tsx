import { useMemo } from 'react';
import { CUT_FIELD, wheelCut, type Section, type WheelCut } from '../../core/fit/drawing';
import { Shape } from './DrawnShape';

/**
 * A wheel that lies flat, cut through: the place of the levers on the left, the far side on the
 * right, each with its beads where they are.
 */
export const WheelCutPicture = ({
  section,
  cut,
  fillMm,
  label,
  className = '',
}: {
  section: Section;
  cut: WheelCut;
  fillMm: number;
  /** The picture in words. */
  label: string;
  className?: string;
}) => {
  const shapes = useMemo(() => wheelCut(section, cut, fillMm), [section, cut, fillMm]);
  return (
    <svg
      viewBox={`0 0 ${CUT_FIELD.width} ${CUT_FIELD.height}`}
      role="img"
      aria-label={`Cross-section of the wheel, lying flat. ${label}`}
      className={`dial w-full ${className}`}
    >
      {shapes.map((shape, i) => (
        <Shape key={i} shape={shape} />
      ))}
    </svg>
  );
};
