import { skipToken } from '@reduxjs/toolkit/query/react';
import type { Machine, Wheel } from '../../core/fit/wheels';
import { useMachineQuery, useRecordQuery } from '../store/records-api';

const NO_WHEELS: readonly Wheel[] = [];

/** A wheel, its machine, and all wheels of that; nothing of it while it is on its way. */
interface WheelOfMachine {
  wheel: Wheel | undefined;
  machine: Machine | undefined;
  wheels: readonly Wheel[];
  /** There is no such wheel, or it cannot be had. */
  isMissing: boolean;
}

/** Reads a wheel with its machine. */
export const useWheel = (id: string): WheelOfMachine => {
  const { currentData, isError } = useRecordQuery({ kind: 'wheels', id });
  const record = currentData as Wheel | undefined;
  const { currentData: of } = useMachineQuery(record?.machineId ?? skipToken);
  const wheels = of?.wheels ?? NO_WHEELS;
  return {
    wheel: wheels.find((w) => w.id === id),
    machine: of?.machine,
    wheels,
    isMissing: isError,
  };
};
