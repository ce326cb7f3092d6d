import { useEffect, useRef, useState } from 'react';
import { angleBetween, normalDeg } from '../../../core/base/units';
import { wantsNoMotion } from '../../parts/motion';

const EASE_MS = 180;

/**
 * An angle that follows another one the short way round, picture by picture; at once for who wants
 * no motion.
 */
export const useEasedDeg = (deg: number): number => {
  const [shown, setShown] = useState(deg);
  const now = useRef(deg);
  useEffect(() => {
    const set = (to: number) => {
      now.current = normalDeg(to);
      setShown(now.current);
    };
    if (wantsNoMotion()) return set(deg);
    const from = now.current;
    const way = angleBetween(from, deg);
    if (way === 0) return;
    const began = performance.now();
    let frame = requestAnimationFrame(function next(at) {
      const share = Math.min(1, Math.max(0, at - began) / EASE_MS);
      set(from + way * (1 - (1 - share) ** 2));
      if (share < 1) frame = requestAnimationFrame(next);
    });
    return () => cancelAnimationFrame(frame);
  }, [deg]);
  return shown;
};
