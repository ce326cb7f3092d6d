import { Dialog } from 'radix-ui';
import { useState } from 'react';
import {
  bringsAny,
  planRows,
  type Brought,
  type ExchangePlan,
} from '../../../core/reports/exchange';
import { Button } from '../../parts/Button';
import { Sheet } from '../../parts/Sheet';
import { KeptShop } from './KeptShop';
import { useLeaveFileMutation, useTakeFileInMutation } from '../../store/exchange-api';
import { serverProblem } from '../../shared/server-problem';

const Plan = ({ plan }: { plan: ExchangePlan }) => (
  <table className="w-full text-[17px]">
    <thead>
      <tr className="border-b-2 border-ink text-left">
        <th scope="col" className="py-1">
          The file holds
        </th>
        <th scope="col" className="pl-4 text-right">
          New
        </th>
        <th scope="col" className="pl-4 text-right">
          The same here
        </th>
        <th scope="col" className="pl-4 text-right">
          Differs here: stays
        </th>
      </tr>
    </thead>
    <tbody>
      {planRows(plan).map(({ says, new: fresh, same, stays }) => (
        <tr key={says} className="border-b border-stone3">
          <th scope="row" className="py-1 text-left font-normal">
            {says}
          </th>
          {[fresh, same, stays].map((many, i) => (
            <td key={i} className={`num text-right ${many === 0 ? 'text-ink2' : ''}`}>
              {many}
            </td>
          ))}
        </tr>
      ))}
    </tbody>
  </table>
);

/** The remarks beside the numbers. */
const Remarks = ({ plan: { staying, renumbered, photographs } }: { plan: ExchangePlan }) => (
  <ul className="mt-3 list-disc pl-5 text-[16px]">
    {renumbered.map(({ from, to }) => (
      <li key={from}>
        Job {from} becomes job {to}: its number is taken here.
      </li>
    ))}
    {photographs.missing > 0 && (
      <li>Photos named in its logs but missing here and in the file: {photographs.missing}.</li>
    )}
    {staying.length > 0 && <li>Kept as it is here: {staying.map((s) => s.name).join(', ')}.</li>}
  </ul>
);

/** A file that was looked into: what it would bring, and taking it in, all or nothing. */
export const TakeInSheet = ({
  brought: { id, plan },
  onClose,
}: {
  brought: Brought;
  onClose: () => void;
}) => {
  const [takeIn, { isLoading }] = useTakeFileInMutation();
  const [leaveFile] = useLeaveFileMutation();
  const [problem, setProblem] = useState<string | null>(null);
  const [kept, setKept] = useState<string | null>(null);
  const put = async () => {
    setProblem(null);
    try {
      setKept((await takeIn(id).unwrap()).kept ?? '');
    } catch (failed) {
      setProblem(serverProblem(failed));
    }
  };
  const leave = () => {
    // Everything that this browser has read is of the shop before.
    if (kept !== null) return location.assign('/');
    void leaveFile(id);
    onClose();
  };
  const isAnew = bringsAny(plan);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && leave()}>
      <Sheet
        title={`${plan.of === 'shop' ? 'The shop' : 'A job of'} ${plan.from || 'without a name'}`}
        closes="Close without importing"
      >
        {kept === null && (
          <>
            <Plan plan={plan} />
            <Remarks plan={plan} />
            <p className="mt-4 border-l-4 border-check pl-3 text-[17px]">
              {isAnew
                ? 'All of it is imported or none of it. Saving is paused meanwhile. The current shop is saved to a file first.'
                : plan.staying.length > 0
                  ? 'Nothing new in it; what differs stays as it is here.'
                  : 'Everything in it is already here.'}
            </p>
            <div className="mt-4 flex flex-wrap gap-2">
              {isAnew && (
                <Button go disabled={isLoading} onClick={() => void put()}>
                  {isLoading ? 'Importing …' : 'Import'}
                </Button>
              )}
              <Button disabled={isLoading} onClick={leave}>
                Cancel
              </Button>
            </div>
            {problem && (
              <p role="alert" className="mt-3 text-stop">
                {problem}
              </p>
            )}
          </>
        )}
        {kept !== null && (
          <KeptShop done="Imported." kept={kept} goes="Open the shop" onGo={leave} />
        )}
      </Sheet>
    </Dialog.Root>
  );
};
