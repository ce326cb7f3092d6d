import type { Unit } from '../base/units';
import type { WheelHistory } from './wheel-history';

/** One thing of a wheel as it went from job to job, the oldest first. */
export interface Trend {
  what: 'weights on the rim' | 'side to side' | 'up and down';
  unit: Extract<Unit, 'g' | 'mm'>;
  points: { onDate: string; value: number }[];
}

/** Fewer are no trend. */
const LEAST = 3;

/** The values that were measured often enough to show a trend. */
export const wheelTrends = ({
  weights,
  runouts,
}: Pick<WheelHistory, 'weights' | 'runouts'>): Trend[] => {
  const all: Trend[] = [
    {
      what: 'weights on the rim',
      unit: 'g',
      points: weights.map(({ onDate, pieces }) => ({
        onDate,
        value: pieces.reduce((sum, p) => sum + p.massG, 0),
      })),
    },
    {
      what: 'side to side',
      unit: 'mm',
      points: runouts.flatMap((r) =>
        r.lateralMm === null ? [] : [{ onDate: r.onDate, value: r.lateralMm }],
      ),
    },
    {
      what: 'up and down',
      unit: 'mm',
      points: runouts.flatMap((r) =>
        r.radialMm === null ? [] : [{ onDate: r.onDate, value: r.radialMm }],
      ),
    },
  ];
  return all
    .filter((t) => t.points.length >= LEAST)
    .map((t) => ({ ...t, points: t.points.toSorted((a, b) => a.onDate.localeCompare(b.onDate)) }));
};
