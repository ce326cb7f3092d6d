import { Check } from 'lucide-react';
import { useState } from 'react';
import type { TorqueChoice } from '../../core/bench/torque';
import type { Fastener } from '../../core/fit/wheels';
import type { Working } from '../../core/base/working';
import { Button } from '../parts/Button';
import { useJob } from '../shared/job-context';
import { Quantity } from '../shared/quantity';
import { VerdictShape } from '../parts/VerdictMark';
import { BasisTag } from '../shared/working';
import type { Tightened } from './back/use-torque-walk';

const DONE_WORDS: Record<Tightened, string> = {
  torqued: 'torqued',
  snug: 'snug',
  guess: 'torque not verified',
};

interface Props {
  fastener: Fastener;
  /** The wrench that covers it; null if the manual has no figure. */
  choice: Working<TorqueChoice> | null;
  isNext: boolean;
  onKeep: (how: Tightened, wrench: string | null) => void;
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

/**
 * The ways to record it: with a wrench that covers it torqued, without one only snug or a guess.
 */
export const Ways = ({
  fastener,
  choice,
  onKeep,
  isPlain = false,
}: Pick<Props, 'fastener' | 'choice' | 'onKeep'> & {
  /** The usual way has a button of its own. */
  isPlain?: boolean;
}) => {
  const wrench = choice?.result.wrench ?? null;
  if (fastener.torqueNm !== null && wrench)
    return isPlain ? null : (
      <Button small onClick={() => onKeep('torqued', wrench.name)}>
        Torqued
      </Button>
    );
  if (fastener.torqueNm === null && isPlain) return null;
  return (
    <>
      <Button small onClick={() => onKeep('snug', null)}>
        Snug
      </Button>
      {fastener.torqueNm !== null && (
        <Button small onClick={() => onKeep('guess', null)}>
          Not verified
        </Button>
      )}
    </>
  );
};

/** The way it was tightened, with a tick. */
const Done = ({ name, how }: { name: string; how: Tightened }) => {
  const { secondRound } = useJob().state;
  return (
    <span className="inline-flex items-center gap-1 font-semibold text-good">
      <Check size={18} aria-hidden="true" /> {DONE_WORDS[how]}
      {secondRound.includes(name) && ', twice'}
    </span>
  );
};

/**
 * One fastener: its torque, the wrench that covers it, and how it was tightened. What can be said
 * of it stands at the one that comes next, and at any other once its name is tapped.
 */
export const FastenerRow = (props: Props) => {
  const { fastener, choice, isNext } = props;
  const { torqued } = useJob().state;
  const [isOpen, setIsOpen] = useState(false);
  const done = torqued[fastener.name];
  const isCovered = fastener.torqueNm === null || Boolean(choice?.result.wrench);
  return (
    <li className="border-b border-stone3">
      <div className="flex min-h-12 items-center gap-3">
        <button
          type="button"
          aria-expanded={isOpen}
          className={`min-h-12 min-w-0 flex-1 cursor-pointer text-left leading-tight ${isNext ? 'font-bold' : ''}`}
          onClick={() => setIsOpen(!isOpen)}
        >
          {fastener.name}
        </button>
        {!isCovered && !isNext && !isOpen && <VerdictShape verdict="stop" size={18} />}
        {done && <Done name={fastener.name} how={done.how} />}
        {fastener.torqueNm === null ? (
          <span className="num text-lg">snug</span>
        ) : (
          <Quantity value={fastener.torqueNm} unit="Nm" />
        )}
        <span className="w-[60px] text-right">
          {choice ? (
            <BasisTag title={`the wrench for ${fastener.name}`} working={choice}>
              manual
            </BasisTag>
          ) : (
            <span className="text-[14px] text-ink2">no spec</span>
          )}
        </span>
      </div>
      {isOpen && !isNext && (
        <div className="flex flex-wrap items-center gap-2 pb-1">
          <span
            className={`min-w-0 flex-1 basis-40 text-[15px] ${isCovered ? 'text-ink2' : 'text-stop'}`}
          >
            <WithWhat fastener={fastener} choice={choice} />
          </span>
          <Ways {...props} />
        </div>
      )}
    </li>
  );
};
