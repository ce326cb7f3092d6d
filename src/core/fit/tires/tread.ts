/** The uses of treads. */
export const TREADS = [
  'soft',
  'hard',
  'trials',
  'half',
  'touring',
  'road',
  'sport',
  'slick',
  'four-wheel',
  'other',
] as const;
export type Tread = (typeof TREADS)[number];
export const TREAD_WORDS: Record<Tread, string> = {
  soft: 'knobby, soft ground',
  hard: 'knobby, hard ground',
  trials: 'trials type',
  half: '50/50 dual sport',
  touring: 'sport touring',
  road: 'road',
  sport: 'sport',
  slick: 'slick',
  'four-wheel': 'ATV/UTV, loose ground',
  other: 'not set',
};
