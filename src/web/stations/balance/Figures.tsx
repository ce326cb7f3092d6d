import { formatQuantity } from '../../../core/base/units';
import type { BalanceEstimate, BalancePlacement } from '../../../core/bench/balance';
import { isMassKnown, NINE_OF_TEN } from '../../../core/job';
import type { Working } from '../../../core/base/working';
import { usePlace } from '../../shared/place';
import { Quantity, useUnits } from '../../shared/quantity';
import { BasisTag } from '../../shared/working';
import { FigureRow } from '../StationLayout';

interface Props {
  estimate: Working<BalanceEstimate> | null;
  /** The pieces to be put on; null where none are advised. */
  placed: Working<BalancePlacement> | null;
  /** Something is on the wheel already. */
  on: boolean;
  toleranceG: number;
  /** A stand was used: a machine says nothing of its dead band. */
  rested: boolean;
  searching: boolean;
}

/** The proof that no other weights are better, as far as it goes. */
const proofNote = (
  { found, proved, piecesAtLeast }: BalancePlacement,
  searching: boolean,
): string => {
  if (proved) return found ? 'fewest weights' : 'best in stock';
  return searching ? 'still searching' : `${piecesAtLeast}+ weights`;
};

/** The belief about the heavy spot, in figures. */
export const Figures = ({ estimate, placed, on, toleranceG, rested, searching }: Props) => {
  const { say, units } = useUnits();
  const place = usePlace();
  if (!estimate) return null;
  const { heavyMassG, heavyDeg, alongG, bandG, leftG } = estimate.result;
  const [low, high] = [
    Math.max(0, heavyMassG - NINE_OF_TEN * alongG),
    heavyMassG + NINE_OF_TEN * alongG,
  ];
  const tag = (words: string) => (
    <BasisTag title="the heavy spot" working={estimate}>
      {words}
    </BasisTag>
  );
  return (
    <div className="rows rows-close mt-2">
      <FigureRow label="Heavy spot" basis={tag(`at ${place.clock(heavyDeg)}`)}>
        {isMassKnown(estimate.result) ? (
          <Quantity value={heavyMassG} unit="g" big digits={0} />
        ) : (
          <span>weight not known yet</span>
        )}
      </FigureRow>
      <FigureRow label="Likely range" basis={tag('measured')}>
        <span className="num text-[20px]">
          {formatQuantity(low, 'g', units, { digits: 0 }).text} to {say(high, 'g', { digits: 0 })}
        </span>
      </FigureRow>
      {placed ? (
        <FigureRow
          label="Imbalance left"
          basis={
            <BasisTag
              title="the weights to put on"
              working={placed}
            >{`limit ${say(toleranceG, 'g')}, ${proofNote(placed.result, searching)}`}</BasisTag>
          }
        >
          <Quantity value={placed.result.residualG} unit="g" digits={1} />
        </FigureRow>
      ) : on ? (
        <FigureRow label="Imbalance left, likely" basis={tag(`limit ${say(toleranceG, 'g')}`)}>
          <Quantity value={leftG} unit="g" digits={0} />
        </FigureRow>
      ) : null}
      {rested && (
        <FigureRow label="Stand dead band" basis={tag('measured')}>
          <Quantity value={bandG} unit="g" digits={1} />
        </FigureRow>
      )}
    </div>
  );
};
