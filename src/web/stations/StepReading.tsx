import { useRef } from 'react';
import type { Step } from '../../core/procedure';
import { useKeys } from '../parts/keys';
import { useJob } from '../screens/job-context';
import { FindingsSheet } from './FindingsSheet';
import { RunoutSheet } from './RunoutSheet';
import { SlackSheet } from './SlackSheet';
import { SpokeSheet } from './SpokeSheet';

const SHEETS = { findings: FindingsSheet, runout: RunoutSheet, spokes: SpokeSheet, 'bead-slack': SlackSheet } as const;

/** What can be read or noted at a step, opened by its button or by a key. */
export const StepReading = ({ step }: { step: Step | undefined }) => {
  const { wheel } = useJob();
  const box = useRef<HTMLSpanElement>(null);
  const reads = step?.reads === 'spokes' && wheel.spokes === 0 ? null : (step?.reads ?? null);
  const Sheet = reads && SHEETS[reads];
  useKeys(
    Sheet ? [{ key: 'r', says: 'Take the reading', run: () => box.current?.querySelector('button')?.click() }] : [],
  );
  return (
    Sheet && (
      <span ref={box}>
        <Sheet key={reads} />
      </span>
    )
  );
};
