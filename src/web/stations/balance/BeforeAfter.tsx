import { residualUnbalance, type BalanceEstimate } from '../../../core/bench/balance';
import type { Working } from '../../../core/base/working';
import { usePlace } from '../../shared/place';
import { Quantity, useUnits } from '../../shared/quantity';
import { BasisTag } from '../../shared/working';
import { useJob } from '../../shared/job-context';
import { FigureRow } from '../StationLayout';
import { useSpeed } from './use-speed';

/**
 * The wheel before and after its weights: what was heavy, what is left, and what both do at speed.
 */
export const BeforeAfter = ({ estimate }: { estimate: Working<BalanceEstimate> | null }) => {
  const { balance } = useJob().state;
  const { say } = useUnits();
  const place = usePlace();
  const wheelAt = useSpeed();
  const was = balance.balanced ?? estimate?.result;
  if (!was) return null;
  const pull = (massG: number) =>
    residualUnbalance.run({ ...wheelAt, massG: Math.min(500, massG) });
  const [before, after] = [pull(was.heavyMassG), pull(was.leftG)];
  return (
    <div className="rows rows-close mt-3" role="group" aria-label="Before and after">
      <FigureRow
        label={`Before, heavy at ${place.clock(was.heavyDeg)}`}
        basis={
          estimate && (
            <BasisTag title="the heavy spot" working={estimate}>
              measured
            </BasisTag>
          )
        }
      >
        <Quantity value={was.heavyMassG} unit="g" digits={0} />
      </FigureRow>
      <FigureRow label="On the rim">
        <span className="num text-[18px]">
          {balance.on.map((p) => say(p.massG, 'g')).join(' + ') || 'nothing'}
        </span>
      </FigureRow>
      <FigureRow
        label="Imbalance left"
        basis={
          estimate && (
            <BasisTag title="what is left" working={estimate}>
              measured
            </BasisTag>
          )
        }
      >
        <Quantity value={was.leftG} unit="g" digits={0} big />
      </FigureRow>
      <FigureRow
        label={`Force at ${say(wheelAt.speedKmh, 'km/h')}`}
        basis={
          <BasisTag title="the pull at speed" working={after}>
            m r ω²
          </BasisTag>
        }
      >
        <span className="num text-[18px]">
          {say(before.result.forceN, 'N', { digits: 0 })} →{' '}
          {say(after.result.forceN, 'N', { digits: 0 })}
        </span>
      </FigureRow>
    </div>
  );
};
