import { Dialog } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import type { Reading, Step } from '../../core/job/procedure';
import { Button } from '../parts/Button';
import { useJob } from '../shared/job-context';
import { useKeys } from '../parts/keys';
import { BrakeSheet } from './back/BrakeSheet';
import { ChainSheet } from './back/ChainSheet';
import { SensorSheet } from './back/SensorSheet';
import { AirOutSheet } from './ring/AirOutSheet';
import { CrushSheet } from './ring/CrushSheet';
import { GapSheet } from './ring/GapSheet';
import { RolloutSheet } from './ring/RolloutSheet';
import { FindingsSheet } from './FindingsSheet';
import { RunoutSheet } from './RunoutSheet';
import { PlacementPhotosSheet } from './PlacementPhotosSheet';
import { BeadPathSheet } from './BeadPathSheet';
import { SpokeSheet } from './SpokeSheet';

/** The name of each reading, and the sheet that takes it. */
const READINGS: Record<
  Reading,
  { label: string; Sheet: (props: { onDone: () => void }) => ReactNode }
> = {
  findings: { label: 'Findings', Sheet: FindingsSheet },
  photo: { label: 'Placement photos', Sheet: PlacementPhotosSheet },
  runout: { label: 'Runout readings', Sheet: RunoutSheet },
  spokes: { label: 'Spoke sound', Sheet: SpokeSheet },
  'bead-path': { label: 'Bead path', Sheet: BeadPathSheet },
  crush: { label: 'Bundle, gap and crush', Sheet: CrushSheet },
  'ring-gap': { label: 'Gap around the ring', Sheet: GapSheet },
  'air-out': { label: 'Record air out', Sheet: AirOutSheet },
  rollout: { label: 'Rollout by tape', Sheet: RolloutSheet },
  chain: { label: 'Slack and marks', Sheet: ChainSheet },
  sensor: { label: 'Sensor gap', Sheet: SensorSheet },
  brake: { label: 'Brake check', Sheet: BrakeSheet },
};

const Opened = ({ reads }: { reads: Reading }) => {
  const [open, setOpen] = useState(false);
  const { label, Sheet } = READINGS[reads];
  useKeys([{ key: 'r', label: 'Use reading', run: () => setOpen(true) }]);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button>{label}</Button>
      </Dialog.Trigger>
      <Sheet onDone={() => setOpen(false)} />
    </Dialog.Root>
  );
};

/** The readings or notes of a step, opened by its button or by a key. */
export const StepReading = ({ step }: { step: Step | undefined }) => {
  const { wheel } = useJob();
  const reads = step?.reads ?? step?.wants ?? null;
  if (!reads || (reads === 'spokes' && wheel.spokes === 0)) return null;
  return <Opened key={reads} reads={reads} />;
};
