import { useState, type FormEvent, type ReactNode } from 'react';
import type { BackupsNow } from '../../../core/reports/backup';
import { MIN_LETTERS, mayDo } from '../../../core/shop/auth';
import { Button } from '../../parts/Button';
import { TextField } from '../../shared/fields';
import { momentText } from '../../parts/moment-text';
import { SecretField } from '../../shared/SecretField';
import { VerdictMark } from '../../parts/VerdictMark';
import { useApp } from '../../store';
import {
  useSetBackupPassphraseMutation,
  useSetSecondFolderMutation,
  useTestBackupMutation,
} from '../../store/backups-api';
import { serverProblem } from '../../shared/server-problem';

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <section className="border-t border-stone3 py-4" aria-label={title}>
    <h3 className="text-xl">{title}</h3>
    {children}
  </section>
);

/** Runs what a form sends, and keeps the sentence of its refusal. */
const useSending = () => {
  const [problem, setProblem] = useState<string | null>(null);
  const send = async (act: () => Promise<unknown>): Promise<boolean> => {
    try {
      await act();
      setProblem(null);
      return true;
    } catch (error) {
      setProblem(serverProblem(error));
      return false;
    }
  };
  return { problem, setProblem, send };
};

/** Whether backups are encrypted, and what a lost passphrase means. */
const Encryption = ({ isEncrypted }: { isEncrypted: boolean }) => {
  const [set, { isLoading }] = useSetBackupPassphraseMutation();
  const [passphrase, setPassphrase] = useState('');
  const { problem, setProblem, send } = useSending();
  const save = async (event: FormEvent) => {
    event.preventDefault();
    if (!passphrase) return setProblem('Enter a passphrase.');
    if (await send(() => set(passphrase).unwrap())) setPassphrase('');
  };
  return (
    <Part title="Encryption">
      <p className="max-w-[70ch]">
        {isEncrypted
          ? 'Backups are encrypted and hold what people sign in by.'
          : 'Backups are not encrypted. They hold no PINs, passphrases or keys.'}
      </p>
      <p className="mb-3 max-w-[70ch] text-check">
        Write the passphrase down and keep it away from this computer. Without it no one can open an
        encrypted backup.
      </p>
      <form className="flex flex-wrap items-end gap-3" onSubmit={(e) => void save(e)}>
        <div className="min-w-0 flex-1 basis-64">
          <SecretField
            label={`${isEncrypted ? 'New passphrase' : 'Passphrase'}, ${MIN_LETTERS} characters or more`}
            who="backups"
            isNew
            value={passphrase}
            onChange={setPassphrase}
            problem={problem}
          />
        </div>
        <Button type="submit" disabled={isLoading}>
          {isEncrypted ? 'Change passphrase' : 'Encrypt backups'}
        </Button>
        {isEncrypted && (
          <Button disabled={isLoading} onClick={() => void send(() => set(null).unwrap())}>
            Stop encrypting
          </Button>
        )}
      </form>
    </Part>
  );
};

/** The second folder for each daily backup. */
const SecondFolder = ({ second }: Pick<BackupsNow, 'second'>) => {
  const [set, { isLoading }] = useSetSecondFolderMutation();
  const [folder, setFolder] = useState(second?.folder ?? '');
  const { problem, send } = useSending();
  const save = (event: FormEvent) => {
    event.preventDefault();
    void send(() => set(folder.trim() || null).unwrap());
  };
  return (
    <Part title="Second folder">
      <p className="mb-3 max-w-[70ch]">
        Each daily backup is also copied here, such as to another disk. Leave empty for no copy.
      </p>
      {second?.problem != null && (
        <p role="alert" className="mb-3 text-stop">
          The last copy failed: {second.problem}
        </p>
      )}
      <form className="flex flex-wrap items-end gap-3" onSubmit={save}>
        <div className="min-w-0 flex-1 basis-64">
          <TextField
            label="Folder"
            value={folder}
            onChange={setFolder}
            maxLength={300}
            problem={problem}
          />
        </div>
        <Button type="submit" disabled={isLoading}>
          Save folder
        </Button>
      </form>
    </Part>
  );
};

/** The last backup that the program opened and compared by itself. */
const Tested = ({
  tested,
  isTestOld,
  nowMs,
}: Pick<BackupsNow, 'tested' | 'isTestOld'> & { nowMs: number }) => {
  const [test, { isLoading }] = useTestBackupMutation();
  const { problem, send } = useSending();
  return (
    <Part title="Tested restore">
      <div className="flex flex-wrap items-center gap-3">
        <p className="min-w-0 flex-1 basis-64" role="status">
          {isTestOld && <VerdictMark verdict="check" />}{' '}
          {tested === null
            ? 'No backup was tested yet. One is opened and compared every week.'
            : tested.problem === null
              ? `${tested.name} was opened and compared ${momentText(tested.at, nowMs)}. It can be restored.`
              : `${tested.name} can’t be restored: ${tested.problem}`}
        </p>
        <Button disabled={isLoading} onClick={() => void send(() => test().unwrap())}>
          {isLoading ? 'Testing …' : 'Test now'}
        </Button>
      </div>
      {problem && (
        <p role="alert" className="mt-2 text-stop">
          {problem}
        </p>
      )}
    </Part>
  );
};

/**
 * The safety of the backups: their encryption, their copies, and whether the newest can be
 * restored.
 */
export const BackupSafety = ({ now, nowMs }: { now: BackupsNow; nowMs: number }) => {
  const { areClosed, me } = useApp((s) => s.auth);
  const mayChange = !areClosed || (me !== null && mayDo(me.role, 'govern'));
  return (
    <section className="mt-6" aria-label="Backup safety">
      {now.damaged.length > 0 && (
        <p role="alert" className="mb-4 text-stop [overflow-wrap:anywhere]">
          Damaged photos: {now.damaged.join(', ')}. Send them again or restore a backup that holds
          them.
        </p>
      )}
      {mayChange && (
        <>
          <Tested tested={now.tested} isTestOld={now.isTestOld} nowMs={nowMs} />
          <Encryption isEncrypted={now.isEncrypted} />
          <SecondFolder second={now.second} />
        </>
      )}
    </section>
  );
};
