import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { Trend } from '../../../core/job';
import { toDisplay, dateText } from '../../../core/base/units';
import { useUnits } from '../../shared/quantity';

/** One thing of a wheel over its jobs. */
export default function TrendChart({ trend: { what, unit, points } }: { trend: Trend }) {
  const { units, say } = useUnits();
  const data = points.map((p, i) => ({
    n: i + 1,
    onDate: p.onDate,
    value: toDisplay(p.value, unit, units),
  }));
  const [first, last] = [points[0]!, points.at(-1)!];
  return (
    <div
      className="h-[170px]"
      role="img"
      aria-label={`${what}: ${say(first.value, unit)} on ${dateText(first.onDate)}, ${say(last.value, unit)} on ${dateText(last.onDate)}, ${points.length} jobs`}
    >
      <ResponsiveContainer width="100%" height="100%">
        <LineChart
          data={data}
          margin={{ top: 10, right: 14, bottom: 0, left: 0 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke="var(--stone3)" vertical={false} />
          <XAxis
            dataKey="n"
            stroke="var(--ink2)"
            tickLine={false}
            interval="preserveStartEnd"
            tickFormatter={(n: number) => data[n - 1]!.onDate.slice(2, 7)}
          />
          <YAxis stroke="var(--ink2)" domain={[0, 'auto']} tickLine={false} width={52} />
          <Line
            dataKey="value"
            stroke="var(--water)"
            strokeWidth={3}
            dot={{ r: 5, fill: 'var(--water)' }}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
