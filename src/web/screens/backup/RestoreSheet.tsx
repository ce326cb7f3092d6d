import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { heldAgainst, type KeptBackup, type LookedInto } from '../../../core/reports/backup';
import { Button } from '../../parts/Button';
import { Failed, Waiting } from '../../shared/Frame';
import { momentText } from '../../parts/moment-text';
import { Sheet } from '../../parts/Sheet';
import { useLookIntoQuery, useRestoreBackupMutation } from '../../store/backups-api';
import { serverProblem } from '../../shared/server-problem';
import { KeptShop } from './KeptShop';

const Against = ({ look, nowMs }: { look: LookedInto; nowMs: number }) => {
  const last = (at: string | null) => (at === null ? 'nothing' : momentText(at, nowMs));
  return (
    <table className="w-full text-[17px]">
      <thead>
        <tr className="border-b-2 border-ink text-left">
          <th scope="col" className="py-1">
            It holds
          </th>
          <th scope="col" className="text-right">
            The backup
          </th>
          <th scope="col" className="text-right">
            Here
          </th>
        </tr>
      </thead>
      <tbody>
        {heldAgainst(look.holds, look.here).map(({ says, inBackup, here, less }) => (
          <tr key={says} className="border-b border-stone3">
            <th scope="row" className="py-1 text-left font-normal">
              {says}
            </th>
            <td className="num text-right">{inBackup}</td>
            <td className="num text-right">
              {here}
              {less > 0 && (
                <span className="block text-[15px] text-stop">{less} would be gone</span>
              )}
            </td>
          </tr>
        ))}
        <tr>
          <th scope="row" className="py-1 text-left font-normal">
            Last written
          </th>
          <td className="text-right">{last(look.holds.lastAt)}</td>
          <td className="text-right">{last(look.here.lastAt)}</td>
        </tr>
      </tbody>
    </table>
  );
};

/**
 * A backup is taken apart, shown against what is here, and takes its place when someone says so.
 */
export const RestoreSheet = ({
  backup,
  nowMs,
  onClose,
}: {
  backup: KeptBackup;
  nowMs: number;
  onClose: () => void;
}) => {
  const { data, error, refetch } = useLookIntoQuery(backup.name, {
    refetchOnMountOrArgChange: true,
  });
  const [restore, { isLoading }] = useRestoreBackupMutation();
  const [problem, setProblem] = useState<string | null>(null);
  const [kept, setKept] = useState<string | null>(null);
  const put = async () => {
    try {
      const done = await restore(backup.name).unwrap();
      setKept(done.kept ?? '');
    } catch (failed) {
      setProblem(serverProblem(failed));
    }
  };
  // Everything that this browser has read is of the shop before.
  const leave = () => (kept === null ? onClose() : location.assign('/'));
  return (
    <Dialog.Root open onOpenChange={(open) => !open && leave()}>
      <Sheet title="Restore this backup" closes="Close without restoring">
        <p className="mb-3 text-[16px] text-ink2 [overflow-wrap:anywhere]">{backup.name}</p>
        {error && (
          <Failed message={serverProblem(error)}>
            <Button onClick={() => void refetch()}>Check again</Button>
          </Failed>
        )}
        {!error && !data && <Waiting what="Unpacking and checking everything" />}
        {data && kept === null && (
          <>
            <p className="mb-3 text-[17px]">
              The backup is complete. Made {momentText(data.madeAt, nowMs)}.
            </p>
            <Against look={data} nowMs={nowMs} />
            <p className="mt-4 border-l-4 border-check pl-3 text-[17px]">
              Anything written since disappears from every screen. The current shop is saved to a
              file first, so nothing is lost. Photos stay.
            </p>
            <div className="mt-4 flex flex-wrap gap-2">
              <Button go disabled={isLoading} onClick={() => void put()}>
                {isLoading ? 'Restoring …' : 'Restore backup'}
              </Button>
              <Button disabled={isLoading} onClick={onClose}>
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
          <KeptShop done="Restored." kept={kept} goes="Open the restored shop" onGo={leave} />
        )}
      </Sheet>
    </Dialog.Root>
  );
};
