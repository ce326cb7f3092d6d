import { CartesianGrid, LineChart, Line, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { Rollout } from '../../../core/bench/ring';
import { toDisplay } from '../../../core/base/units';
import { useUnits } from '../../shared/quantity';

interface Props {
  left: Rollout;
  right: Rollout;
  names: { left: string; right: string };
}

/** Rollout of both wheels from run to run, at the measuring pressure. */
export default function GrowthChart({ left, right, names }: Props) {
  const { units, label } = useUnits();
  const show = (mm: number | undefined) =>
    mm === undefined ? null : Number(toDisplay(mm, 'mm', units).toFixed(1));
  const runs = [...new Set([...left.runs, ...right.runs].map((r) => r.run))].sort((a, b) => a - b);
  const of = (rollout: Rollout, run: number) =>
    show(rollout.runs.find((r) => r.run === run)?.circumferenceMm);
  const data = runs.map((run) => ({ run, left: of(left, run), right: of(right, run) }));
  const all = data.flatMap((d) => [d.left, d.right]).filter((v): v is number => v !== null);
  const domain = [Math.floor(Math.min(...all)) - 1, Math.ceil(Math.max(...all)) + 1];
  return (
    <div
      className="h-full"
      role="img"
      aria-label={`Rollout over ${runs.length} tapings: ${names.left} from ${data[0]!.left} to ${data.at(-1)!.left}, ${names.right} from ${data[0]!.right} to ${data.at(-1)!.right} ${label('mm')}`}
    >
      <ResponsiveContainer width="100%" height="100%">
        <LineChart
          data={data}
          margin={{ top: 10, right: 20, bottom: 4, left: 6 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke="var(--stone3)" vertical={false} />
          <XAxis
            dataKey="run"
            stroke="var(--ink2)"
            tickLine={false}
            tickFormatter={(run) => `run ${run}`}
          />
          <YAxis stroke="var(--ink2)" domain={domain} tickLine={false} width={56} />
          <Line
            dataKey="left"
            stroke="var(--ink)"
            strokeWidth={3}
            dot={{ r: 5, fill: 'var(--ink)' }}
            connectNulls
            isAnimationActive={false}
          />
          <Line
            dataKey="right"
            stroke="var(--ink)"
            strokeWidth={3}
            strokeDasharray="7 5"
            dot={{ r: 5, fill: 'var(--stone)', stroke: 'var(--ink)', strokeWidth: 3 }}
            connectNulls
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
