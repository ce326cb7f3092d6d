/**
 * Student's t by degrees of freedom, 1 to 30, for two-sided intervals of 90 and 95%.
 * Source: NIST/SEMATECH e-Handbook of Statistical Methods, section 1.3.6.7.2.
 */
const STUDENT_T = {
  90: [
    6.314, 2.92, 2.353, 2.132, 2.015, 1.943, 1.895, 1.86, 1.833, 1.812, 1.796, 1.782, 1.771, 1.761,
    1.753, 1.746, 1.74, 1.734, 1.729, 1.725, 1.721, 1.717, 1.714, 1.711, 1.708, 1.706, 1.703, 1.701,
    1.699, 1.697,
  ],
  95: [
    12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16,
    2.145, 2.131, 2.12, 2.11, 2.101, 2.093, 2.086, 2.08, 2.074, 2.069, 2.064, 2.06, 2.056, 2.052,
    2.048, 2.045, 2.042,
  ],
} as const;
/** With more degrees of freedom than the table has. */
const NORMAL = { 90: 1.645, 95: 1.96 } as const;

interface LineFit {
  slope: number;
  /** The line at x = 0. */
  intercept: number;
  /** Half of the interval of the slope; null with two points. */
  half: number | null;
}

/**
 * The straight line through points with at least two different x.
 *
 * `percent` of the interval of its slope; `leastSigma` what a single y is uncertain by at least, as by the step of a
 * gauge.
 * Source: ordinary least squares; interval of the slope by Student's t, NIST/SEMATECH e-Handbook of
 * Statistical Methods.
 */
export const fitLine = (
  points: readonly { x: number; y: number }[],
  percent: 90 | 95,
  leastSigma = 0,
): LineFit => {
  const n = points.length;
  const meanX = points.reduce((t, p) => t + p.x, 0) / n;
  const meanY = points.reduce((t, p) => t + p.y, 0) / n;
  const sxx = points.reduce((t, p) => t + (p.x - meanX) ** 2, 0);
  const slope = points.reduce((t, p) => t + (p.x - meanX) * (p.y - meanY), 0) / sxx;
  const line = { slope, intercept: meanY - slope * meanX };
  if (n < 3) return { ...line, half: null };
  const rest = points.reduce((t, p) => t + (p.y - line.intercept - slope * p.x) ** 2, 0);
  const sigma = Math.max(leastSigma, Math.sqrt(rest / (n - 2)));
  return {
    ...line,
    half: ((STUDENT_T[percent][n - 3] ?? NORMAL[percent]) * sigma) / Math.sqrt(sxx),
  };
};
