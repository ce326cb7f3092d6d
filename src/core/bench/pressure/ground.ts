/** The kinds of ground to ride on. */
export const GROUNDS = ['mixed', 'soft', 'hard', 'rock'] as const;
export type Ground = (typeof GROUNDS)[number];
export const GROUND_WORDS: Record<Ground, string> = {
  mixed: 'mixed',
  soft: 'sand or mud',
  hard: 'hard, smooth',
  rock: 'rock and roots',
};

/** Use with the machine. */
export const USES = ['motocross', 'dirt', 'trail', 'storage', 'scooter-front', 'road'] as const;
export type Use = (typeof USES)[number];

/** Uses in the fitter's words. */
export const USE_WORDS: Record<Use, string> = {
  motocross: 'motocross',
  dirt: 'general dirt',
  trail: 'trail, soft or trials-type tire',
  storage: 'storage',
  'scooter-front': 'scooter front',
  road: 'road',
};
