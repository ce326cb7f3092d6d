import { quantity, record } from '../../base/fields';
import { defineWorking, reason, type Reason } from '../../base/working';
import { GAUGE_ERRORS, trueOf, type GaugeError } from './gauge-error';

/** By how much two gauges differ, and whether their finest steps explain it. */
export interface TwoGauges {
  differenceKpa: number;
  agree: boolean;
  reason: Reason;
}

interface OneGauge {
  readsKpa: number;
  stepKpa: number;
  checks: readonly GaugeError[];
}
const oneGauge = (label: string) =>
  record(
    {
      readsKpa: quantity('kPa', 0, 1000, 'What it shows'),
      stepKpa: quantity('kPa', 0.01, 20, 'Its finest step'),
      checks: GAUGE_ERRORS,
    },
    label,
  );

/** Steps that add up to more hide an error worth knowing of: about two psi. Basis: memory. */
const COARSE_KPA = 14;

/**
 * Whether two gauges on the same tire say the same, each with its own error taken out.
 *
 * Readings 0 to 1000 kPa, steps 0.01 to 20. Two gauges that show their own steps rightly differ by
 * no more than both steps.
 */
export const twoGauges = defineWorking<{ first: OneGauge; second: OneGauge }, TwoGauges>({
  name: 'two-gauges',
  title: 'Compare two gauges',
  input: () => ({ first: oneGauge('First gauge'), second: oneGauge('Second gauge') }),
  example: {
    first: { readsKpa: 90, stepKpa: 0.7, checks: [] },
    second: { readsKpa: 96, stepKpa: 3.4, checks: [] },
  },
  work({ first, second }, show) {
    const [a, b] = [first, second].map((g, i) =>
      show.line(
        i === 0 ? 'one, true' : 'the other, true',
        g.checks.length > 0 ? 'by its checks' : 'uncorrected',
        trueOf(g.checks, g.readsKpa),
        'kPa',
      ),
    ) as [number, number];
    const differenceKpa = show.line('difference', 'one − the other', a - b, 'kPa');
    const allowedKpa = show.line(
      'their steps',
      'finest step + finest step',
      first.stepKpa + second.stepKpa,
      'kPa',
    );
    show.basis('measured', 'both gauges on this tire');
    const agree = Math.abs(differenceKpa) <= allowedKpa;
    const unchecked = first.checks.length === 0 || second.checks.length === 0;
    const by = [{ value: Math.abs(differenceKpa), unit: 'kPa' as const }];
    const isCoarse = allowedKpa > COARSE_KPA;
    const nobodyChecked = first.checks.length === 0 && second.checks.length === 0;
    const why = agree
      ? isCoarse
        ? reason(
            'check',
            'They agree, but their steps add up to {0}, too coarse to tell. Use a finer gauge.',
            [{ value: allowedKpa, unit: 'kPa' as const }],
          )
        : nobodyChecked
          ? reason(
              'check',
              'Both gauges read the same, but neither was checked. Check one against a known pressure.',
            )
          : reason('good', 'Both gauges agree.')
      : reason(
          'check',
          `The gauges differ by {0}: ${unchecked ? 'check them against a known pressure.' : 'one has drifted since its calibration.'}`,
          by,
        );
    show.verdict(why.verdict);
    return { differenceKpa, agree, reason: why };
  },
});
