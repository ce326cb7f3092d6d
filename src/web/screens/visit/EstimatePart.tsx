import { useState } from 'react';
import { formatMoney } from '../../../core/base/units';
import type { VisitSummary } from '../../../core/shop/visit';
import { Button } from '../../parts/Button';
import { Reasons } from '../../parts/Reasons';
import { BasisTag } from '../../parts/working';
import { useEstimateQuery } from '../../store/parts-api';
import { serverProblem } from '../../parts/server-problem';
import { useWriteVisit } from './VisitForms';

/**
 * The cost of the visit, by the parts that were chosen and the shop's rates: before the work, and
 * what it came to.
 */
export const EstimatePart = ({ visit }: { visit: VisitSummary }) => {
  const { data, error } = useEstimateQuery(visit.id, { refetchOnMountOrArgChange: true });
  const write = useWriteVisit(visit);
  const [problem, setProblem] = useState<string | null>(null);
  if (error) return <p className="mb-4 text-stop">{serverProblem(error)}</p>;
  if (!data) return null;
  const { currency, partsMinor, labourMinor, feeMinor, taxMinor, totalMinor, highMinor, reasons } =
    data.result;
  const say = (minor: number) => formatMoney(minor, currency);
  const isRange = highMinor > totalMinor;
  const agree = async () =>
    setProblem(
      await write({
        kind: 'agreed',
        data: { amountMinor: highMinor, currency, by: visit.rider || 'the rider' },
      }),
    );
  return (
    <section aria-label="Estimate" className="mb-5">
      <h2 className="text-2xl">{visit.handedOver ? 'Final cost' : 'Estimate'}</h2>
      <p className="flex flex-wrap items-baseline gap-x-3">
        <span className="num text-[30px] leading-tight">{say(totalMinor)}</span>
        {isRange && <span className="text-ink2">90% chance of {say(highMinor)} or less</span>}
        <BasisTag title="what the visit costs" working={data} />
      </p>
      <p className="text-[16px] text-ink2">
        parts {say(partsMinor)}, labor {say(labourMinor)}
        {feeMinor > 0 && `, disposal ${say(feeMinor)}`}
        {taxMinor > 0 && `, tax ${say(taxMinor)}`}
      </p>
      <Reasons reasons={reasons} />
      {!visit.handedOver && totalMinor > 0 && (
        <Button small className="mt-2" onClick={() => void agree()}>
          Record OK: {say(highMinor)}
        </Button>
      )}
      {problem && (
        <p role="alert" className="text-stop">
          {problem}
        </p>
      )}
    </section>
  );
};
