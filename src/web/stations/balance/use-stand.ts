import { useMemo, useRef } from 'react';
import { angleBetween } from '../../../core/base/units';
import { useDevice, type LiveDevice } from '../../shared/use-device';
import { useApp } from '../../store';

/** The balance stand, and the dial that turns with it. */
export interface Stand {
  live: LiveDevice;
  /** The dial's turn, in degrees and without end; null while the stand says nothing. */
  turnDeg: number | null;
}

/** Listens to the shop's balance stand. */
export const useStand = (): Stand => {
  const standIns = useApp((s) => s.prefs.standIns);
  const live = useDevice('balance-stand', true, standIns);
  // The wheel on screen turns with the one on the stand, the short way from line to line.
  const turned = useRef(0);
  const bottom = live.line?.value;
  const turnDeg = useMemo(
    () =>
      bottom === undefined ? null : (turned.current += angleBetween(turned.current, 180 - bottom)),
    [bottom],
  );
  return { live, turnDeg };
};
