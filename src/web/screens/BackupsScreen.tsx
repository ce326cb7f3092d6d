import { useState } from 'react';
import { BACKUP_WORDS, sizeText, type KeptBackup } from '../../core/reports/backup';
import { Button } from '../parts/Button';
import { FileButton } from '../parts/FileButton';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { useKeys } from '../parts/keys';
import { momentText } from '../parts/moment-text';
import { useNow } from '../parts/use-now';
import { VerdictMark } from '../parts/VerdictMark';
import {
  useBackupsQuery,
  useBringBackupMutation,
  useMakeBackupMutation,
} from '../store/backups-api';
import { serverProblem } from '../shared/server-problem';
import { BackupSafety } from './backup/BackupSafety';
import { ExportImport } from './backup/ExportImport';
import { RestoreSheet } from './backup/RestoreSheet';

const ASK_MS = 60_000;

const BackupRow = ({
  backup,
  nowMs,
  onRestore,
}: {
  backup: KeptBackup;
  nowMs: number;
  onRestore: () => void;
}) => (
  <li className="grid items-center gap-x-4 gap-y-1 border-b border-stone3 px-2 py-2 md:grid-cols-[200px_130px_110px_minmax(0,1fr)_auto]">
    <span className="head text-lg">{momentText(backup.writtenAt, nowMs)}</span>
    <span className="text-[16px]">
      {BACKUP_WORDS[backup.kind]}
      {backup.isEncrypted && ', encrypted'}
    </span>
    <span className="num text-[16px]">{sizeText(backup.bytes)}</span>
    <span className="text-[15px] text-ink2 [overflow-wrap:anywhere]">{backup.name}</span>
    <span className="flex flex-wrap gap-2">
      <a
        className="btn btn-small"
        href={`/api/backups/${backup.name}`}
        aria-label={`Download ${backup.name}`}
      >
        Download
      </a>
      <Button small onClick={onRestore} aria-label={`Check ${backup.name}`}>
        Check backup
      </Button>
    </span>
  </li>
);

/**
 * The shop's backups: the last one and whether it is too old, made by a key, taken away, brought
 * in, restored.
 */
export const BackupsScreen = () => {
  const nowMs = useNow();
  const { data, error, refetch } = useBackupsQuery(undefined, {
    pollingInterval: ASK_MS,
    refetchOnMountOrArgChange: true,
  });
  const [make, { isLoading: isMaking }] = useMakeBackupMutation();
  const [bring, { isLoading: isBringing }] = useBringBackupMutation();
  const [problem, setProblem] = useState<string | null>(null);
  const [open, setOpen] = useState<KeptBackup | null>(null);
  const tried = async (act: () => Promise<unknown>) => {
    setProblem(null);
    try {
      await act();
    } catch (failed) {
      setProblem(serverProblem(failed));
    }
  };
  const back = () => void (isMaking || tried(() => make().unwrap()));
  useKeys([{ key: 'b', label: 'Back up now', run: back }]);
  return (
    <Frame
      title="Backups"
      actions={
        <div className="flex flex-wrap gap-2">
          <FileButton
            label="A backup from another computer"
            disabled={isBringing}
            onFile={(file) => void tried(() => bring(file).unwrap())}
          >
            {isBringing ? 'Checking it …' : 'Add backup file'}
          </FileButton>
          <Button go hotkey="B" disabled={isMaking} onClick={back}>
            {isMaking ? 'Backing up …' : 'Back up now'}
          </Button>
        </div>
      }
    >
      {error && !data && (
        <Failed message={serverProblem(error)}>
          <Button onClick={() => void refetch()}>Try again</Button>
        </Failed>
      )}
      {!error && !data && <Waiting what="Loading backups" />}
      {problem && (
        <p role="alert" className="mb-3 text-stop">
          {problem}
        </p>
      )}
      {data && (
        <>
          <p
            role="status"
            className="mb-3 flex items-center gap-2 text-[18px] max-sm:mt-2 sm:-mt-3"
          >
            {data.isOld && <VerdictMark verdict="check" />}
            {data.problem !== null && `The last backup failed: ${data.problem}. `}
            {data.newestAt === null
              ? 'No backup yet. One runs every day.'
              : `Last backup ${momentText(data.newestAt, nowMs)}.`}
          </p>
          <ul className="rows" aria-label="Backups">
            {data.backups.map((backup) => (
              <BackupRow
                key={backup.name}
                backup={backup}
                nowMs={nowMs}
                onRestore={() => setOpen(backup)}
              />
            ))}
          </ul>
          <p className="mt-6 max-w-[70ch] text-[16px] text-ink2">
            Each file holds the whole shop: records, logs and photos. Each was checked when made.
            They are in <span className="[overflow-wrap:anywhere]">{data.folder}</span>. Copy one to
            another computer now and then. A plain copy of the database file is not a backup: it
            lacks the latest entries.
          </p>
        </>
      )}
      {data && <BackupSafety now={data} nowMs={nowMs} />}
      <ExportImport />
      {open && <RestoreSheet backup={open} nowMs={nowMs} onClose={() => setOpen(null)} />}
    </Frame>
  );
};
