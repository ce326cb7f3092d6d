import { Bar, BarChart, LabelList, ResponsiveContainer, XAxis, YAxis } from 'recharts';

export interface BarRow {
  name: string;
  value: number;
  /** The text behind the bar, with its unit. */
  label: string;
}

const ROW_PX = 34;

/** Plain bars, one a row, with their words at their ends. */
export default function BarsChart({ rows, label }: { rows: readonly BarRow[]; label: string }) {
  return (
    <div
      role="img"
      aria-label={`${label}: ${rows.map((r) => `${r.name} ${r.label}`).join('; ')}`}
      style={{ height: rows.length * ROW_PX + 20 }}
    >
      <ResponsiveContainer width="100%" height="100%">
        <BarChart
          data={[...rows]}
          layout="vertical"
          margin={{ top: 4, right: 130, bottom: 4, left: 6 }}
          accessibilityLayer={false}
        >
          <XAxis type="number" hide />
          <YAxis
            type="category"
            dataKey="name"
            width={170}
            stroke="var(--ink)"
            tickLine={false}
            axisLine={false}
            interval={0}
            fontSize={15}
          />
          <Bar
            dataKey="value"
            fill="var(--water)"
            radius={[0, 8, 8, 0]}
            barSize={18}
            isAnimationActive={false}
          >
            <LabelList dataKey="label" position="right" fill="var(--ink2)" fontSize={15} />
          </Bar>
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}
