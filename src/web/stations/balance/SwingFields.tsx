import { useState } from 'react';
import { Button } from '../../parts/Button';
import { ChoiceField, TextField } from '../../shared/fields';
import type { BalanceFormProps } from './balance-form-props';

const SWINGS = ['1', '3', '5', '10'].map((n) => [n, n] as const);
/** Of one swing, as the log takes it. */
const [MIN_S, MAX_S] = [0.2, 60];

/**
 * Seconds of one swing from what is typed of several, or what is wrong with it; both null while
 * nothing is typed.
 */
const swingOf = (
  seconds: string,
  swings: string,
): { periodS: number | null; problem: string | null } => {
  if (!seconds.trim()) return { periodS: null, problem: null };
  const periodS = Number(seconds.replace(',', '.')) / Number(swings);
  if (!Number.isFinite(periodS))
    return { periodS: null, problem: 'Seconds: enter a number such as 41.5.' };
  if (periodS < MIN_S || periodS > MAX_S)
    return { periodS, problem: `One swing takes ${MIN_S} to ${MAX_S} seconds: check the count.` };
  return { periodS, problem: null };
};

/** A swing by the clock: typed seconds of so many swings, or tapped as it passes the bottom. */
export const SwingFields = ({ acts, readingRef, beside }: BalanceFormProps) => {
  const [seconds, setSeconds] = useState('');
  const [swings, setSwings] = useState('5');
  const [since, setSince] = useState<number | null>(null);
  const { periodS, problem } = swingOf(seconds, swings);
  const tapped = (atMs: number) => {
    if (since === null) return setSince(atMs);
    setSeconds(((atMs - since) / 1000).toFixed(2));
    setSince(null);
  };
  return (
    <form
      className="grid gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (periodS !== null && !problem) acts.swing(periodS);
      }}
    >
      <div className="grid grid-cols-2 gap-3">
        <ChoiceField
          label="Swings there and back"
          value={swings}
          onChange={setSwings}
          options={SWINGS}
        />
        <TextField
          inputRef={readingRef}
          label="Seconds for all of them"
          value={seconds}
          onChange={setSeconds}
          problem={problem}
          maxLength={8}
          inputMode="numeric"
        />
      </div>
      <div className="flex flex-wrap gap-2">
        <Button onClick={(e) => tapped(e.timeStamp)}>
          {since === null ? 'Start the clock' : `Stop after ${swings}`}
        </Button>
        <Button go type="submit" disabled={periodS === null || problem !== null}>
          Use reading
        </Button>
        {beside}
      </div>
    </form>
  );
};
