import type { BalanceAdvice } from '../../../core/balance';

/** What a fitter can do next: what is advised, or something else by hand. */
export const DOINGS = ['settle', 'level', 'weights', 'swing', 'machine'] as const;
export type Doing = (typeof DOINGS)[number];

export const DOING_WORDS: Record<Doing, string> = {
  settle: 'It came to rest',
  level: 'Held level, let go',
  weights: 'Weights of my own',
  swing: 'Time of a swing',
  machine: 'A machine\u2019s reading',
};

/** What is said above the fields when something is done by hand. */
export const BY_HAND: Record<Doing, { now: string; why: string }> = {
  settle: {
    now: 'Where did it come to rest?',
    why: 'The heavy spot comes to the bottom, within what the bearings hide.',
  },
  level: { now: 'Which place was held level?', why: 'Let go at 3 or 9 o\u2019clock: there its lever is the longest.' },
  weights: {
    now: 'What is on the wheel?',
    why: 'All of it, not only what is new. Tap the dial for the place, then a piece.',
  },
  swing: {
    now: 'How long is one swing?',
    why: 'A small one, there and back; once bare and once with a known mass on.',
  },
  machine: { now: 'What does the machine say?', why: 'Where it is heavy. Zeroed with the bare hub, spun twice.' },
};

/** How an advice is done. */
export const doingOf = (advice: BalanceAdvice): Doing | 'put' | 'done' =>
  advice.do === 'settle'
    ? 'settle'
    : advice.do === 'spin'
      ? 'machine'
      : advice.do === 'level'
        ? 'level'
        : advice.do === 'done'
          ? 'done'
          : 'put';
