import { useCallback, useEffect, useRef, useState } from 'react';
import type { MassVector } from '../../../core/bench/balance';
import {
  bearingsFor,
  bottomDeg,
  isAtRest,
  standStep,
  turnTo,
  untilRest,
  type StandMotion,
} from '../../../core/bench/devices';
import { standWheel } from '../../../core/practice';
import { wantsNoMotion } from '../../parts/motion';

const PUSH_DEG_S = 40;
/** A picture that comes late moves the wheel on by no more than this. */
const LONGEST_FRAME_S = 0.1;

interface Options {
  heavy: MassVector;
  weights: readonly MassVector[];
  bandG: number;
  /** So many times faster than the real thing. */
  pace: number;
}

/**
 * A wheel on a stand that turns on the screen by its own physics: the dial follows at every
 * picture, the screen only at its rests.
 */
export const useTurningWheel = ({ heavy, weights, bandG, pace }: Options) => {
  const dial = useRef<SVGSVGElement>(null);
  const motion = useRef<StandMotion>({ turnDeg: 25, rateDegS: 0, held: true });
  const [moving, setMoving] = useState(false);
  const [bottom, setBottom] = useState<number | null>(null);

  const draw = useCallback(
    () => dial.current?.style.setProperty('--turn', `${motion.current.turnDeg}deg`),
    [],
  );
  useEffect(() => {
    draw();
  }, [draw]);

  // Weights are changed by hand: the wheel is held while they are.
  useEffect(() => {
    motion.current = { ...motion.current, rateDegS: 0, held: true };
    setMoving(false);
    setBottom(null);
  }, [heavy, weights, bandG]);

  useEffect(() => {
    if (!moving) return;
    const wheel = standWheel(heavy, weights);
    const bearings = bearingsFor(wheel, bandG);
    const stop = () => {
      draw();
      setMoving(false);
      setBottom(bottomDeg(motion.current));
    };
    if (wantsNoMotion()) {
      motion.current = untilRest(wheel, bearings, motion.current);
      return stop();
    }
    let before = performance.now();
    let frame = requestAnimationFrame(function next(now) {
      motion.current = standStep(
        wheel,
        bearings,
        motion.current,
        Math.min(LONGEST_FRAME_S, (now - before) / 1000) * pace,
      );
      before = now;
      if (isAtRest(wheel, bearings, motion.current)) return stop();
      draw();
      frame = requestAnimationFrame(next);
    });
    return () => cancelAnimationFrame(frame);
  }, [moving, heavy, weights, bandG, pace, draw]);

  const begin = useCallback((next: Partial<StandMotion>) => {
    motion.current = { ...motion.current, rateDegS: 0, held: false, ...next };
    setBottom(null);
    setMoving(true);
  }, []);
  return {
    dial,
    moving,
    /** The place at the bottom, once it came to rest; null before. */
    bottom,
    /** Brings the place at the bottom to a side and lets it go. */
    letGo: useCallback(
      (from: 'left' | 'right') =>
        begin({ turnDeg: turnTo(bottomDeg(motion.current), from === 'left' ? 9 : 3) }),
      [begin],
    ),
    push: useCallback(
      (way: 'left' | 'right') => begin({ rateDegS: way === 'left' ? PUSH_DEG_S : -PUSH_DEG_S }),
      [begin],
    ),
    /** A place is brought to 3 o'clock and let go. */
    level: useCallback((deg: number) => begin({ turnDeg: turnTo(deg, 3) }), [begin]),
  };
};
