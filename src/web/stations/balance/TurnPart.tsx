import { useState } from 'react';
import { balanceIndex, type BalanceEstimate } from '../../../core/bench/balance';
import { normalDeg } from '../../../core/base/units';
import { attempt, type Working } from '../../../core/base/working';
import { QuantityField } from '../../shared/fields';
import { useJob } from '../../shared/job-context';
import { PlaceField, usePlace } from '../../shared/place';
import { Quantity, useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { BasisTag } from '../../shared/working';
import { FigureRow } from '../StationLayout';
import { Problem } from './Problem';

/**
 * The saving by turning the tire on the rim; asks for the bare wheel, knows wheel and tire
 * together.
 */
export const TurnPart = ({ estimate }: { estimate: Working<BalanceEstimate> | null }) => {
  const { wheel } = useJob();
  const { read, say } = useUnits();
  const place = usePlace();
  const [bareG, setBareG] = useState('');
  const [bareDeg, setBareDeg] = useState<number | null>(wheel.heavySpotDeg);
  const [markDeg, setMarkDeg] = useState<number | null>(0);
  if (!estimate)
    return (
      <p className="text-ink2">Settle the wheel with its tire first, to find its heavy spot.</p>
    );
  const massG = read(bareG, 'g');
  const { heavyMassG, heavyDeg } = estimate.result;
  const found =
    massG === null || bareDeg === null || markDeg === null
      ? null
      : attempt(balanceIndex, {
          bare: { massG, deg: bareDeg },
          assembly: { massG: heavyMassG, deg: heavyDeg },
          markDeg,
        });
  const it = found?.ok ? found.working.result : null;
  return (
    <>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        <QuantityField label="Bare wheel, heavy by" unit="g" value={bareG} onChange={setBareG} />
        <PlaceField label="Bare wheel, heavy at" deg={bareDeg} onPlace={setBareDeg} />
        <PlaceField label="Light mark at" deg={markDeg} onPlace={setMarkDeg} />
      </div>
      <Problem found={found} />
      {it && found?.ok && (
        <div className="mt-3">
          <Reasons reasons={[it.reason]} />
          <div className="rows mt-2">
            <FigureRow
              label="The tire’s own"
              basis={
                <BasisTag title="the turn of the tire" working={found.working}>
                  worked out
                </BasisTag>
              }
            >
              <Quantity value={it.tire.massG} unit="g" digits={0} />
            </FigureRow>
            <FigureRow label="Needed with the mark at the valve">
              <Quantity value={it.markAtValveG} unit="g" digits={0} />
            </FigureRow>
            <FigureRow label="Needed with the mark at the bare heavy spot">
              <Quantity value={it.markAtHeavyG} unit="g" digits={0} />
            </FigureRow>
            <FigureRow
              label={`Best: turn it by ${say(it.turnDeg, 'deg', { digits: 0 })}, the mark at ${place.clock(normalDeg((markDeg ?? 0) + it.turnDeg))}`}
            >
              <Quantity value={it.leastG} unit="g" digits={0} />
            </FigureRow>
          </div>
        </div>
      )}
    </>
  );
};
