import { useMemo } from 'react';
import { drawnWheelAt, hasStrip } from '../../../core/job';
import { beadCloseUp, CLOSE_UP_FIELD, sectionOf } from '../../../core/fit/drawing';
import { tryReadTire } from '../../../core/fit/tires';
import { Shape } from '../../pictures/DrawnShape';
import { useJob } from '../../shared/job-context';
import { useMoved } from '../../parts/use-moved';

/** A bead that is not known to be on its seat is drawn so far up from the well. */
const NOT_YET = 0.5;
const WORDS = { true: 'on its seat', false: 'not on its seat', null: 'not checked yet' } as const;

/**
 * The bead of one side at its flange, cut through: it climbs onto its seat once its molded line was
 * found even all round. Nothing for a tire whose size is not known, and for a clamped bead.
 */
export const BeadCloseUp = ({
  side,
  className = '',
}: {
  side: 'disc' | 'other';
  className?: string;
}) => {
  const { state, wheel } = useJob();
  const seated = state.seated[side];
  const share = useMoved(`${seated}`, NOT_YET, seated === true ? 1 : NOT_YET);
  const section = useMemo(() => {
    const drawn = drawnWheelAt(state, 'seat') ?? wheel;
    const size = tryReadTire(drawn.tireMarking ?? '');
    const hasTube = state.chosen?.tube ?? wheel.tube;
    return size && sectionOf(size, drawn, { hasTube, hasStrip: hasStrip(wheel) });
  }, [state, wheel]);
  const shapes = useMemo(
    () => section && beadCloseUp(section, side === 'disc' ? 'left' : 'right', share),
    [section, side, share],
  );
  if (!shapes || wheel.build === 'beadlock') return null;
  return (
    <svg
      viewBox={`0 0 ${CLOSE_UP_FIELD} ${CLOSE_UP_FIELD}`}
      role="img"
      aria-label={`Cross-section of the bead: ${WORDS[`${seated}`]}`}
      className={`dial overflow-hidden ${className}`}
    >
      {shapes.map((shape, i) => (
        <Shape key={i} shape={shape} />
      ))}
    </svg>
  );
};
