import { lazy, Suspense } from 'react';
import type { Trend } from '../../../core/job';
import { useUnits } from '../../shared/quantity';

const TrendChart = lazy(() => import('./TrendChart'));

/** The trends of a wheel from job to job. */
export const WheelTrends = ({ trends }: { trends: readonly Trend[] }) => {
  const { label } = useUnits();
  if (trends.length === 0) return null;
  return (
    <section aria-label="Trends" className="mt-8">
      <h2 className="mb-1 text-2xl">Trends</h2>
      <div className="grid gap-6 sm:grid-cols-2 lg:grid-cols-3">
        {trends.map((trend) => (
          <figure key={trend.what}>
            <figcaption className="text-[16px]">
              {trend.what.replace(/^./, (c) => c.toUpperCase())}, {label(trend.unit)}
            </figcaption>
            <Suspense
              fallback={<div className="h-[170px]" role="status" aria-label="The chart is drawn" />}
            >
              <TrendChart trend={trend} />
            </Suspense>
          </figure>
        ))}
      </div>
    </section>
  );
};
