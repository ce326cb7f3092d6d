import { InputError, inputError } from '../../base/errors';
import { listOf, quantity, record } from '../../base/fields';
import { defineWorking } from '../../base/working';

/** The reading of a gauge under a known pressure. */
export interface GaugeError {
  appliedKpa: number;
  readsKpa: number;
}

export const GAUGE_ERRORS = listOf(
  record(
    {
      appliedKpa: quantity('kPa', 0, 1000, 'Pressure applied'),
      readsKpa: quantity('kPa', 0, 1000, 'Gauge reading'),
    },
    'A check of the gauge',
  ),
  60,
  'Calibration checks',
);

/** In rising order. Throws `InputError` where the gauge would show less under more pressure. */
const rising = (checks: readonly GaugeError[]): GaugeError[] => {
  const sorted = [...checks].sort((a, b) => a.appliedKpa - b.appliedKpa);
  sorted.forEach((c, i) => {
    const before = sorted[i - 1];
    if (before && (c.readsKpa <= before.readsKpa || c.appliedKpa === before.appliedKpa))
      throw inputError(
        'checks',
        'The gauge cannot read {0} under {1} and {2} under {3}.',
        'Enter one check per pressure, with readings that rise',
        [c.readsKpa, c.appliedKpa, before.readsKpa, before.appliedKpa].map((value) => ({
          value,
          unit: 'kPa',
          digits: 1,
        })),
      );
  });
  return sorted;
};

/** Straight lines between checks; past the first and the last the same error as there. */
const along = (points: readonly { x: number; y: number }[], x: number): number => {
  const after = points.findIndex((p) => p.x >= x);
  if (after === 0 || points.length === 1) return x + points[0]!.y - points[0]!.x;
  if (after < 0) return x + points.at(-1)!.y - points.at(-1)!.x;
  const [a, b] = [points[after - 1]!, points[after]!];
  return a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x);
};

/**
 * The pressure behind a reading, kPa, never below zero; the reading itself for a gauge never
 * checked.
 */
export const trueOf = (checks: readonly GaugeError[], readsKpa: number): number =>
  checks.length === 0
    ? readsKpa
    : Math.max(
        0,
        along(
          rising(checks).map((c) => ({ x: c.readsKpa, y: c.appliedKpa })),
          readsKpa,
        ),
      );

/** The reading of the gauge under a pressure, kPa, never below zero. */
export const readsOf = (checks: readonly GaugeError[], trueKpa: number): number =>
  checks.length === 0
    ? trueKpa
    : Math.max(
        0,
        along(
          rising(checks).map((c) => ({ x: c.appliedKpa, y: c.readsKpa })),
          trueKpa,
        ),
      );

/**
 * The error of a gauge at a reading, from what it was found to show under known pressures.
 *
 * `readsKpa` 0 to 1000; at least one check. Throws `InputError` without one, or where the checks run backwards.
 * Source: linear interpolation; past the checks the error of the nearest.
 */
export const gaugeError = defineWorking<
  { readsKpa: number; checks: readonly GaugeError[] },
  { trueKpa: number; errorKpa: number; beyond: boolean }
>({
  name: 'gauge-error',
  title: 'Gauge correction',
  input: () => ({ readsKpa: quantity('kPa', 0, 1000, 'The gauge reading'), checks: GAUGE_ERRORS }),
  example: {
    readsKpa: 90,
    checks: [
      { appliedKpa: 70, readsKpa: 72 },
      { appliedKpa: 140, readsKpa: 143 },
      { appliedKpa: 280, readsKpa: 281 },
    ],
  },
  work({ readsKpa, checks }, show) {
    if (checks.length === 0)
      throw new InputError(
        'checks',
        'The gauge has no calibration.',
        'Enter at least one reading under a known pressure',
      );
    const trueKpa = show.line(
      'true',
      'between the nearest checks',
      trueOf(checks, readsKpa),
      'kPa',
    );
    const errorKpa = show.line('error', 'reading − true', readsKpa - trueKpa, 'kPa');
    const reads = checks.map((c) => c.readsKpa);
    const beyond = readsKpa < Math.min(...reads) || readsKpa > Math.max(...reads);
    show.basis('measured', 'the gauge’s own checks, straight lines between them');
    show.verdict(beyond ? 'check' : 'good');
    if (beyond) show.caution('The reading is outside the checks; the nearest error is used.');
    return { trueKpa, errorKpa, beyond };
  },
});
