import { useEffect, useState } from 'react';
import { timesOf } from '../../core/job';
import { ruleNumber } from '../../core/rules';
import { useJob } from '../screens/job-context';

const EVERY_MS = 15_000;

/** `48 s`, `12 min`, `1 h 05`. */
const timeText = (seconds: number): string => {
  const minutes = Math.round(seconds / 60);
  return seconds < 90 ? `${Math.round(seconds)} s` : minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
};

/** How long this station has taken, and what is usual in this shop for such a wheel. */
export const StepTime = ({ className = '' }: { className?: string }) => {
  const { log, state, station, wheel, shop } = useJob();
  const [nowMs, setNowMs] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNowMs(Date.now()), EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  const spentS = timesOf(log).stations[station] ?? 0;
  const runningS = Math.max(0, (nowMs - Date.parse(log.at(-1)?.at ?? '')) / 1000);
  const isBreak = Number.isNaN(runningS) || runningS > ruleNumber('bench.breakMinutes', state.rules) * 60;
  const usual = shop.usualTimes.find((t) => t.station === station && t.build === wheel.build);
  return (
    <p className={`text-[16px] text-ink2 ${className}`}>
      <span className="num">{timeText(spentS + (isBreak ? 0 : runningS))}</span> here
      {usual && <> · usual <span className="num">{timeText(usual.medianS)}</span>, from {usual.jobs} jobs</>}
    </p>
  );
};
