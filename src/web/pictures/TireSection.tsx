import { useMemo } from 'react';
import { sectionOf, sectionShapes } from '../../core/fit/drawing';
import { tryReadTire } from '../../core/fit/tires';
import type { Wheel } from '../../core/fit/wheels';
import { hasStrip } from '../../core/job';
import { Shape } from './DrawnShape';
import { useUnits } from '../shared/quantity';

const FIELD = { width: 480, middle: 210, seat: 220, below: 60 };
/** Units to a millimeter: the same for every wheel, so that they can be compared. */
const SCALE = 0.95;

/** The tire on its rim, cut through, with section width and height: to one scale for all wheels. */
export const TireSection = ({ wheel, className = '' }: { wheel: Wheel; className?: string }) => {
  const { say } = useUnits();
  const drawn = useMemo(() => {
    const size = tryReadTire(wheel.tireMarking);
    if (!size) return null;
    const section = sectionOf(size, wheel, {
      hasTube: wheel.tube,
      hasStrip: hasStrip(wheel),
      hasLock: wheel.rimLockDegs.length > 0,
    });
    return {
      size,
      shapes: sectionShapes(section, { x: FIELD.middle, y: FIELD.seat, scale: SCALE }),
    };
  }, [wheel]);
  if (!drawn) return null;
  const { sectionWidthMm, sectionHeightMm } = drawn.size;
  const half = (sectionWidthMm / 2) * SCALE;
  const top = FIELD.seat - sectionHeightMm * SCALE;
  const [left, right] = [FIELD.middle - half, FIELD.middle + half];
  const baseY = FIELD.seat + 38;
  const [width, height] = [say(sectionWidthMm, 'mm'), say(sectionHeightMm, 'mm')];
  return (
    <svg
      viewBox={`0 ${top - 12} ${FIELD.width} ${FIELD.seat + FIELD.below - top + 20}`}
      role="img"
      aria-label={`Cross-section to scale: ${width} wide, ${height} of section height, ${wheel.tube ? 'with a tube' : 'tubeless'}`}
      className={`dial ${className}`}
    >
      {drawn.shapes.map((shape, i) => (
        <Shape key={i} shape={shape} />
      ))}
      <path
        className="leader"
        fill="none"
        d={`M${left} ${baseY}H${right}M${right + 16} ${top}V${FIELD.seat}`}
      />
      <text className="label" x={FIELD.middle} y={baseY + 22} fontSize="19" textAnchor="middle">
        {width}
      </text>
      <text className="label" x={right + 24} y={(top + FIELD.seat) / 2 + 7} fontSize="19">
        {height}
      </text>
    </svg>
  );
};
