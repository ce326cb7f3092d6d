/** A jump of the clock: what it said, and what it says now, ISO 8601. */
export interface ClockJump {
  from: string;
  to: string;
}

const LOOK_MS = 10_000;
/** Less than this is a clock that is set a little by the network. Basis: memory. */
const MIN_JUMP_MS = 120_000;

const iso = (ms: number): string => new Date(ms).toISOString();

/**
 * Compares the clock with a steady one, and tells of each jump: a clock that was set, or a computer
 * that slept. `last` is the time of the newest entry, if any: a clock behind it was wrong then or
 * is now. Returns how to stop.
 */
export const watchClock = (
  last: string | null,
  tell: (jump: ClockJump) => void,
  { nowMs = Date.now, steadyMs = () => performance.now(), lookMs = LOOK_MS } = {},
): (() => void) => {
  if (last !== null && Date.parse(last) - nowMs() > MIN_JUMP_MS)
    tell({ from: last, to: iso(nowMs()) });
  let was = { clock: nowMs(), steady: steadyMs() };
  const look = (): void => {
    const is = { clock: nowMs(), steady: steadyMs() };
    const expected = was.clock + (is.steady - was.steady);
    if (Math.abs(is.clock - expected) > MIN_JUMP_MS)
      tell({ from: iso(expected), to: iso(is.clock) });
    was = is;
  };
  const looking = setInterval(look, lookMs).unref();
  return () => clearInterval(looking);
};
