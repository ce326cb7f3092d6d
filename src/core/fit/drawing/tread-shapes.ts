import type { Tread } from '../tires';
import type { WheelRadii } from './drawn-wheel';
import { band, circle, path, ray, spot, type DrawnShape } from './shapes';

/** Blocks around the outline: count, share of the pitch that is rubber, slant in degrees. */
interface Blocks {
  is: 'blocks';
  count: number;
  share: number;
  slantDeg: number;
}
/** Grooves across the shoulder of a smooth outline: count, and how far they slant. */
interface Grooves {
  is: 'grooves';
  count: number;
  slantDeg: number;
}
type TreadLook = Blocks | Grooves | { is: 'smooth' };

/** How a tread looks from the side. Counts by common practice: they tell kinds apart, not makers. */
const LOOKS: Record<Tread, TreadLook> = {
  soft: { is: 'blocks', count: 34, share: 0.5, slantDeg: 0 },
  hard: { is: 'blocks', count: 44, share: 0.62, slantDeg: 0 },
  trials: { is: 'blocks', count: 58, share: 0.72, slantDeg: 0 },
  half: { is: 'blocks', count: 38, share: 0.84, slantDeg: 1.6 },
  touring: { is: 'grooves', count: 40, slantDeg: 7 },
  road: { is: 'grooves', count: 52, slantDeg: 4 },
  sport: { is: 'grooves', count: 24, slantDeg: 10 },
  slick: { is: 'smooth' },
  'four-wheel': { is: 'blocks', count: 26, share: 0.6, slantDeg: 4 },
  other: { is: 'smooth' },
};

/** The outline of a tire with blocks, as one path. */
const outline = ({ count, share, slantDeg }: Blocks, { tread, shoulder }: WheelRadii): string => {
  const pitch = 360 / count;
  const corners = Array.from({ length: count }, (_, i) => {
    // The first block stands over the valve.
    const from = (i - share / 2) * pitch;
    const to = from + share * pitch;
    const edge = pitch * 0.05;
    return [
      spot(from - edge - slantDeg, shoulder),
      spot(from, tread),
      spot(to, tread),
      spot(to + edge - slantDeg, shoulder),
    ].join('L');
  });
  return `M${corners.join('L')}Z`;
};

/** Side blocks reach down the shoulder: dark gaps between them. */
const sideGaps = ({ count, share, slantDeg }: Blocks, radii: WheelRadii): DrawnShape[] => {
  const pitch = 360 / count;
  const depth = (radii.tread - radii.shoulder) * 0.9;
  return Array.from({ length: count }, (_, i) => {
    const middle = (i + 0.5) * pitch - slantDeg;
    const half = ((1 - share) / 2) * pitch * 0.55;
    return path(
      'groove',
      band(middle - half, middle + half, radii.shoulder, radii.shoulder - depth),
    );
  });
};

/** The tread and the rubber under it, by the kind of the tread. */
export const treadShapes = (kind: Tread, radii: WheelRadii): DrawnShape[] => {
  const look = LOOKS[kind];
  if (look.is === 'blocks') return [path('rubber', outline(look, radii)), ...sideGaps(look, radii)];
  const body = circle('rubber', radii.tread);
  if (look.is === 'smooth') return [body];
  const wide = (radii.tread - radii.rimOut) * 0.32;
  return [
    body,
    ...Array.from({ length: look.count }, (_, i) => {
      const deg = (i * 360) / look.count;
      return ray('groove', deg, radii.tread - 1, radii.tread - wide, deg - look.slantDeg, 2);
    }),
  ];
};
