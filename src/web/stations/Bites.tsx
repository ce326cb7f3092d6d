import { mirrored, placeText } from '../../core/base/units';
import { Button } from '../parts/Button';
import { useUnits } from '../shared/quantity';
import { useJob } from '../shared/job-context';
import type { BitesAtHand } from './use-bites';

/** The bite at hand by number, length and place, with the one before and the next. */
export const Bites = ({ bites, big = false }: { bites: BitesAtHand; big?: boolean }) => {
  const { sideUp } = useJob();
  const { say } = useUnits();
  const { working, bite, go } = bites;
  if (working?.result.byHand)
    return (
      <p className={`mt-3 border-l-4 border-water pl-3 ${big ? 'text-[26px]' : 'text-xl'}`}>
        <span className="head">By hand from here.</span>{' '}
        <span className="text-[18px]">Even a stiff bead has some slack.</span>
      </p>
    );
  if (!working || !bite) return null;
  const last = working.result.bites.length;
  return (
    <div
      className="mt-3 flex items-center gap-3 border-l-4 border-water pl-3"
      role="group"
      aria-label="Bites"
    >
      <p className="flex-1" aria-live="polite">
        <span className={`head ${big ? 'text-[26px]' : 'text-xl'}`}>
          Bite {bite.n} of {last}
        </span>
        <span className={`block ${big ? 'text-[20px]' : 'text-[16px]'}`}>
          {say(bite.lengthMm, 'mm')}, lever at{' '}
          {placeText(sideUp === 'other' ? mirrored(bite.leverDeg) : bite.leverDeg)}
        </span>
        {bite.spareMm !== null && (
          <span
            className={`num block ${big ? 'text-[18px]' : 'text-[15px]'} ${bite.spareMm <= 0 ? 'text-stop' : ''}`}
          >
            {say(Math.abs(bite.spareMm), 'mm', { digits: 1 })}{' '}
            {bite.spareMm <= 0 ? 'short: stop' : `to spare: ${bite.effort}`}
            {bite.downDeg !== null &&
              bite.downDeg > 0 &&
              `, ${say(bite.downDeg, 'deg', { digits: 0 })} down in the well`}
          </span>
        )}
      </p>
      <Button
        small
        disabled={bite.n === 1}
        onClick={() => go(-1)}
        aria-label="Previous bite"
        hotkey=","
      >
        Back
      </Button>
      <Button
        small
        disabled={bite.n === last}
        onClick={() => go(1)}
        aria-label="Next bite"
        hotkey="."
      >
        Next
      </Button>
    </div>
  );
};
