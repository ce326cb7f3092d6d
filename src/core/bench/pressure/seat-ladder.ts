import {
  angle,
  count,
  listOf,
  oneOf,
  quantity,
  record,
  ruleValues,
  boolean,
} from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { clockText, counted, mirrored, placeText } from '../../base/units';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';
import { SEATING_CAUTIONS } from './seat-limit';

interface Input {
  limitKpa: number;
  /** Of this try, in order; gauge pressures. */
  readingsKpa: readonly number[];
  /** Seated by the molded line, all round; null where it was not looked at. */
  discSeated: boolean | null;
  otherSeated: boolean | null;
  /** Pops heard in this try. */
  pops?: number;
  /** Places looked at on the molded line, in degrees from the valve as seen from the disc side. */
  line?: readonly LinePoint[];
  /** Tries that were ended without both beads on their seats. */
  triesBefore: number;
  tube: boolean;
  rules?: RuleValues;
}

/** One place of the molded line: the same distance from the flange as elsewhere, or low. */
export interface LinePoint {
  side: 'disc' | 'other';
  deg: number;
  even: boolean;
}
const LINE_POINT = record(
  {
    side: oneOf(['disc', 'other'], 'Which side'),
    deg: angle('Place on the wheel'),
    even: boolean('Even with the rim'),
  },
  'A place of the molded line',
);

export const SEAT_ADVICE = [
  'air in',
  'go on',
  'look',
  'start over',
  'stop',
  'give up',
  'seated',
] as const;
export type SeatAdvice = (typeof SEAT_ADVICE)[number];

export interface SeatLadder {
  advice: SeatAdvice;
  /** Air may go in up to here, never above the limit; null where none may. */
  upToKpa: number | null;
  tryNumber: number;
  triesAllowed: number;
  reasons: Reason[];
}

/** A gauge shows no finer than this. */
const GAUGE_KPA = 0.01;

const seatedWords = (yes: boolean | null): string =>
  yes === null ? 'not looked at' : yes ? 'seated' : 'not seated';
const maybeSeated = (label: string) => boolean(label).allow(null);

/**
 * Seating the beads, one try at a time: go on, start over, stop or give up.
 *
 * `limitKpa` 20 to 345 from `seat-limit`; readings are gauge pressures of this try. Air is never advised past the
 * limit.
 * Common practice: not seated at the limit means all air out, break, lubricate, again; after the
 * shop's number of tries, stop.
 */
export const seatLadder = defineWorking<Input, SeatLadder>({
  name: 'seat-ladder',
  title: 'Seating: next step',
  input: () => ({
    limitKpa: quantity('kPa', 20, 344.74, 'The seating limit'),
    readingsKpa: listOf(
      quantity('kPa', 0, 1000, 'A gauge reading'),
      500,
      'Gauge readings of this try',
    ),
    discSeated: maybeSeated('Seated on the disc side'),
    otherSeated: maybeSeated('Seated on the other side'),
    pops: count(0, 20, 'Pops heard').optional(),
    line: listOf(LINE_POINT, 200, 'Places of the molded line').optional(),
    triesBefore: count(0, 50, 'Tries before this one'),
    tube: boolean('With a tube'),
    rules: ruleValues(),
  }),
  example: {
    limitKpa: 262,
    readingsKpa: [120, 200],
    discSeated: true,
    otherSeated: null,
    triesBefore: 0,
    tube: true,
  },
  work(
    {
      limitKpa,
      readingsKpa,
      discSeated,
      otherSeated,
      pops = 0,
      line = [],
      triesBefore,
      tube,
      rules,
    },
    show,
  ) {
    const triesAllowed = ruleNumber('seat.tries', rules, show);
    const nearKpa = show.line(
      'near the limit',
      'share of it, by rule',
      (limitKpa * ruleNumber('seat.nearPct', rules, show)) / 100,
      'kPa',
    );
    const tryNumber = show.line(
      'try',
      `${triesBefore} before it, ${triesAllowed} allowed`,
      triesBefore + 1,
    );
    const highest = show.line(
      'highest of this try',
      'of its readings',
      Math.max(0, ...readingsKpa),
      'kPa',
    );
    const last = readingsKpa.at(-1) ?? null;
    show.line('limit', 'never above', limitKpa, 'kPa');
    show.line(
      'beads',
      'by the molded line',
      `disc side ${seatedWords(discSeated)}, other side ${seatedWords(otherSeated)}`,
    );
    if (pops > 0) show.line('pops heard', 'a bead each', pops);
    const low = line.filter(
      (p) => !p.even && (p.side === 'disc' ? discSeated : otherSeated) !== true,
    );
    if (low.length > 0)
      show.line(
        'low',
        'places of the molded line',
        low.map((p) => `${p.side} side ${clockText(p.deg)}`).join(', '),
      );
    // Clock readings are those of the side that is looked at.
    const bounce = low.map((p) =>
      reason(
        'check',
        `The molded line is low at ${placeText(p.side === 'disc' ? p.deg : mirrored(p.deg))} on the ${p.side} side: bounce the wheel there, or lubricate it there.`,
      ),
    );
    show.basis('practice', 'most seat on the second try, once lubricated again');
    for (const caution of SEATING_CAUTIONS) show.caution(caution);
    const at = [{ value: limitKpa, unit: 'kPa' as const }];
    const answer = (advice: SeatAdvice, why: Reason, more: Reason[] = []): SeatLadder => {
      const reasons = [why, ...more, ...(advice === 'seated' ? [] : bounce)];
      show.verdict(worstOf(reasons));
      const mayFill = advice === 'air in' || advice === 'go on';
      return { advice, upToKpa: mayFill ? limitKpa : null, tryNumber, triesAllowed, reasons };
    };

    if (highest > limitKpa + GAUGE_KPA)
      return answer(
        'stop',
        reason(
          'stop',
          'Above the limit of {0}: let all air out, then check tire and rim before anything else.',
          at,
        ),
      );
    if (discSeated === true && otherSeated === true)
      return answer('seated', reason('good', 'Both beads are seated.'));
    if (pops >= 2 && discSeated !== false && otherSeated !== false && low.length === 0)
      return answer(
        'look',
        reason('good', 'Two pops. No more air. Check the molded line on both sides.'),
      );
    if (tryNumber > triesAllowed || (tryNumber === triesAllowed && highest >= nearKpa))
      return answer(
        'give up',
        reason('stop', `${counted(triesAllowed, 'try', 'tries')}: all air out. Find out why.`),
        [
          reason('check', 'Read tire and rim again: the right size?'),
          reason('check', 'Look at bead and seat for damage and dirt.'),
          ...(tube ? [reason('check', 'Is the tube caught under the bead?')] : []),
        ],
      );
    // Once near the limit a try is over, whatever the gauge shows since.
    if (highest >= nearKpa)
      return answer(
        'start over',
        reason(
          'check',
          'Near the {0} limit, not seated. All air out, break the bead, lubricate, try again.',
          at,
        ),
      );
    if (last === null)
      return answer(
        'air in',
        reason(
          'good',
          tube
            ? 'A little air first. Check that nothing sticks out.'
            : 'With the core out it fills faster.',
        ),
      );
    if (discSeated === true || otherSeated === true)
      return answer(
        'go on',
        reason('good', 'One side is seated. Up to {0} and no further for the other.', at),
      );
    return answer('go on', reason('good', 'Up to {0} and no further.', at));
  },
});
