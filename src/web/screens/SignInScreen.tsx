import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Button } from '../parts/Button';
import { initials } from '../parts/initials';
import { useApp } from '../store';
import { DigitScale } from './auth/DigitScale';
import { SecretField } from '../shared/SecretField';
import { canUsePasskey } from './auth/passkey';
import { useSignIn } from './auth/use-sign-in';

/** Each basin stands so far to the right of the one above it, up to a limit for many people. */
const STEP_PX = 14;
const MAX_STEPS = 10;

interface BasinProps {
  name: string;
  step: number;
  isOpen: boolean;
  onPick: () => void;
  /** The form, inside the open basin. */
  children: ReactNode;
}

/** One person as a basin of the terraces; the open one holds the form. */
const PersonBasin = ({ name, step, isOpen, onPick, children }: BasinProps) => (
  <li style={{ marginLeft: `min(${Math.min(step, MAX_STEPS) * STEP_PX}px, ${step}vw)` }}>
    <div
      className={`rounded-b-2xl border-x-[6px] border-b-[6px] ${isOpen ? 'border-ink bg-paper' : 'border-lip hover:bg-stone2'}`}
    >
      <button
        type="button"
        aria-expanded={isOpen}
        onClick={onPick}
        className={`flex min-h-14 w-full cursor-pointer items-center gap-3 px-3 text-left ${isOpen ? 'pt-2' : ''}`}
      >
        <span className="stamp shrink-0" aria-hidden="true">
          {initials(name)}
        </span>
        <span className={`head ${isOpen ? 'text-2xl' : 'text-lg'}`}>{name}</span>
      </button>
      {isOpen && <div className="px-3 pt-2 pb-4">{children}</div>}
    </div>
  </li>
);

/**
 * Before anything else, where people sign in: the person who comes to the bench, or the locked
 * screen of the one who is there.
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
  const pick = (name: string) => {
    setPicked(name);
    setSecret('');
    setProblem(null);
  };
  const enter = async () => {
    if (!secret) return setProblem(`Enter the PIN or passphrase of ${who}.`);
    await come({ who, secret });
    setSecret('');
  };
  return (
    <main className="mx-auto flex min-h-screen max-w-[780px] flex-col justify-center px-5 py-6">
      <p className="head text-xl text-ink2">Tough Rimstone</p>
      <h1 className="mt-1 mb-5 text-[38px]">{me?.isLocked ? 'Locked' : 'Who’s signing in?'}</h1>
      {me?.isLocked && (
        <p className="-mt-3 mb-5 text-ink2">
          {me.who} was at work, and every confirmed entry is kept. Go on as {me.who} or switch.
        </p>
      )}
      <ul aria-label="Who" className="space-y-2">
        {people.map((name, step) => (
          <PersonBasin
            key={name}
            name={name}
            step={step}
            isOpen={name === who}
            onPick={() => pick(name)}
          >
            <form
              className="grid gap-4"
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
              <DigitScale value={secret} onChange={setSecret} />
              <div className="flex flex-wrap gap-3">
                <Button go type="submit" disabled={isBusy}>
                  {isBusy ? 'One moment …' : 'Sign in'}
                </Button>
                {canUsePasskey() && (
                  <Button disabled={isBusy} onClick={() => void comeByPasskey()}>
                    Use passkey
                  </Button>
                )}
              </div>
            </form>
          </PersonBasin>
        ))}
      </ul>
    </main>
  );
};
