import { CartesianGrid, ComposedChart, Line, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { PracticeScore } from '../../../core/practice';

/**
 * The cost of round after round, beside the advice; `counts` names it. `rounds` the oldest first.
 */
export default function ScoreChart({
  rounds,
  counts,
}: {
  rounds: readonly PracticeScore[];
  counts: string;
}) {
  const data = rounds.map((r, i) => ({ n: i + 1, you: r.cost, advised: r.advisedCost }));
  return (
    <div
      className="h-[190px]"
      role="img"
      aria-label={`${data.length} rounds: your ${counts} from ${data[0]!.you} in the first to ${data.at(-1)!.you} in the last, advised ${data.at(-1)!.advised}`}
    >
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart
          data={data}
          margin={{ top: 8, right: 12, bottom: 0, left: 0 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke="var(--stone3)" vertical={false} />
          <XAxis
            dataKey="n"
            type="number"
            domain={[1, 'dataMax']}
            allowDecimals={false}
            stroke="var(--ink2)"
            tickLine={false}
          />
          <YAxis
            stroke="var(--ink2)"
            domain={[0, 'dataMax']}
            allowDecimals={false}
            tickLine={false}
            width={32}
          />
          <Line
            dataKey="advised"
            stroke="var(--ink2)"
            strokeWidth={2}
            strokeDasharray="6 5"
            dot={false}
            isAnimationActive={false}
          />
          <Line
            dataKey="you"
            stroke="var(--water)"
            strokeWidth={4}
            dot={{ r: 5, fill: 'var(--water)' }}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}
