import { useEffect, useState } from 'react';
import { stepsOf, timesOf } from '../../core/job';
import { ruleNumber } from '../../core/base/rules';
import { durationText } from '../parts/duration-text';
import { useJob } from '../shared/job-context';

const EVERY_MS = 15_000;

/** The time at this station so far, and the usual one in this shop for such a wheel. */
export const StepTime = ({ className = '' }: { className?: string }) => {
  const { log, state, station, wheel, shop } = useJob();
  const [nowMs, setNowMs] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNowMs(Date.now()), EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  const spentS = timesOf(log).stations[station] ?? 0;
  const runningS = Math.max(0, (nowMs - Date.parse(log.at(-1)?.at ?? '')) / 1000);
  // Once all is done the clock runs for the next station.
  const isOver = stepsOf(state, station).every((s) => state.steps[s.id]);
  const stands =
    isOver ||
    Number.isNaN(runningS) ||
    runningS > ruleNumber('bench.breakMinutes', state.rules) * 60;
  const usual = shop.usualTimes.find((t) => t.station === station && t.build === wheel.build);
  return (
    <p className={`text-[16px] text-ink2 ${className}`}>
      <span className="num">{durationText(spentS + (stands ? 0 : runningS))}</span> here
      {usual && (
        <>
          {' '}
          · usual <span className="num">{durationText(usual.medianS)}</span>, from {usual.jobs} jobs
        </>
      )}
    </p>
  );
};
