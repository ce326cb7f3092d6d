/**
 * A place on the rim: in the well (`z` 0) or on the flange, at a radius and an angle in radians.
 */
interface Place {
  r: number;
  at: number;
  z: number;
}

const apart = (a: Place, b: Place): number =>
  Math.hypot(
    a.r * Math.cos(a.at) - b.r * Math.cos(b.at),
    a.r * Math.sin(a.at) - b.r * Math.sin(b.at),
    a.z - b.z,
  );

/**
 * Whether the straight way between two places, seen along the axle, runs through the rim's well.
 */
const runsThrough = (a: Place, b: Place, wellR: number): boolean => {
  const [ax, ay] = [a.r * Math.cos(a.at), a.r * Math.sin(a.at)];
  const [bx, by] = [b.r * Math.cos(b.at), b.r * Math.sin(b.at)];
  for (let i = 1; i < 4000; i++) {
    const t = i / 4000;
    if (Math.hypot(ax + t * (bx - ax), ay + t * (by - ay)) < wellR * (1 - 1e-8)) return true;
  }
  return false;
};

/**
 * The least length of a loop that lies in the well but for an arc that is not over the flange yet,
 * found by trying: at each end the place in the well from which a straight way up does not run
 * through the rim, the nearest such one; the bite and the well in many small straight pieces. Knows
 * none of the formulas that it checks; lengths in mm, angles in radians.
 */
export const shortestLoopMm = (
  rim: { wellMm: number; flangeMm: number; axialMm: number },
  leftRad: number,
  biteRad: number,
): number => {
  const [wellR, flangeR] = [rim.wellMm / 2, rim.flangeMm / 2];
  const onFlange = (at: number): Place => ({ r: flangeR, at, z: rim.axialMm });
  const inWell = (at: number): Place => ({ r: wellR, at, z: 0 });
  // How far back along the well the loop may leave it: further than that the straight way up is
  // blocked by the rim.
  let [free, blocked] = [0, Math.PI / 2];
  for (let i = 0; i < 45; i++) {
    const middle = (free + blocked) / 2;
    if (runsThrough(onFlange(0), inWell(middle), wellR)) blocked = middle;
    else free = middle;
  }
  const polyline = (place: (at: number) => Place, from: number, to: number): number => {
    const pieces = 20_000;
    let sum = 0;
    for (let i = 0; i < pieces; i++)
      sum += apart(
        place(from + ((to - from) * i) / pieces),
        place(from + ((to - from) * (i + 1)) / pieces),
      );
    return sum;
  };
  const taken = Math.min(biteRad, leftRad);
  const up = 2 * apart(onFlange(0), inWell(free));
  const round = polyline(inWell, leftRad + free, 2 * Math.PI - free);
  return round + up + polyline(onFlange, 0, taken) + apart(onFlange(taken), onFlange(leftRad));
};
