import { Check } from 'lucide-react';
import type { DeviceLine } from '../../core/devices';
import type { TorqueChoice } from '../../core/torque';
import type { Fastener } from '../../core/wheels';
import type { Working } from '../../core/working';
import { Button } from '../parts/Button';
import { DeviceTake } from '../parts/DeviceTake';
import { useJob } from '../parts/job-context';
import { Quantity } from '../parts/quantity';
import { VerdictShape } from '../parts/VerdictMark';
import { BasisTag } from '../parts/working';
import type { Tightened } from './back/use-torque-walk';

const DONE_WORDS: Record<Tightened, string> = { torqued: 'torqued', snug: 'snug', guess: 'tightened by guess' };

interface Props {
  fastener: Fastener;
  /** Which wrench covers it; null where the manual has no figure. */
  choice: Working<TorqueChoice> | null;
  isNext: boolean;
  /** The wheel is in and lined up. */
  mayTighten: boolean;
  onKeep: (how: Tightened, wrench: string | null) => void;
  /** A wrench clicked. */
  onClick: (line: DeviceLine) => void;
}

/** With what it is tightened, or why nothing covers it. */
const WithWhat = ({ fastener, choice }: Pick<Props, 'fastener' | 'choice'>) => {
  if (fastener.torqueNm === null || !choice) return <>Snug: overtightening breaks it.</>;
  const { wrench, reason } = choice.result;
  if (wrench) return <>{wrench.name}</>;
  return (
    <span className="inline-flex gap-1">
      <VerdictShape verdict="stop" size={18} />
      {reason}
    </span>
  );
};

/** What can be said of it: with a wrench that covers it torqued, without one only snug or a guess. */
const Ways = ({ fastener, choice, isNext, mayTighten, onKeep, onClick }: Props) => {
  const wrench = choice?.result.wrench ?? null;
  const snug = (
    <Button small onClick={() => onKeep('snug', null)}>
      Snug
    </Button>
  );
  if (fastener.torqueNm === null) return snug;
  if (!wrench)
    return (
      <>
        {snug}
        <Button small onClick={() => onKeep('guess', null)}>
          A guess
        </Button>
      </>
    );
  const isNow = isNext && mayTighten;
  return (
    <>
      {isNow && (
        <DeviceTake
          compact
          kind="torque-wrench"
          meant={wrench.name}
          what={`Torque of ${fastener.name}`}
          onTake={onClick}
        />
      )}
      <Button small go={isNow} onClick={() => onKeep('torqued', wrench.name)}>
        Torqued
      </Button>
    </>
  );
};

/** One fastener: its torque, the wrench that covers it, and how it was tightened. */
export const FastenerRow = (props: Props) => {
  const { fastener, choice, isNext } = props;
  const { torqued, secondRound } = useJob().state;
  const done = torqued[fastener.name];
  const isCovered = fastener.torqueNm === null || Boolean(choice?.result.wrench);
  return (
    <li className="border-b border-stone3 py-1">
      <div className="flex items-baseline gap-3">
        <span className={`flex-1 ${isNext ? 'font-bold' : ''}`}>{fastener.name}</span>
        {fastener.torqueNm === null ? (
          <span className="num text-lg">snug</span>
        ) : (
          <Quantity value={fastener.torqueNm} unit="Nm" />
        )}
        <span className="w-[76px] text-right">
          {choice ? (
            <BasisTag title={`the wrench for ${fastener.name}`} working={choice}>
              manual
            </BasisTag>
          ) : (
            <span className="text-[14px] text-ink2">no figure</span>
          )}
        </span>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <span className={`min-w-0 flex-1 basis-40 text-[15px] ${isCovered ? 'text-ink2' : 'text-stop'}`}>
          <WithWhat fastener={fastener} choice={choice} />
        </span>
        {done ? (
          <span className="inline-flex items-center gap-1 font-semibold text-good">
            <Check size={18} aria-hidden="true" /> {DONE_WORDS[done.how]}
            {secondRound.includes(fastener.name) && ', twice'}
          </span>
        ) : (
          <Ways {...props} />
        )}
      </div>
    </li>
  );
};
