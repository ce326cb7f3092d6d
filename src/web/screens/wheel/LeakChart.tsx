import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts';
import type { Leak } from '../../../core/bench/pressure';
import { toDisplay } from '../../../core/base/units';
import { useUnits } from '../../shared/quantity';

/** Readings at one temperature over the days, over the band that an ordinary tire stays in. */
export default function LeakChart({ leak }: { leak: Leak }) {
  const { units, label } = useUnits();
  const show = (kpa: number) => Number(toDisplay(kpa, 'kPa', units).toFixed(1));
  const first = leak.corrected[0]!;
  const data = leak.corrected.map(({ day, gaugeKpa }) => ({
    day,
    p: show(gaugeKpa),
    band: [show(first.gaugeKpa - leak.ordinaryKpaPerDay * day), show(first.gaugeKpa)],
  }));
  const all = data.flatMap((d) => [d.p, ...d.band]);
  const [low, high] = [Math.floor(Math.min(...all)), Math.ceil(Math.max(...all))];
  return (
    <div
      className="h-full"
      role="img"
      aria-label={`${data.length} readings over ${Math.round(data.at(-1)!.day)} days, from ${data[0]!.p} to ${data.at(-1)!.p} ${label('kPa')} corrected for temperature`}
    >
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart
          data={data}
          margin={{ top: 10, right: 16, bottom: 4, left: 0 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke="var(--stone3)" vertical={false} />
          <XAxis
            dataKey="day"
            type="number"
            domain={[0, 'dataMax']}
            stroke="var(--ink2)"
            tickLine={false}
            unit=" d"
          />
          <YAxis stroke="var(--ink2)" domain={[low, high]} tickLine={false} width={48} />
          <Area
            dataKey="band"
            stroke="none"
            fill="var(--good)"
            fillOpacity={0.25}
            isAnimationActive={false}
          />
          <Line
            dataKey="p"
            stroke="var(--water)"
            strokeWidth={4}
            dot={{ r: 6, fill: 'var(--water)' }}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}
