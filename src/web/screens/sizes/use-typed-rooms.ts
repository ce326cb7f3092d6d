import { useMemo, useState } from 'react';
import { CLEARANCE_PLACES, type ClearancePlace, type Clearances } from '../../../core/fit/tires';
import { useUnits } from '../../shared/quantity';

const MAX_MM = 1000;

/** The room at each place: as measured, unless the fitter types another. */
export interface TypedRooms {
  /** In SI; a place without a number is left out. */
  clearancesMm: Clearances;
  /** As the fields have it. */
  textOf(place: ClearancePlace): string;
  problemOf(place: ClearancePlace): string | null;
  type(place: ClearancePlace, text: string): void;
  /** Back to what was measured. */
  clear(): void;
}

/** The values typed over the measured rooms. */
export const useTypedRooms = (measured: Clearances): TypedRooms => {
  const { read, say, write } = useUnits();
  const [typed, setTyped] = useState<Partial<Record<ClearancePlace, string>>>({});
  const clearancesMm = useMemo(() => {
    const all: Clearances = {};
    for (const place of CLEARANCE_PLACES) {
      const text = typed[place];
      const mm = text === undefined ? measured[place] : read(text, 'mm');
      if (mm != null && mm >= 0 && mm <= MAX_MM) all[place] = mm;
    }
    return all;
  }, [typed, measured, read]);
  return {
    clearancesMm,
    textOf: (place) =>
      typed[place] ?? (measured[place] === undefined ? '' : write(measured[place], 'mm', 2)),
    problemOf: (place) =>
      typed[place]?.trim() && clearancesMm[place] === undefined
        ? `Enter a length up to ${say(MAX_MM, 'mm')}.`
        : null,
    type: (place, text) => setTyped((all) => ({ ...all, [place]: text })),
    clear: () => setTyped({}),
  };
};
