import { useState } from 'react';
import { Button } from '../../parts/Button';
import { TextField } from '../../shared/fields';
import { momentText } from '../../parts/moment-text';
import { useNow } from '../../parts/use-now';
import { usePasskeysQuery, useRemovePasskeyMutation } from '../../store/auth-api';
import { serverProblem } from '../../shared/server-problem';
import { addPasskey, canUsePasskey, passkeyProblem } from './passkey';

/** An owner's passkeys: added in this browser, removed from any. */
export const PasskeyList = () => {
  const nowMs = useNow();
  const { data: passkeys = [], refetch } = usePasskeysQuery();
  const [remove] = useRemovePasskeyMutation();
  const [label, setLabel] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const add = async () => {
    if (!label.trim()) return setProblem('Name the passkey, such as by its device.');
    try {
      await addPasskey(label.trim());
      setLabel('');
      setProblem(null);
      await refetch();
    } catch (error) {
      setProblem(passkeyProblem(error));
    }
  };
  return (
    <section aria-label="Passkeys" className="mt-6 border-t border-stone3 pt-4">
      <h3 className="text-xl">Passkeys</h3>
      {passkeys.length === 0 && <p className="text-[16px] text-ink2">No passkey yet.</p>}
      <ul className={passkeys.length > 0 ? 'rows' : ''}>
        {passkeys.map((key) => (
          <li key={key.id} className="flex items-center gap-3 border-b border-stone3 py-1">
            <span className="flex-1">
              {key.label}
              <span className="block text-[15px] text-ink2">
                added {momentText(key.addedAt, nowMs)}, used{' '}
                {key.usedAt ? momentText(key.usedAt, nowMs) : 'never'}
              </span>
            </span>
            <Button
              small
              aria-label={`Remove ${key.label}`}
              onClick={() =>
                void remove(key.id)
                  .unwrap()
                  .catch((error: unknown) => setProblem(serverProblem(error)))
              }
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      {canUsePasskey() ? (
        <form
          className="mt-3 flex flex-wrap items-end gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            void add();
          }}
        >
          <div className="min-w-0 flex-1 basis-48">
            <TextField
              label="Name of a new passkey"
              value={label}
              onChange={setLabel}
              maxLength={60}
            />
          </div>
          <Button small type="submit">
            Add passkey
          </Button>
        </form>
      ) : (
        <p className="mt-2 text-[16px] text-ink2">
          To add one, open this shop by its host name over HTTPS, or as localhost.
        </p>
      )}
      {problem && (
        <p role="alert" className="mt-2 text-stop">
          {problem}
        </p>
      )}
    </section>
  );
};
