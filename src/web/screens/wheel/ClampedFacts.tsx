import { wheelOffset } from '../../../core/bench/ring';
import { counted } from '../../../core/base/units';
import type { Wheel } from '../../../core/fit/wheels';
import { attempt } from '../../../core/base/working';
import { useUnits } from '../../shared/quantity';
import { BasisTag } from '../../shared/working';
import { FigureRow } from '../../stations/StationLayout';

/**
 * The facts of a wheel beside its rim code: rings and bolts, widths, holes. Nothing if nothing is
 * known.
 */
export const ClampedFacts = ({ wheel }: { wheel: Wheel }) => {
  const { say } = useUnits();
  const isRing = wheel.build === 'beadlock';
  const bolts = isRing ? wheel.ringBolts : wheel.rimBolts;
  const torqueNm = isRing ? wheel.ringTorqueNm : wheel.rimBoltTorqueNm;
  const offset =
    wheel.backspaceMm === null || wheel.overallWidthMm === null
      ? null
      : attempt(wheelOffset, {
          overallWidthMm: wheel.overallWidthMm,
          backspaceMm: wheel.backspaceMm,
        });
  return (
    <>
      {bolts !== null && (
        <FigureRow label={isRing ? (wheel.rings === 2 ? 'Each ring' : 'Ring') : 'Rim bolts'}>
          <span className="text-[18px]">
            {counted(bolts, 'bolt')}
            {isRing && wheel.ringBoltSize && `, ${wheel.ringBoltSize} ${wheel.ringBoltGrade ?? ''}`}
            {torqueNm !== null && `, ${say(torqueNm, 'Nm')}`}
            {isRing &&
              wheel.ringGapMm !== null &&
              `, gap ${say(wheel.ringGapMm, 'mm', { digits: 1 })}`}
          </span>
        </FigureRow>
      )}
      {wheel.overallWidthMm !== null && (
        <FigureRow
          label="Overall width"
          basis={offset?.ok ? <BasisTag title="the offset" working={offset.working} /> : undefined}
        >
          <span className="text-[18px]">
            {say(wheel.overallWidthMm, 'mm')}
            {wheel.backspaceMm !== null && `, backspace ${say(wheel.backspaceMm, 'mm')}`}
            {offset?.ok && `, offset ${say(offset.working.result.offsetMm, 'mm', { digits: 1 })}`}
          </span>
        </FigureRow>
      )}
      {wheel.holes !== null && wheel.circleMm !== null && (
        <FigureRow label="Mounting">
          <span className="text-[18px]">
            {wheel.holes} holes on {say(wheel.circleMm, 'mm', { digits: 1 })}
          </span>
        </FigureRow>
      )}
    </>
  );
};
