import { quantity } from '../../base/fields';
import { defineWorking, reason, type Reason } from '../../base/working';

/**
 * The permitted error of a click wrench, above and up to 10 N·m. Recalled from ISO 6789-1 for
 * setting wrenches.
 */
const SMALL_NM = 10;
const OFF_PCT = { above: 4, small: 6 };

/**
 * Whether the torque that a wrench reached is the one that was wanted.
 *
 * Both 0.1 to 1000 N·m. The permitted deviation is that of a click wrench itself, recalled from ISO
 * 6789-1.
 */
export const torqueCheck = defineWorking<
  { wantedNm: number; reachedNm: number },
  { offPct: number; within: boolean; reason: Reason }
>({
  name: 'torque-check',
  title: 'Torque check',
  input: () => ({
    wantedNm: quantity('Nm', 0.1, 1000, 'Torque in the manual'),
    reachedNm: quantity('Nm', 0, 1200, 'Torque at the click'),
  }),
  example: { wantedNm: 98, reachedNm: 99.2 },
  work({ wantedNm, reachedNm }, show) {
    const offPct = show.line(
      'off',
      '(reached − wanted) / wanted',
      ((reachedNm - wantedNm) / wantedNm) * 100,
      'pct',
    );
    const mayPct = show.line(
      'may be off',
      `${wantedNm > SMALL_NM ? 'above' : 'up to'} ${SMALL_NM} N·m`,
      wantedNm > SMALL_NM ? OFF_PCT.above : OFF_PCT.small,
      'pct',
    );
    show.basis('memory', 'permitted deviation of a click wrench, recalled from ISO 6789-1');
    show.basis('manual', 'the torque wanted');
    const within = Math.abs(offPct) <= mayPct;
    const at = [
      { value: reachedNm, unit: 'Nm' as const },
      { value: wantedNm, unit: 'Nm' as const },
    ];
    const why = within
      ? reason('good', 'Clicked at {0}.', at)
      : reason(
          'check',
          `Clicked at {0}; manual says {1}. ${offPct < 0 ? 'Set the wrench again and pull on.' : 'Loosen it and tighten again.'}`,
          at,
        );
    show.verdict(why.verdict);
    return { offPct, within, reason: why };
  },
});
