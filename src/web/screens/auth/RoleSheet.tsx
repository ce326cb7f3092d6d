import { Dialog } from 'radix-ui';
import { useState } from 'react';
import {
  MIN_DIGITS,
  MIN_LETTERS,
  ROLES,
  ROLE_WORDS,
  type Person,
  type Role,
} from '../../../core/shop/auth';
import { Button } from '../../parts/Button';
import { ChoiceField } from '../../shared/fields';
import { Sheet } from '../../parts/Sheet';
import { useSetWayInMutation } from '../../store/auth-api';
import { serverProblem } from '../../shared/server-problem';
import { SecretField } from '../../shared/SecretField';

/** The role of a person, and how they sign in. */
export const RoleSheet = ({ person, onClose }: { person: Person; onClose: () => void }) => {
  const [role, setRole] = useState<Role>(person.role);
  const [secret, setSecret] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [set, { isLoading }] = useSetWayInMutation();
  const put = async (to: { secret?: string | null }) => {
    try {
      await set({ name: person.name, role, ...to }).unwrap();
      onClose();
    } catch (error) {
      setProblem(serverProblem(error));
    }
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Sheet title={person.name} closes="Cancel" widthPx={480}>
        <form
          className="grid gap-4"
          onSubmit={(e) => {
            e.preventDefault();
            void put(secret ? { secret } : {});
          }}
        >
          <ChoiceField
            label="Role"
            value={role}
            onChange={(v) => setRole(v as Role)}
            options={ROLES.map((r) => [r, r] as const)}
            hint={ROLE_WORDS[role]}
          />
          <SecretField
            label={person.canSignIn ? 'A new PIN or passphrase' : 'PIN or passphrase'}
            who={person.name}
            isNew
            value={secret}
            onChange={setSecret}
            problem={problem}
            hint={
              role === 'owner'
                ? `A passphrase of ${MIN_LETTERS} characters or more.`
                : `A PIN of ${MIN_DIGITS} digits or more, or a passphrase.${person.canSignIn ? ' Leave empty to keep it.' : ''}`
            }
          />
          <div className="flex flex-wrap gap-2">
            <Button go type="submit" disabled={isLoading}>
              Save
            </Button>
            {person.canSignIn && (
              <Button disabled={isLoading} onClick={() => void put({ secret: null })}>
                Remove sign-in
              </Button>
            )}
          </div>
          <p className="text-[16px] text-ink2">
            Saving this signs {person.name} out on every other device.
          </p>
        </form>
      </Sheet>
    </Dialog.Root>
  );
};
