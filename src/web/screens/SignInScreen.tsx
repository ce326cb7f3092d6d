import { useEffect, useRef, useState } from 'react';
import { Button } from '../parts/Button';
import { initials } from '../parts/initials';
import { useApp } from '../store';
import { DigitKeys } from './auth/DigitKeys';
import { SecretField } from '../parts/SecretField';
import { canUsePasskey } from './auth/passkey';
import { useSignIn } from './auth/use-sign-in';

/** The people who can sign in, each one tap. */
const People = ({
  people,
  who,
  onPick,
}: {
  people: string[];
  who: string;
  onPick: (who: string) => void;
}) => (
  <ul aria-label="Who" className="grid content-start gap-2 max-sm:grid-cols-2">
    {people.map((name) => (
      <li key={name}>
        <button
          type="button"
          aria-pressed={name === who}
          onClick={() => onPick(name)}
          className={`flex min-h-16 w-full cursor-pointer items-center gap-3 rounded-2xl rounded-bl-md border-2 px-3 text-left ${name === who ? 'border-ink bg-paper' : 'border-stone3 hover:bg-stone2'}`}
        >
          <span className="stamp shrink-0" aria-hidden="true">
            {initials(name)}
          </span>
          <span className="head text-xl max-sm:text-lg">{name}</span>
        </button>
      </li>
    ))}
  </ul>
);

/**
 * Before anything else, where people sign in: who comes to the bench, or the locked screen of who
 * is there.
 */
export const SignInScreen = () => {
  const { me, people } = useApp((s) => s.auth);
  const last = useApp((s) => s.prefs.who);
  const [picked, setPicked] = useState<string | null>(null);
  const [secret, setSecret] = useState('');
  const { come, comeByPasskey, isBusy, problem, setProblem } = useSignIn();
  const field = useRef<HTMLInputElement>(null);
  const who =
    picked ?? [me?.who, last].find((name) => name && people.includes(name)) ?? people[0] ?? '';
  useEffect(() => field.current?.focus(), [who]);
  const enter = async () => {
    if (!secret) return setProblem(`Enter the PIN or passphrase of ${who}.`);
    await come({ who, secret });
    setSecret('');
  };
  return (
    <main className="mx-auto flex min-h-screen max-w-[860px] flex-col justify-center px-5 py-6">
      <p className="head text-xl text-ink2">Tough Rimstone</p>
      <h1 className="mt-1 mb-5 text-[38px]">{me?.isLocked ? 'Locked' : 'Who’s signing in?'}</h1>
      {me?.isLocked && (
        <p className="-mt-3 mb-5 text-ink2">
          {me.who} was at work, and every confirmed entry is kept. Go on as {me.who} or switch.
        </p>
      )}
      <div className="grid gap-6 sm:grid-cols-2">
        <People
          people={people}
          who={who}
          onPick={(name) => {
            setPicked(name);
            setSecret('');
            setProblem(null);
          }}
        />
        <form
          className="grid content-start gap-4"
          onSubmit={(e) => {
            e.preventDefault();
            void enter();
          }}
        >
          <SecretField
            label={`PIN or passphrase of ${who}`}
            who={who}
            value={secret}
            onChange={setSecret}
            problem={problem}
            inputRef={field}
          />
          <DigitKeys value={secret} onChange={setSecret} />
          <Button go type="submit" disabled={isBusy}>
            {isBusy ? 'One moment …' : 'Sign in'}
          </Button>
          {canUsePasskey() && (
            <Button disabled={isBusy} onClick={() => void comeByPasskey()}>
              Use passkey
            </Button>
          )}
        </form>
      </div>
    </main>
  );
};
