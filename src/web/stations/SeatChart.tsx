import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { toDisplay } from '../../core/units';
import { useUnits } from '../parts/quantity';

/** The readings of this seating under the limit. */
export default function SeatChart({ readings, limitKpa }: { readings: number[]; limitKpa: number }) {
  const { units, label } = useUnits();
  const show = (kpa: number) => Number(toDisplay(kpa, 'kPa', units).toFixed(1));
  const data = readings.map((kpa, i) => ({ n: i + 1, p: show(kpa) }));
  const top = Math.max(show(limitKpa) * 1.15, ...data.map((d) => d.p * 1.05));
  return (
    <div className="h-full" role="img" aria-label={`${readings.length} readings, the last ${data.at(-1)?.p} ${label('kPa')}, limit ${show(limitKpa)} ${label('kPa')}`}>
      <ResponsiveContainer width="100%" height="100%">
        <LineChart data={data} margin={{ top: 16, right: 90, bottom: 4, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--stone3)" vertical={false} />
          <XAxis dataKey="n" stroke="var(--ink2)" allowDecimals={false} tickLine={false} />
          <YAxis stroke="var(--ink2)" domain={[0, Math.ceil(top)]} tickLine={false} width={48} />
          <ReferenceLine y={show(limitKpa)} stroke="var(--stop)" strokeWidth={4} label={{ value: `limit ${show(limitKpa)}`, position: 'right', fill: 'var(--stop)', fontWeight: 700 }} />
          <Line dataKey="p" stroke="var(--water)" strokeWidth={4} dot={{ r: 6, fill: 'var(--water)' }} isAnimationActive={false} />
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
