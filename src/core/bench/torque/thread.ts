/** The lubricants that may be on a bolt's threads. */
export const LUBRICANTS = ['anti-seize', 'oiled', 'dry, plated'] as const;
export type Lubricant = (typeof LUBRICANTS)[number];

/**
 * Torque factor K by what is on the threads. Source: Shigley, torque factors for use with T = K F
 * d.
 */
export const TORQUE_FACTOR: Readonly<Record<Lubricant, number>> = {
  'anti-seize': 0.12,
  oiled: 0.18,
  'dry, plated': 0.2,
};

/**
 * The clamp force of a torque meant for dry threads with this on them, as a multiple: F = T / (K
 * d).
 */
export const clampsTimes = (on: Lubricant): number =>
  TORQUE_FACTOR['dry, plated'] / TORQUE_FACTOR[on];
