import { Dialog } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { teachingOf, coolUntil, stepsOf } from '../../../core/job';
import { Button } from '../../parts/Button';
import { useJob } from '../../shared/job-context';
import { useKeys } from '../../parts/keys';
import { momentText } from '../../parts/moment-text';
import { useNow } from '../../parts/use-now';
import { RideSheet } from './RideSheet';
import { RecalibrationSheet } from './RecalibrationSheet';

const Opens = ({
  label,
  hotkey,
  keyLabel,
  children,
}: {
  label: ReactNode;
  hotkey: string;
  keyLabel: string;
  children: (close: () => void) => ReactNode;
}) => {
  const [open, setOpen] = useState(false);
  useKeys([{ key: hotkey.toLowerCase(), label: keyLabel, run: () => setOpen(true) }]);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button small hotkey={hotkey}>
          {label}
        </Button>
      </Dialog.Trigger>
      {open && children(() => setOpen(false))}
    </Dialog.Root>
  );
};

/**
 * The machine's own points before it leaves: the ride, the bolts once it is cool, the
 * recalibration.
 */
export const Leaving = () => {
  const { state, machine, write } = useJob();
  const nowMs = useNow();
  const teaching = teachingOf(state, null);
  const until = coolUntil(state);
  const isCool = until !== null && Date.parse(until) <= nowMs;
  const cool = stepsOf(state, 'hand-over').find((s) => s.id === 'leave-cool');
  const isBoltsOpen = cool !== undefined && until !== null && !state.steps['leave-cool'];
  if (machine.loose) return null;
  const again = () => write([{ kind: 'step', data: { stepId: 'leave-cool' } }], 'Bolts rechecked.');
  return (
    <div className="mb-2 flex flex-wrap items-center gap-2">
      <Opens label={state.ride ? 'Ride again' : 'Test ride'} hotkey="D" keyLabel="Test ride">
        {(close) => <RideSheet onDone={close} />}
      </Opens>
      {teaching?.result.needed && (
        <Opens
          label={state.taught?.done ? 'Recalibrated' : 'Recalibrate'}
          hotkey="L"
          keyLabel="Recalibration"
        >
          {(close) => <RecalibrationSheet onDone={close} />}
        </Opens>
      )}
      {isBoltsOpen && (
        <Button small onClick={() => void again()}>
          {isCool ? 'Cool: recheck bolts' : `Recheck bolts, cool at ${momentText(until, nowMs)}`}
        </Button>
      )}
    </div>
  );
};
