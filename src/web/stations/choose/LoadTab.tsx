import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../parts/Button';
import { QuantityField } from '../../shared/fields';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { useJob } from '../../shared/job-context';
import type { ChoiceAtHand } from './use-choice';

const FIELDS = [
  ['riderKg', 'Rider with gear', 300],
  ['passengerKg', 'Passenger with gear', 300],
  ['luggageKg', 'Luggage', 500],
] as const;

/** The load on the machine, and what it puts on this tire. */
export const LoadTab = ({ choice }: { choice: ChoiceAtHand }) => {
  const { state, machine, write, correcting } = useJob();
  const { read, write: show } = useUnits();
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(
      FIELDS.map(([key]) => [
        key,
        state.load ? show(state.load[key], 'kg', 1) : key === 'riderKg' ? '' : '0',
      ]),
    ),
  );
  const [tried, setTried] = useState(false);
  const valueOf = (key: string) => read(typed[key] ?? '', 'kg');
  const problemOf = (key: string, max: number) => {
    const v = valueOf(key);
    return (tried || typed[key]) && (v === null || v < 0 || v > max) ? 'Enter a weight.' : null;
  };
  const save = async () => {
    setTried(true);
    const [riderKg, passengerKg, luggageKg] = FIELDS.map(([key, , max]) => {
      const v = valueOf(key);
      return v !== null && v >= 0 && v <= max ? v : null;
    });
    if (riderKg == null || passengerKg == null || luggageKg == null) return;
    await write(
      [{ kind: 'load', ...correcting('load'), data: { riderKg, passengerKg, luggageKg } }],
      'Load saved.',
    );
  };
  const known = machine.emptyFrontKg !== null && machine.emptyRearKg !== null;
  const reasons = choice.fits.fit.ok
    ? choice.fits.fit.working.result.reasons.filter((r) => r.topic === 'load')
    : [];
  return (
    <form
      className="grid gap-2 pt-2"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <div className="grid grid-cols-2 gap-3">
        {FIELDS.map(([key, label, max]) => (
          <QuantityField
            key={key}
            label={label}
            unit="kg"
            value={typed[key] ?? ''}
            onChange={(v) => setTyped((all) => ({ ...all, [key]: v }))}
            problem={problemOf(key, max)}
          />
        ))}
      </div>
      {!known && (
        <p className="text-[16px] text-ink2">
          Axle weights are missing.{' '}
          <Link className="underline" to={`/records/machines?edit=${machine.id}`}>
            Axle weights are missing. Add them to the machine record.
          </Link>
          , for the next job.
        </p>
      )}
      <Button small type="submit" className="w-max">
        Save load
      </Button>
      <div className="mt-2" aria-live="polite">
        {reasons.length > 0 ? (
          <Reasons reasons={reasons} />
        ) : (
          <p className="text-[16px] text-ink2">
            Nothing to check yet. Enter a load, or add the required load index.
          </p>
        )}
      </div>
    </form>
  );
};
