import { mirrored, placeText } from '../../base/units';

/** Light mark goes to, by method. */
export const LIGHT_MARK_TO = ['valve', 'heavy spot'] as const;
export type LightMarkTo = (typeof LIGHT_MARK_TO)[number];

/** The place of a tire's light mark by the method, and the reason. */
interface LightMarkPlace {
  /** Clockwise from the valve, seen from the side that the heavy spot was kept from. */
  deg: number;
  to: LightMarkTo;
  /** The school wants the heavy spot, and no one found it. */
  isHeavySpotMissing: boolean;
}

/**
 * The one place where it is decided: step, dial and orientation all ask here. `heavySpotDeg` null
 * where not found.
 */
export const lightMarkPlace = (
  method: LightMarkTo,
  heavySpotDeg: number | null,
): LightMarkPlace => {
  const wantsHeavy = method === 'heavy spot';
  return wantsHeavy && heavySpotDeg !== null
    ? { deg: heavySpotDeg, to: 'heavy spot', isHeavySpotMissing: false }
    : { deg: 0, to: 'valve', isHeavySpotMissing: wantsHeavy };
};

/** The place in one sentence, for the side that is up. */
export const lightMarkSays = (
  { deg, to, isHeavySpotMissing }: LightMarkPlace,
  isKeptSideUp = true,
): string => {
  if (isHeavySpotMissing) return 'Bare heavy spot unknown: light mark to the valve.';
  if (to === 'valve') return 'The light mark to the valve.';
  return `The light mark to the heavy spot, ${placeText(isKeptSideUp ? deg : mirrored(deg))}.`;
};
