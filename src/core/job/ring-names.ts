import { BEAD_SIDES } from '../bench/ring';

/** The rings of a clamped wheel, and the halves of a split rim. */
export const RING_NAMES = [...BEAD_SIDES, 'rim'] as const;
export type RingName = (typeof RING_NAMES)[number];

/** Rings in words. */
export const RING_WORDS: Record<RingName, string> = {
  inner: 'Inner ring',
  outer: 'Outer ring',
  rim: 'Rim bolts',
};
