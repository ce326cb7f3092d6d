import { mirrored, placeText } from '../../core/units';
import { Button } from '../parts/Button';
import { useUnits } from '../parts/quantity';
import { useJob } from '../screens/job-context';
import type { StepAtHand } from './use-step';

/** The bite at hand by number, length and place, with the one before and the next. */
export const Bites = ({ at, big = false }: { at: StepAtHand; big?: boolean }) => {
  const { sideUp } = useJob();
  const { say } = useUnits();
  const { plan, here, stepBite } = at;
  if (!plan || !here) return null;
  return (
    <div className="mt-3 flex items-center gap-3 border-l-4 border-water pl-3" role="group" aria-label="Bites">
      <p className="flex-1" aria-live="polite">
        <span className={`head ${big ? 'text-[26px]' : 'text-xl'}`}>
          Bite {here.n} of {plan.bites.length}
        </span>
        <span className={`block ${big ? 'text-[20px]' : 'text-[16px]'}`}>
          {say(here.lengthMm, 'mm')}, lever at {placeText(sideUp === 'other' ? mirrored(here.leverDeg) : here.leverDeg)}
        </span>
      </p>
      <Button small disabled={here.n === 1} onClick={() => stepBite(-1)} aria-label="Bite before" hotkey=",">
        Back
      </Button>
      <Button
        small
        disabled={here.n === plan.bites.length}
        onClick={() => stepBite(1)}
        aria-label="Next bite"
        hotkey="."
      >
        Next
      </Button>
    </div>
  );
};
