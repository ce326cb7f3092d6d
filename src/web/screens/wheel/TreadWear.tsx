import { useMemo } from 'react';
import { treadWear } from '../../../core/fit/tires';
import { attempt } from '../../../core/base/working';
import { dateText } from '../../../core/base/units';
import type { Wheel } from '../../../core/fit/wheels';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { refusalText } from '../../shared/refusal';
import { BasisTag } from '../../shared/working';
import { today, useApp } from '../../store';

/** Distance left in the tire that is on, from the depths in the record. */
export const TreadWear = ({ wheel }: { wheel: Wheel }) => {
  const { say } = useUnits();
  const rules = useApp((s) => s.shop.shop?.rules);
  const values = useMemo(
    () => Object.fromEntries((rules ?? []).map((r) => [r.key, r.value])),
    [rules],
  );
  if (wheel.treads.length === 0) return null;
  const wear = attempt(treadWear, {
    readings: wheel.treads.map(({ km, depthMm, onDate }) => ({ km, depthMm, onDate })),
    rules: values,
  });
  return (
    <section className="mt-5">
      <h2 className="text-2xl">Tread</h2>
      {wear.ok ? (
        <>
          <Reasons reasons={[wear.working.result.reason]} />
          <p className="flex flex-wrap items-center gap-x-3 text-[16px] text-ink2">
            {wear.working.result.doneOn && (
              <span>
                {wear.working.result.doneOn < today()
                  ? `worn out since ${dateText(wear.working.result.doneOn)} at this pace: measure again`
                  : `worn out about ${dateText(wear.working.result.doneOn)} at this pace`}
              </span>
            )}
            {wear.working.result.rateMmPer1000Km !== null && (
              <span>
                {say(wear.working.result.rateMmPer1000Km, 'mm', { digits: 2 })} in {say(1000, 'km')}
              </span>
            )}
            <BasisTag title="tread wear" working={wear.working} />
          </p>
        </>
      ) : (
        <p className="text-stop">{refusalText(wear.problem)}</p>
      )}
    </section>
  );
};
