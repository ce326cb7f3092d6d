import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Button } from '../../parts/Button';
import { SecretField } from '../../shared/SecretField';
import { Sheet } from '../../parts/Sheet';
import { useApp } from '../../store';
import { api, ApiError } from '../../store/api';
import { askPasskey, canUsePasskey, passkeyProblem } from './passkey';
import { refusalText } from '../../shared/refusal';

/** Asks again for the PIN, passphrase or passkey before something that cannot be taken back. */
export const ConfirmSheet = ({ onAnswer }: { onAnswer: (isConfirmed: boolean) => void }) => {
  const who = useApp((s) => s.auth.me?.who ?? '');
  const [secret, setSecret] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const confirm = async () => {
    if (!secret) return setProblem('Enter your PIN or passphrase.');
    try {
      await api.confirm({ secret });
      onAnswer(true);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(refusalText(error));
    }
  };
  const byPasskey = async () => {
    try {
      await api.confirm({ passkey: await askPasskey() });
      onAnswer(true);
    } catch (error) {
      setProblem(passkeyProblem(error));
    }
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onAnswer(false)}>
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
