import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Button } from '../../parts/Button';
import { Sheet } from '../../parts/Sheet';
import { useApp } from '../../store';
import { PasskeyList } from './PasskeyList';
import { useSetOwnSecretMutation } from '../../store/auth-api';
import { serverProblem } from '../../shared/server-problem';
import { SecretField } from '../../shared/SecretField';

/** Another PIN or passphrase for who is signed in. */
export const OwnSecretSheet = ({ who, onClose }: { who: string; onClose: () => void }) => {
  const isOwner = useApp((s) => s.auth.me?.role === 'owner');
  const [old, setOld] = useState('');
  const [secret, setSecret] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [set, { isLoading }] = useSetOwnSecretMutation();
  const keep = async () => {
    if (!old || !secret) return setProblem('Enter the current one and the new one.');
    try {
      await set({ old, secret }).unwrap();
      onClose();
    } catch (error) {
      setProblem(serverProblem(error));
    }
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Sheet title="My PIN or passphrase" closes="Cancel" widthPx={480}>
        <form
          className="grid gap-4"
          onSubmit={(e) => {
            e.preventDefault();
            void keep();
          }}
        >
          <SecretField label="Current" who={who} value={old} onChange={setOld} />
          <SecretField
            label="New"
            who={who}
            isNew
            value={secret}
            onChange={setSecret}
            problem={problem}
          />
          <Button go type="submit" disabled={isLoading}>
            Save
          </Button>
          <p className="text-[16px] text-ink2">
            Every other device of {who} is signed out
            {isOwner && ', and the passkeys below are removed'}.
          </p>
        </form>
        {isOwner && <PasskeyList />}
      </Sheet>
    </Dialog.Root>
  );
};
