import { useMemo } from 'react';
import type { JobState } from '../../core/job';
import { crossSection, SECTION_FIELD, sectionLength } from '../../core/bench/ring';
import type { Wheel } from '../../core/fit/wheels';
import { Shape } from './DrawnShape';
import { useUnits } from '../shared/quantity';

/**
 * A wheel cut through its axle, to scale, with its measured numbers where they are. Nothing where
 * they are not known.
 */
export const SectionDrawing = ({
  wheel,
  beads,
  className = '',
}: {
  wheel: Wheel;
  /** The caliper's readings of each bead in a job. */
  beads?: JobState['beads'];
  className?: string;
}) => {
  const { units } = useUnits();
  const shapes = useMemo(
    () => crossSection(wheel, sectionLength(units), beads),
    [wheel, units, beads],
  );
  if (!shapes) return null;
  const said = shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []));
  return (
    <svg
      viewBox={`0 0 ${SECTION_FIELD.width} ${SECTION_FIELD.height}`}
      role="img"
      aria-label={`Cut through the axle, inner edge on the left: ${said.join(', ')}`}
      className={`dial ${className}`}
    >
      {shapes.map((shape, i) => (
        <Shape key={i} shape={shape} />
      ))}
    </svg>
  );
};
