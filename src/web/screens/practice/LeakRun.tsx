import { useMemo } from 'react';
import { hiddenLeak, leakReadings, type LeakAct, type LeakLevel } from '../../../core/practice';
import type { StandingReading } from '../../../core/bench/pressure';
import { counted } from '../../../core/base/units';
import { Button } from '../../parts/Button';
import { useKeys } from '../../parts/keys';
import { useUnits } from '../../shared/quantity';
import { RunLayout } from './RunLayout';
import type { RunProps } from './run-props';
import { useRound } from './use-round';

const WAITS = [
  ['1', 1, 'A day later'],
  ['2', 2, 'Two days'],
  ['4', 4, 'Four days'],
  ['7', 7, 'A week'],
] as const;
const [W, H, SIDE] = [560, 300, 44];

/** The gauge's readings day by day; how warm the tire was stands beside each. */
const Plot = ({ readings }: { readings: readonly StandingReading[] }) => {
  const { say } = useUnits();
  const gauges = readings.map((r) => r.gaugeKpa);
  const [low, high] = [Math.min(...gauges) - 6, Math.max(...gauges) + 6];
  const lastDay = Math.max(7, readings.at(-1)!.day);
  const x = (day: number) => SIDE + ((W - 2 * SIDE) * day) / lastDay;
  const y = (kpa: number) => H - SIDE - ((H - 2 * SIDE) * (kpa - low)) / (high - low);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={`Gauge from ${say(gauges[0]!, 'kPa')} on the first day to ${say(gauges.at(-1)!, 'kPa')} on day ${readings.at(-1)!.day}`}
      className="w-full max-w-[640px]"
    >
      <path d={`M${SIDE} ${H - SIDE}H${W - SIDE}`} className="stroke-lip" strokeWidth="3" />
      <path
        d={`M${readings.map((r) => `${x(r.day).toFixed(1)} ${y(r.gaugeKpa).toFixed(1)}`).join('L')}`}
        fill="none"
        className="stroke-water"
        strokeWidth="3"
      />
      {readings.map((r) => (
        <circle key={r.day} cx={x(r.day)} cy={y(r.gaugeKpa)} r="6" className="fill-water" />
      ))}
      <text x={SIDE} y={H - 14} className="fill-ink2" fontSize="16">
        the first day
      </text>
      <text x={W - SIDE} y={H - 14} textAnchor="end" className="fill-ink2" fontSize="16">
        day {lastDay}
      </text>
    </svg>
  );
};

/** A standing tire, read on days of one's choice, until one says whether it leaks. */
export const LeakRun = ({ at, who, onDone }: RunProps) => {
  const { say } = useUnits();
  const { acts, act, tookS } = useRound<LeakAct>(at, who);
  const hidden = useMemo(() => hiddenLeak(at.seed, at.level as LeakLevel), [at.seed, at.level]);
  const readings = useMemo(() => leakReadings(hidden, acts), [hidden, acts]);
  const tell = (what: 'leaks' | 'ordinary') => () => onDone([...acts, { do: what }], tookS());
  const wait = (days: number) => () => act({ do: 'read', days });
  useKeys([
    ...WAITS.map(([key, days, says]) => ({
      key,
      label: `Read it ${says.toLowerCase()}`,
      run: wait(days),
    })),
    { key: 'l', label: 'It leaks', run: tell('leaks') },
    { key: 'o', label: 'It’s the weather', run: tell('ordinary') },
  ]);
  const last = readings.at(-1)!;
  return (
    <RunLayout
      shows="The readings"
      does="What you do"
      picture={
        <>
          <Plot readings={readings} />
          <table className="mt-3 w-full max-w-[640px]">
            <thead>
              <tr className="border-b-2 border-ink text-left">
                <th scope="col">Day</th>
                <th scope="col" className="text-right">
                  Gauge
                </th>
                <th scope="col" className="text-right">
                  Tire
                </th>
              </tr>
            </thead>
            <tbody>
              {[...readings].reverse().map((r) => (
                <tr key={r.day} className="border-b border-stone3">
                  <td className="num py-1">{r.day}</td>
                  <td className="num text-right">{say(r.gaugeKpa, 'kPa')}</td>
                  <td className="num text-right">{say(r.tempC, 'C', { digits: 0 })}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      }
    >
      <p className="num text-[26px]" role="status">
        {say(last.gaugeKpa, 'kPa')} on day {last.day}, {say(last.tempC, 'C', { digits: 0 })}
      </p>
      <p className="text-ink2">
        {hidden.tube ? 'With a tube.' : 'Tubeless.'} {counted(readings.length, 'reading')} so far. A
        tire is as warm as the day; the gauge shows one step at the finest.
      </p>
      <p>Wait, then read it again:</p>
      <div className="flex flex-wrap gap-2">
        {WAITS.map(([key, days, says]) => (
          <Button key={key} hotkey={key} onClick={wait(days)}>
            {says}
          </Button>
        ))}
      </div>
      <div className="mt-3 flex flex-wrap gap-2">
        <Button go hotkey="L" onClick={tell('leaks')}>
          It leaks
        </Button>
        <Button hotkey="O" onClick={tell('ordinary')}>
          Call it weather
        </Button>
      </div>
    </RunLayout>
  );
};
