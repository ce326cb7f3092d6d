import { useEffect, useState } from 'react';
import { wantsNoMotion } from './motion';

/** Length of one act in a picture. */
const ACT_MS = 450;

/**
 * A share that runs from `from` to `to` whenever `act` changes, easing out; `to` at once for a viewer
 * who wants no motion.
 */
export const useMoved = (act: string | number, from: number, to: number): number => {
  const [share, setShare] = useState(to);
  useEffect(() => {
    if (from === to || wantsNoMotion()) {
      setShare(to);
      return;
    }
    let frame = 0;
    let startMs: number | null = null;
    const draw = (nowMs: number) => {
      startMs ??= nowMs;
      const left = 1 - Math.min(1, (nowMs - startMs) / ACT_MS);
      setShare(to + (from - to) * left ** 3);
      if (left > 0) frame = requestAnimationFrame(draw);
    };
    frame = requestAnimationFrame(draw);
    return () => cancelAnimationFrame(frame);
  }, [act, from, to]);
  return share;
};
