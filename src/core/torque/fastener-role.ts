/** What a fastener holds, in the order in which they are tightened. Common practice: axle before pinch bolts. */
export const FASTENER_ROLES = [
  'sprocket',
  'disc',
  'wheel nut',
  'axle',
  'pinch bolt',
  'bracket',
  'caliper',
  'sensor',
  'exhaust',
  'other',
] as const;
export type FastenerRole = (typeof FASTENER_ROLES)[number];

/** How a shop names them; the first that matches counts, so that an axle pinch bolt is no axle. */
const NAMES: readonly [RegExp, FastenerRole][] = [
  [/exhaust|muffler|silencer|header/, 'exhaust'],
  [/pinch|clamp/, 'pinch bolt'],
  [/bracket|stay|torque (arm|link)|anti.?rotation/, 'bracket'],
  [/calip/, 'caliper'],
  [/sprocket/, 'sprocket'],
  [/sensor/, 'sensor'],
  [/disc|rotor/, 'disc'],
  [/adjust|lock ?nut/, 'other'],
  [/wheel (nut|bolt)|lug/, 'wheel nut'],
  [/axle|spindle|hub nut/, 'axle'],
];

/** What a fastener holds, by its name; `other` where no name tells. */
export const roleOf = (name: string): FastenerRole => {
  const said = name.toLowerCase();
  return NAMES.find(([pattern]) => pattern.test(said))?.[1] ?? 'other';
};

/** Roles whose torque the wheel or the brake hangs on. */
export const CRITICAL_ROLES: readonly FastenerRole[] = FASTENER_ROLES.filter(
  (role) => role !== 'exhaust' && role !== 'other' && role !== 'sensor',
);

/** In the order in which they are tightened; those that hold the same stay as they were. */
export const inTighteningOrder = <T extends { name: string }>(fasteners: readonly T[]): T[] =>
  [...fasteners].sort((a, b) => FASTENER_ROLES.indexOf(roleOf(a.name)) - FASTENER_ROLES.indexOf(roleOf(b.name)));
