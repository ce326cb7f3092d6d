/** The things a fitter can do by hand, whatever is advised. */
export const BY_HAND = ['settle', 'level', 'weights', 'swing', 'machine'] as const;
export type ByHand = (typeof BY_HAND)[number];

/**
 * The thing done next: one of these, the advised pieces put on, the end, a look at what contradicts
 * itself, or waiting for the advice.
 */
export type Doing = ByHand | 'put' | 'done' | 'look' | 'wait';

export const BY_HAND_WORDS: Record<ByHand, string> = {
  settle: 'Settle reading',
  level: 'Level test',
  weights: 'Enter my weights',
  swing: 'Timed swing',
  machine: 'Balancing machine',
};
