import { POSITION_WORDS, type Wheel } from '../../../core/fit/wheels';
import { BenchMenu } from '../../shared/BenchMenu';
import { ConnectionStatus } from '../../shared/ConnectionStatus';
import type { JobAtHand } from '../../shared/job-context';
import { usePresence } from '../../shared/use-presence';
import { SisterWheels } from './SisterWheels';

/** The side that is up; a wheel with discs on both sides or on neither is seen from its right. */
const lying = ({ discSide }: Wheel, sideUp: JobAtHand['sideUp']): string => {
  if (discSide === 'none' || discSide === 'both')
    return sideUp === 'disc' ? 'right side up' : 'left side up';
  return sideUp === 'disc' ? 'disc side up' : 'disc side down';
};

/** The wheel and its machine, what goes on, and which side is up. */
export const JobHeader = ({ job, state, wheel, machine, sideUp }: JobAtHand) => {
  const goingOn = state.chosen ? `${state.chosen.marking} going on` : `${wheel.tireMarking} on it`;
  const tube = (state.chosen?.tube ?? wheel.tube) ? 'tube' : 'tubeless';
  const locks = wheel.rimLockDegs.length;
  const others = usePresence(job.id);
  return (
    <header className="no-print flex min-h-16 items-center gap-x-4 px-4 lg:pl-0">
      <div className="min-w-0 flex-1 lg:flex lg:items-baseline lg:gap-4">
        <h1 className="shrink-0 text-[22px] max-lg:shrink max-lg:truncate">
          {POSITION_WORDS[wheel.position]}, {machine.name}
        </h1>
        <p className="truncate text-[16px] text-ink2">
          job {job.number} · {goingOn} · {tube}
          {locks > 0 && `, ${locks === 1 ? 'one rim lock' : `${locks} rim locks`}`}
        </p>
      </div>
      {others.length > 0 && (
        <p
          role="status"
          className="max-w-40 border-l-4 border-water pl-2 text-[15px] leading-tight max-sm:max-w-24"
        >
          {others.join(', ')} {others.length === 1 ? 'is' : 'are'} also here
        </p>
      )}
      <SisterWheels jobId={job.id} />
      <span className="whitespace-nowrap text-ink2 max-sm:hidden">{lying(wheel, sideUp)}</span>
      <ConnectionStatus />
      <BenchMenu />
    </header>
  );
};
