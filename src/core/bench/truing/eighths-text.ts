const PARTS = [
  '',
  'an eighth',
  'a quarter',
  'three eighths',
  'half a turn',
  'five eighths',
  'three quarters',
  'seven eighths',
];

/**
 * A number of eighths of a turn in words, without its sign: "a quarter", "1 turn and an eighth".
 */
export const eighthsText = (eighths: number): string => {
  const whole = Math.floor(Math.abs(eighths) / 8);
  const part = PARTS[Math.abs(eighths) % 8]!;
  if (whole === 0) return part || 'not at all';
  return [
    `${whole} ${whole === 1 ? 'turn' : 'turns'}`,
    ...(part ? [part === 'half a turn' ? 'a half' : part] : []),
  ].join(' and ');
};
