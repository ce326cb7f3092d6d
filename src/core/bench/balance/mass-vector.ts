import { normalDeg } from '../../base/units';

/** A mass at the weight radius and its place on the wheel. */
export interface MassVector {
  massG: number;
  deg: number;
}

/** East and north parts of a mass, north at the valve. */
export const toVector = ({ massG, deg }: MassVector): readonly [number, number] => {
  const rad = (deg * Math.PI) / 180;
  return [massG * Math.sin(rad), massG * Math.cos(rad)];
};

/** The mass and place of a pair of parts. */
export const fromVector = ([x, y]: readonly [number, number]): MassVector => ({
  massG: Math.hypot(x, y),
  deg: normalDeg((Math.atan2(x, y) * 180) / Math.PI),
});

/** East and north parts of many masses together. */
export const sumParts = (masses: readonly MassVector[]): readonly [number, number] =>
  masses.reduce<readonly [number, number]>(
    ([x, y], m) => {
      const [dx, dy] = toVector(m);
      return [x + dx, y + dy];
    },
    [0, 0],
  );

/** The one mass that many together amount to. */
export const sumVectors = (masses: readonly MassVector[]): MassVector =>
  fromVector(sumParts(masses));
