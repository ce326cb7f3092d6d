import { seeded } from '../../base/statistics';
import type { Failure } from './device';
import { DEVICE_KINDS, type DeviceLine } from './line';

/** A drifting stand-in is off by its steadiness once in so many seconds. */
const DRIFT_S = 4;
/** A noisy one jumps by so many times its steadiness. */
const NOISE_TIMES = 25;

/**
 * An instrument that fails: what becomes of the lines it would have said. A null line is one that
 * never comes.
 */
export const failing = (mode: Failure, seed = 1) => {
  const chance = seeded(seed);
  let first: DeviceLine | null = null;
  return (line: DeviceLine): string | null => {
    first ??= line;
    const { steadyWithin, min, max } = DEVICE_KINDS[line.kind];
    const said = (off: number) =>
      JSON.stringify({ ...line, value: Math.min(max, Math.max(min, line.value + off)) });
    switch (mode) {
      case 'drop out':
        return null;
      case 'freeze':
        return JSON.stringify(first);
      case 'nonsense':
        return JSON.stringify(line).slice(0, 12 + Math.floor(chance() * 20));
      case 'drift':
        return said((steadyWithin * (Date.parse(line.at) - Date.parse(first.at))) / 1000 / DRIFT_S);
      case 'noise':
        return said((chance() * 2 - 1) * NOISE_TIMES * steadyWithin);
    }
  };
};
