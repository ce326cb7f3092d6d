import { lazy, Suspense, useMemo } from 'react';
import { leak } from '../../../core/bench/pressure';
import { ruleNumber } from '../../../core/base/rules';
import { daysAfter, daysBetween } from '../../../core/base/units';
import type { Wheel } from '../../../core/fit/wheels';
import { attempt } from '../../../core/base/working';
import { Fallback } from '../../parts/Fallback';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { BasisTag } from '../../shared/working';
import { useApp } from '../../store';
import { refusalText } from '../../shared/refusal';

const LeakChart = lazy(() => import('./LeakChart'));

/** Pressures of the standing tire corrected for temperature, and whether it leaks. */
export const PressureRecord = ({
  wheel,
  placardKpa,
}: {
  wheel: Wheel;
  placardKpa: number | null;
}) => {
  const { say } = useUnits();
  const rules = useApp((s) => s.shop.shop?.rules);
  const values = useMemo(
    () => Object.fromEntries((rules ?? []).map((r) => [r.key, r.value])),
    [rules],
  );
  if (wheel.pressures.length === 0) return null;
  const inOrder = [...wheel.pressures].sort((a, b) => a.onDate.localeCompare(b.onDate));
  const firstDay = inOrder[0]!.onDate;
  const found = attempt(leak, {
    readings: inOrder.map(({ onDate, gaugeKpa, tempC }) => ({
      day: daysBetween(firstDay, onDate),
      gaugeKpa,
      tempC,
    })),
    tube: wheel.tube,
    gaugeStepKpa: ruleNumber('gauge.stepKpa', values),
    rules: values,
    ...(placardKpa === null ? {} : { minimumKpa: placardKpa }),
  });
  if (!found.ok)
    return (
      <section className="mt-5">
        <h2 className="text-2xl">Standing pressure</h2>
        <p className="text-stop">{refusalText(found.problem)}</p>
      </section>
    );
  const { result } = found.working;
  const under = result.underMinimumInDays;
  return (
    <section className="mt-5" aria-label="Standing pressure">
      <h2 className="text-2xl">Standing pressure</h2>
      <Reasons reasons={[result.reason]} />
      <p className="flex flex-wrap items-center gap-x-3 text-[16px] text-ink2">
        {under !== null && placardKpa !== null && (
          <span>
            {under === 0
              ? `Under the placard’s ${say(placardKpa, 'kPa')} now.`
              : `Under the placard’s ${say(placardKpa, 'kPa')} in ${Math.ceil(under)} days.`}
          </span>
        )}
        <span>Next check {daysAfter(inOrder.at(-1)!.onDate, result.nextCheckDays)}.</span>
        <BasisTag title="the leak" working={found.working} />
      </p>
      {result.corrected.length > 1 && (
        <div className="mt-2 h-[190px]">
          <Fallback
            instead={
              <p className="pt-8 text-ink2">Chart didn’t load. The readings are in the record.</p>
            }
          >
            <Suspense fallback={null}>
              <LeakChart leak={result} />
            </Suspense>
          </Fallback>
        </div>
      )}
    </section>
  );
};
