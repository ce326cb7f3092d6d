import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { refusalText } from '../../../core/errors';
import { Button } from '../../parts/Button';
import { SecretField } from '../../parts/SecretField';
import { Sheet } from '../../parts/Sheet';
import { useApp } from '../../store';
import { api, ApiError } from '../../store/api';
import { onConfirmNeeded } from '../../store/confirm';
import { askPasskey, canUsePasskey, passkeyProblem } from './passkey';

/** Asks again for the PIN, passphrase or passkey before something that cannot be taken back. */
export const ConfirmSheet = () => {
  const who = useApp((s) => s.doors.me?.who ?? '');
  const [answer, setAnswer] = useState<((isConfirmed: boolean) => void) | null>(null);
  const [secret, setSecret] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(
    () =>
      onConfirmNeeded(
        () =>
          new Promise<boolean>((say) => {
            setSecret('');
            setProblem(null);
            setAnswer(() => say);
          }),
      ),
    [],
  );
  if (!answer) return null;
  const close = (isConfirmed: boolean) => {
    answer(isConfirmed);
    setAnswer(null);
  };
  const confirm = async () => {
    if (!secret) return setProblem('Enter your PIN or passphrase.');
    try {
      await api.confirm({ secret });
      close(true);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(refusalText(error));
    }
  };
  const byPasskey = async () => {
    try {
      await api.confirm({ passkey: await askPasskey() });
      close(true);
    } catch (error) {
      setProblem(passkeyProblem(error));
    }
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && close(false)}>
      <Sheet title="Confirm it’s you" closes="Cancel" widthPx={480}>
        <form
          className="grid gap-4"
          onSubmit={(e) => {
            e.preventDefault();
            void confirm();
          }}
        >
          <SecretField
            label={`PIN or passphrase of ${who}`}
            who={who}
            value={secret}
            onChange={setSecret}
            problem={problem}
          />
          <div className="flex flex-wrap gap-2">
            <Button go type="submit">
              Confirm
            </Button>
            {canUsePasskey() && <Button onClick={() => void byPasskey()}>Use passkey</Button>}
          </div>
        </form>
      </Sheet>
    </Dialog.Root>
  );
};
