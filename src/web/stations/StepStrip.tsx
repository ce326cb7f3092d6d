import { Check } from 'lucide-react';
import { stepsOf, tickOf } from '../../core/job';
import { Button } from '../parts/Button';
import { useKeys } from '../parts/keys';
import { useJob } from '../shared/job-context';
import { StepReading } from './StepReading';
import { useBatch } from './use-batch';

/** The step at hand of a station that has more to it than steps: one line, one key. */
export const StepStrip = () => {
  const { state, station, write } = useJob();
  const steps = stepsOf(state, station);
  const current = steps.find((s) => !state.steps[s.id]);
  const plain = useBatch(steps.filter((s) => !state.steps[s.id]));
  const batch = current && plain?.steps.includes(current) ? plain : null;
  const done = async () => {
    if (batch) await batch.write();
    else if (current) await write(tickOf(current.id));
  };
  const says = batch ? `${batch.steps.length} steps, as shown` : current?.say;
  useKeys(current ? [{ key: 'd', label: `Done: ${says}`, run: () => void done() }] : []);
  if (!current)
    return (
      <p className="mb-2 flex items-center gap-2 text-[16px] font-semibold text-good">
        <Check size={18} aria-hidden="true" /> All {steps.length} steps at this station done.
      </p>
    );
  return (
    <div
      className="mb-2 flex flex-wrap items-center gap-3 border-l-4 border-water pl-3"
      role="group"
      aria-label="Current step"
      title={current.why}
    >
      <p className="min-w-0 flex-1 basis-44 leading-tight" aria-live="polite">
        <span className="text-[14px] text-ink2">
          {steps.indexOf(current) + 1} of {steps.length}
        </span>
        <span ref={batch?.endRef} className="block text-[17px] font-semibold">
          {batch ? batch.steps.map((s) => s.say).join(' ') : current.say}
        </span>
      </p>
      <StepReading step={current} />
      <Button small hotkey="D" onClick={() => void done()} aria-label={`Done: ${says}`}>
        {batch ? 'As shown' : 'Done'}
      </Button>
    </div>
  );
};
