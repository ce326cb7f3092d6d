/**
 * The job of a fastener, in the order in which they are tightened. Common practice: axle before
 * pinch bolts.
 */
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
  'adjuster',
  'rim lock',
  'other',
] as const;
export type FastenerRole = (typeof FASTENER_ROLES)[number];

/** The names shops use; the first match counts, so that an axle pinch bolt is no axle. */
const NAMES: readonly [RegExp, FastenerRole][] = [
  [/exhaust|muffler|silencer|header/, 'exhaust'],
  [/pinch|clamp/, 'pinch bolt'],
  [/bracket|stay|torque (arm|link)|anti.?rotation/, 'bracket'],
  [/calip/, 'caliper'],
  [/sprocket/, 'sprocket'],
  [/sensor/, 'sensor'],
  [/disc|rotor/, 'disc'],
  [/rim ?lock/, 'rim lock'],
  [/adjust|lock ?nut/, 'adjuster'],
  [/wheel (nut|bolt)|lug/, 'wheel nut'],
  [/axle|spindle|hub nut/, 'axle'],
];

/** The job of a fastener, by its name; `other` if no name tells. */
export const roleOf = (name: string): FastenerRole => {
  const said = name.toLowerCase();
  return NAMES.find(([pattern]) => pattern.test(said))?.[1] ?? 'other';
};

const MINOR: readonly FastenerRole[] = ['exhaust', 'adjuster', 'rim lock', 'sensor', 'other'];

/**
 * Whether wheel or brake hang on it. One that no name tells counts where the manual has a torque
 * for it: it is not known to be a small thing.
 */
export const isCritical = ({
  name,
  torqueNm,
}: {
  name: string;
  torqueNm: number | null;
}): boolean => {
  const role = roleOf(name);
  return !MINOR.includes(role) || (role === 'other' && torqueNm !== null);
};

/** In the order in which they are tightened; those that hold the same stay as they were. */
export const inTighteningOrder = <T extends { name: string }>(fasteners: readonly T[]): T[] =>
  [...fasteners].sort(
    (a, b) => FASTENER_ROLES.indexOf(roleOf(a.name)) - FASTENER_ROLES.indexOf(roleOf(b.name)),
  );
