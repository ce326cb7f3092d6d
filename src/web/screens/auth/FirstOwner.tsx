import { useState } from 'react';
import { MIN_LETTERS } from '../../../core/shop/auth';
import { Button } from '../../parts/Button';
import { TextField } from '../../shared/fields';
import { useApp } from '../../store';
import { useSetWayInMutation, useAddPersonMutation } from '../../store/auth-api';
import { serverProblem } from '../../shared/server-problem';
import { SecretField } from '../../shared/SecretField';
import { useSignIn } from './use-sign-in';

/** Sign-in is off: the first owner turns it on. */
export const FirstOwner = () => {
  const people = useApp((s) => s.shop.shop?.people) ?? [];
  const here = useApp((s) => s.prefs.who);
  const [name, setName] = useState(here);
  const [secret, setSecret] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [add] = useAddPersonMutation();
  const [setWayIn, { isLoading }] = useSetWayInMutation();
  const { come } = useSignIn();
  const close = async () => {
    const owner = name.trim();
    if (!owner) return setProblem('Enter the owner’s name.');
    try {
      if (!people.includes(owner)) await add(owner).unwrap();
      await setWayIn({ name: owner, role: 'owner', secret }).unwrap();
      await come({ who: owner, secret });
    } catch (error) {
      setProblem(serverProblem(error));
    }
  };
  return (
    <>
      <p className="mb-4 max-w-[70ch]">
        Sign-in is off: anyone who can open this shop can do anything under any name. Once an owner
        sets a passphrase, everyone signs in, entries carry their author’s name, and only owners can
        change rules, prices, people and backups.
      </p>
      <form
        className="grid max-w-xl gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          void close();
        }}
      >
        <TextField
          label="The owner"
          value={name}
          onChange={setName}
          maxLength={60}
          list="people-here"
        />
        <datalist id="people-here">
          {people.map((p) => (
            <option key={p} value={p} />
          ))}
        </datalist>
        <SecretField
          label={`Passphrase, ${MIN_LETTERS} characters or more`}
          who={name}
          isNew
          value={secret}
          onChange={setSecret}
          problem={problem}
          hint="Make up your own sentence. You can’t get in without it; keep it safe."
        />
        <div>
          <Button go type="submit" disabled={isLoading}>
            {isLoading ? 'One moment …' : 'Turn on sign-in'}
          </Button>
        </div>
      </form>
    </>
  );
};
