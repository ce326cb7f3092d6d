import { Eye, EyeOff } from 'lucide-react';
import { useState, type Ref } from 'react';
import { Labelled } from './fields';

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
  problem?: string | null | undefined;
  hint?: string;
  /** Whose it is, for a keeper of passwords. */
  who: string;
  isNew?: boolean;
  inputRef?: Ref<HTMLInputElement>;
}

/** A PIN or passphrase: hidden, shown while it is asked for, and pasted as one likes. */
export const SecretField = ({
  label,
  value,
  onChange,
  problem,
  hint,
  who,
  isNew,
  inputRef,
}: Props) => {
  const [isShown, setShown] = useState(false);
  return (
    <Labelled label={label} problem={problem} hint={hint}>
      {({ id, describedBy }) => (
        <div className="flex gap-2">
          <input type="hidden" name="username" autoComplete="username" value={who} readOnly />
          <input
            ref={inputRef}
            id={id}
            className="field num min-w-0 flex-1 text-2xl"
            type={isShown ? 'text' : 'password'}
            autoComplete={isNew ? 'new-password' : 'current-password'}
            spellCheck={false}
            maxLength={128}
            value={value}
            aria-describedby={describedBy}
            aria-invalid={Boolean(problem)}
            onChange={(e) => onChange(e.target.value)}
          />
          <button
            type="button"
            className="grid h-[52px] w-12 shrink-0 cursor-pointer place-items-center rounded-lg text-ink2 hover:bg-stone2"
            aria-label={isShown ? 'Hide text' : 'Show text'}
            onClick={() => setShown(!isShown)}
          >
            {isShown ? <EyeOff aria-hidden="true" /> : <Eye aria-hidden="true" />}
          </button>
        </div>
      )}
    </Labelled>
  );
};
