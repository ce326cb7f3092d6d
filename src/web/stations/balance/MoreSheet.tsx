import { Dialog } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import type { BalanceEstimate } from '../../../core/bench/balance';
import type { Working } from '../../../core/base/working';
import { Button } from '../../parts/Button';
import { useJob } from '../../shared/job-context';
import { Sheet } from '../../parts/Sheet';
import { PartsPart } from './PartsPart';
import { SpeedPart } from './SpeedPart';
import { StandBandPart } from './StandBandPart';
import { TurnPart } from './TurnPart';

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <section className="border-t-2 border-ink pt-2 pb-5" aria-label={title}>
    <h3 className="mb-2 text-[20px]">{title}</h3>
    {children}
  </section>
);

interface Props {
  estimate: Working<BalanceEstimate> | null;
  /** Ends the balancing as it stands; null where there is nothing to end. */
  onFinish: (() => void) | null;
}

/** The rare actions at the stand. */
export const MoreSheet = ({ estimate, onFinish }: Props) => {
  const { write } = useJob();
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button>More</Button>
      </Dialog.Trigger>
      <Sheet title="More about this balance" closes="Back to the balance" widthPx={720}>
        <Part title="Would turning the tire help?">
          <TurnPart estimate={estimate} />
        </Part>
        <Part title="Estimate from parts">
          <PartsPart />
        </Part>
        <Part title="Imbalance at speed">
          <SpeedPart leftG={estimate?.result.leftG ?? 5} />
        </Part>
        <Part title="Stand dead band">
          <StandBandPart />
        </Part>
        <Part title="This balancing">
          <div className="flex flex-wrap gap-2">
            {onFinish && (
              <Button
                onClick={() => {
                  setOpen(false);
                  onFinish();
                }}
              >
                Cancel
              </Button>
            )}
            <Button
              onClick={() => {
                setOpen(false);
                void write(
                  [{ kind: 'balance-again', data: { why: 'started over by hand' } }],
                  'Started over. Earlier readings are in the log.',
                );
              }}
            >
              Start over
            </Button>
          </div>
          <p className="mt-2 text-ink2">
            Start over after the tire is turned on the rim or taken off.
          </p>
        </Part>
      </Sheet>
    </Dialog.Root>
  );
};
