import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { FINDINGS, INSPECTED, INSPECTED_WORDS, inspectionOf, type Inspected } from '../../core/inspect';
import { attempt } from '../../core/working';
import { Button } from '../parts/Button';
import { Reasons } from '../parts/Reasons';
import { BasisTag } from '../parts/working';
import { useJob } from '../screens/job-context';
import { Sheet } from '../parts/Sheet';
import { Photos } from './Photos';

/** What was found on tube, bead and bearings: tapped, judged at once, written down. */
export const FindingsSheet = () => {
  const { state, wheel, write } = useJob();
  const [found, setFound] = useState<Partial<Record<Inspected, readonly string[]>>>(state.findings);
  const [open, setOpen] = useState(false);
  const parts = INSPECTED.filter((p) => p !== 'tube' || wheel.tube);
  const toggle = (part: Inspected, id: string) =>
    setFound((all) => {
      const its = all[part] ?? [];
      return { ...all, [part]: its.includes(id) ? its.filter((f) => f !== id) : [...its, id] };
    });
  const keep = async () => {
    if (
      await write(
        parts.map((part) => ({ kind: 'findings' as const, data: { part, found: [...(found[part] ?? [])] } })),
        'The findings are written.',
      )
    )
      setOpen(false);
  };
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button>Findings</Button>
      </Dialog.Trigger>
      <Sheet title="Tap what you find" closes="Close the findings" widthPx={720} footed>
        {parts.map((part) => {
          const its = found[part] ?? [];
          const judged = attempt(inspectionOf(part), { found: [...its] });
          return (
            <section key={part} className="mt-3 border-t-2 border-ink pt-2">
              <h3 className="mb-2 flex items-center gap-3 text-xl">
                <span className="flex-1">{INSPECTED_WORDS[part]}</span>
                {judged.ok && <BasisTag title={INSPECTED_WORDS[part]} working={judged.working} />}
              </h3>
              <div className="flex flex-wrap gap-2">
                {FINDINGS[part].map((f) => (
                  <Button key={f.id} small aria-pressed={its.includes(f.id)} onClick={() => toggle(part, f.id)}>
                    {f.sees}
                  </Button>
                ))}
              </div>
              <Photos part={part} />
              <div aria-live="polite">
                {judged.ok && its.length > 0 && <Reasons reasons={judged.working.result.reasons} className="mt-2" />}
              </div>
            </section>
          );
        })}
        <div className="sticky bottom-0 mt-4 border-t border-stone3 bg-stone py-3">
          <Button go onClick={() => void keep()}>
            Write it down
          </Button>
        </div>
      </Sheet>
    </Dialog.Root>
  );
};
