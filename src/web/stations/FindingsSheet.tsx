import { ToggleGroup } from 'radix-ui';
import { useState } from 'react';
import {
  FINDINGS,
  INSPECTED,
  INSPECTED_WORDS,
  inspectionOf,
  type Inspected,
} from '../../core/bench/inspect';
import { attempt } from '../../core/base/working';
import { Button } from '../parts/Button';
import { Reasons } from '../shared/Reasons';
import { BasisTag } from '../shared/working';
import { useJob } from '../shared/job-context';
import { Sheet } from '../parts/Sheet';
import { FindingPlaces } from './FindingPlaces';
import { Photos } from './Photos';

/** The findings on tube, bead and bearings: tapped, judged at once, written down. */
export const FindingsSheet = ({ onDone }: { onDone: () => void }) => {
  const { state, wheel, write } = useJob();
  const [found, setFound] = useState<Partial<Record<Inspected, readonly string[]>>>(state.findings);
  const [places, setPlaces] = useState(state.findingPlaces);
  const parts = INSPECTED.filter((p) => p !== 'tube' || wheel.tube);
  const keep = async () => {
    if (
      await write(
        parts.map((part) => ({
          kind: 'findings' as const,
          data: {
            part,
            found: [...(found[part] ?? [])],
            places: (places[part] ?? []).filter((p) => found[part]?.includes(p.finding)),
          },
        })),
        'Findings saved.',
      )
    )
      onDone();
  };
  return (
    <Sheet title="Tap what you find" closes="Close findings" widthPx={720} footed>
      {parts.map((part) => {
        const its = found[part] ?? [];
        const judged = attempt(inspectionOf(part), { found: [...its] });
        return (
          <section key={part} className="mt-3 border-t-2 border-ink pt-2">
            <h3 className="mb-2 flex items-center gap-3 text-xl">
              <span className="flex-1">{INSPECTED_WORDS[part]}</span>
              {judged.ok && <BasisTag title={INSPECTED_WORDS[part]} working={judged.working} />}
            </h3>
            <ToggleGroup.Root
              type="multiple"
              className="flex flex-wrap gap-2"
              aria-label={INSPECTED_WORDS[part]}
              value={[...its]}
              onValueChange={(to) => setFound((all) => ({ ...all, [part]: to }))}
            >
              {FINDINGS[part].map((f) => (
                <ToggleGroup.Item key={f.id} value={f.id} className="btn btn-small">
                  {f.sees}
                </ToggleGroup.Item>
              ))}
            </ToggleGroup.Root>
            <FindingPlaces
              part={part}
              found={its}
              places={places[part] ?? []}
              onPlaces={(to) => setPlaces((all) => ({ ...all, [part]: to }))}
            />
            <Photos part={part} name={INSPECTED_WORDS[part]} />
            <div aria-live="polite">
              {judged.ok && its.length > 0 && (
                <Reasons reasons={judged.working.result.reasons} className="mt-2" />
              )}
            </div>
          </section>
        );
      })}
      <div className="sticky bottom-0 mt-4 border-t border-stone3 bg-stone py-3">
        <Button go onClick={() => void keep()}>
          Save
        </Button>
      </div>
    </Sheet>
  );
};
