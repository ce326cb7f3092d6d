import { useState } from 'react';
import type { Estimate } from '../../../core/shop/costs';
import { formatMoney } from '../../../core/base/units';
import type { foldVisit, VisitSummary } from '../../../core/shop/visit';
import { Button } from '../../parts/Button';
import { Reasons } from '../../shared/Reasons';
import { BasisTag } from '../../shared/working';
import { useEstimateQuery } from '../../store/parts-api';
import { serverProblem } from '../../shared/server-problem';
import { useWriteVisit } from './VisitForms';

/** The approval that stands; null before one. */
type Agreed = ReturnType<typeof foldVisit>['agreed'];

/**
 * The cost by its parts, those that cost nothing left out; with the approved amount, and what the
 * total is above or below it now.
 */
const CostTable = ({ estimate, agreed }: { estimate: Estimate; agreed: Agreed }) => {
  const { currency, partsMinor, labourMinor, feeMinor, taxMinor, totalMinor } = estimate;
  const costs = [
    ['Parts', partsMinor],
    ['Labor', labourMinor],
    ['Disposal', feeMinor],
    ['Tax', taxMinor],
  ] as const;
  const changeMinor = agreed && totalMinor - agreed.amountMinor;
  const row = (label: string, amount: string, isStrong = false) => (
    <tr key={label} className={isStrong ? 'border-t-2 border-ink' : 'border-t border-stone3'}>
      <th scope="row" className="py-1 pr-6 text-left font-normal">
        {label}
      </th>
      <td className="num py-1 text-right">{amount}</td>
    </tr>
  );
  return (
    <table aria-label="Cost by its parts" className="mt-2 w-full max-w-[360px] text-[16px]">
      <tbody>
        {costs.map(([label, minor]) => minor > 0 && row(label, formatMoney(minor, currency)))}
        {row('Total', formatMoney(totalMinor, currency), true)}
        {agreed &&
          row(`Approved by ${agreed.by}`, formatMoney(agreed.amountMinor, agreed.currency))}
        {agreed &&
          agreed.currency === currency &&
          changeMinor !== null &&
          changeMinor !== 0 &&
          row(
            changeMinor > 0 ? 'More since then' : 'Less since then',
            formatMoney(Math.abs(changeMinor), currency),
          )}
      </tbody>
    </table>
  );
};

/**
 * The cost of the visit, by the parts that were chosen and the shop's rates: before the work, and
 * what it came to.
 */
export const EstimatePart = ({ visit, agreed }: { visit: VisitSummary; agreed: Agreed }) => {
  const { data, error } = useEstimateQuery(visit.id, { refetchOnMountOrArgChange: true });
  const write = useWriteVisit(visit);
  const [problem, setProblem] = useState<string | null>(null);
  if (error) return <p className="mb-4 text-stop">{serverProblem(error)}</p>;
  if (!data) return null;
  const { currency, totalMinor, highMinor, reasons } = data.result;
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
      <CostTable estimate={data.result} agreed={agreed} />
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
