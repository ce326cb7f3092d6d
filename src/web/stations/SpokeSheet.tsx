import { useState } from 'react';
import { spokeRingOf } from '../../core/job';
import { groupOf } from '../../core/bench/truing';
import { Button } from '../parts/Button';
import { Reasons } from '../shared/Reasons';
import { useJob } from '../shared/job-context';
import { Sheet } from '../parts/Sheet';

/** The ring of the spokes by ear: tap the dull ones. */
export const SpokeSheet = () => {
  const { state, wheel, write, correcting } = useJob();
  const [dull, setDull] = useState<ReadonlySet<number>>(
    () =>
      new Set(
        (state.spokeRing?.spokes ?? []).filter((s) => s.sounds === 'dull').map((s) => s.spoke),
      ),
  );
  const all = Array.from({ length: wheel.spokes }, (_, i) => i + 1);
  const spokes = all.map((spoke) => ({
    spoke,
    sounds: dull.has(spoke) ? ('dull' as const) : ('clear' as const),
  }));
  const result = spokeRingOf(state, spokes);
  const toggle = (spoke: number) =>
    setDull((now) => {
      const next = new Set(now);
      if (!next.delete(spoke)) next.add(spoke);
      return next;
    });
  return (
    <Sheet title="Tap each dull spoke" closes="Close spokes" widthPx={560}>
      <p className="text-[16px] text-ink2">
        Counted from the valve, clockwise, seen from the disc side.
      </p>
      <div className="mt-3 grid grid-cols-6 gap-2">
        {all.map((spoke) => (
          <button
            key={spoke}
            type="button"
            aria-pressed={dull.has(spoke)}
            title={groupOf(spoke)}
            className={`btn btn-small !px-0 ${dull.has(spoke) ? '' : 'text-ink2'}`}
            onClick={() => toggle(spoke)}
          >
            {spoke}
            {dull.has(spoke) && <span className="sr-only"> dull</span>}
          </button>
        ))}
      </div>
      <div className="mt-4" aria-live="polite">
        {result.ok && <Reasons reasons={result.working.result.reasons} />}
      </div>
      <ul className="caution mt-2 text-[16px]">
        {result.ok && result.working.cautions.map((c) => <li key={c}>{c}</li>)}
      </ul>
      <Button
        go
        className="mt-4"
        onClick={() =>
          void write(
            [{ kind: 'spoke-ring', ...correcting('spoke-ring'), data: { spokes } }],
            'Spokes saved.',
          )
        }
      >
        Save
      </Button>
    </Sheet>
  );
};
