import { InputError } from '../../base/errors';
import { angle, count, listOf, oneOf, quantity, record, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { firstHarmonic } from '../truing/first-harmonic';
import { counted, placeText } from '../../base/units';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';
import { BOLT_NAMES, type BoltName } from '../../fit/wheels';
import { BOLTS } from './bolts';

/** When the feeler went round. */
export const GAP_TIMES = ['bolts just started', 'before the torque', 'after the torque'] as const;
export type GapTime = (typeof GAP_TIMES)[number];

export interface GapReading {
  deg: number;
  gapMm: number;
}

interface Input {
  readings: GapReading[];
  when: GapTime;
  bolts?: number;
  bolt?: BoltName;
  rules?: RuleValues;
}

export interface RingGap {
  meanMm: number;
  /** Widest less narrowest reading. */
  spreadMm: number;
  /** The extra opening of the ring on its open side, against the place across from it. */
  tiltMm: number;
  /** The place where it stands open, from the valve. */
  openDeg: number;
  state: 'closed' | 'even' | 'tilted' | 'uneven' | 'far open';
  /**
   * The places to pull next, nearest bolt first, and how many turns; empty if nothing is to be
   * pulled, or the bolts are not known.
   */
  pulls: { bolt: number; deg: number; turns: number }[];
  reasons: Reason[];
}

const MIN_PLACES = 4;
/** The widest gap between two readings that hides nothing. Basis: memory. */
const WIDEST_DEG = 135;

const widestStretchDeg = (readings: readonly GapReading[]): number => {
  const round = readings.map((r) => r.deg % 360).sort((a, b) => a - b);
  return Math.max(
    ...round.map((deg, i) => (i === 0 ? deg + 360 - round.at(-1)! : deg - round[i - 1]!)),
  );
};

/**
 * Whether a ring comes down evenly, by feeler readings round it: closed, even or tilted, and where
 * to pull next.
 *
 * Four readings at least, 0 to 60 mm, no stretch of more than 135° without one; throws `InputError`
 * otherwise. A tilted flat ring stands open as the once-a-turn part of the readings; the turns
 * follow from the bolt's pitch. Source: ordinary least squares. Common practice: even all round
 * before the torque.
 */
export const ringGap = defineWorking<Input, RingGap>({
  name: 'ring-gap',
  title: 'Ring gap and tilt',
  input: () => ({
    readings: listOf(
      record(
        { deg: angle('Place on the ring'), gapMm: quantity('mm', 0, 60, 'Gap there') },
        'Feeler reading',
      ),
      48,
      'Readings around the ring',
    ),
    when: oneOf(GAP_TIMES, 'When it was measured'),
    bolts: count(4, 36, 'Bolts of the ring').optional(),
    bolt: oneOf(BOLT_NAMES, 'Size of the bolts').optional(),
    rules: ruleValues(),
  }),
  example: {
    readings: [0, 60, 120, 180, 240, 300].map((deg, i) => ({
      deg,
      gapMm: [1.9, 1.6, 1.1, 0.8, 1.2, 1.6][i]!,
    })),
    when: 'before the torque',
    bolts: 12,
    bolt: '5/16-18',
  },
  work({ readings, when, bolts, bolt, rules }, show) {
    if (readings.length < MIN_PLACES || widestStretchDeg(readings) > WIDEST_DEG)
      throw new InputError(
        'readings',
        `${counted(readings.length, 'reading')} placed like that leave part of the ring unread.`,
        `Measure at ${MIN_PLACES} places or more, no more than ${WIDEST_DEG}° apart`,
      );
    const fit = firstHarmonic(readings.map((r) => ({ angleDeg: r.deg, value: r.gapMm })));
    if (!fit) throw new InputError('readings', 'Too few places.', 'Measure all around the ring');
    const gaps = readings.map((r) => r.gapMm);
    const meanMm = show.line('mean gap', 'least squares', fit.mean, 'mm');
    const spreadMm = show.line(
      'spread',
      'widest − narrowest',
      Math.max(...gaps) - Math.min(...gaps),
      'mm',
    );
    const tiltMm = show.line('tilt', 'twice the once-a-turn part', 2 * fit.size, 'mm');
    const openDeg = show.line('open at', 'its direction', fit.size < 1e-9 ? 0 : fit.highDeg, 'deg');
    show.basis('published', 'ordinary least squares');
    show.basis('measured', 'feeler gauge around the ring');
    const evenMm = ruleNumber('ring.evenMm', rules, show);
    const closedMm = ruleNumber('ring.closedMm', rules, show);
    const tilted = tiltMm > evenMm + 1e-9;
    const farOpenMm = ruleNumber('ring.farOpenMm', rules, show);
    const dentMm = Math.max(...fit.rest.map(Math.abs));
    const state: RingGap['state'] =
      Math.max(...gaps) <= closedMm + 1e-9
        ? 'closed'
        : meanMm > farOpenMm
          ? 'far open'
          : tilted
            ? 'tilted'
            : dentMm > evenMm + 1e-9
              ? 'uneven'
              : 'even';

    const pitchMm = bolt && BOLTS[bolt].pitchMm;
    const pulls =
      state !== 'tilted' || bolts === undefined || pitchMm === undefined
        ? []
        : Array.from({ length: bolts }, (_, i) => {
            const deg = (360 * i) / bolts;
            const openMm = fit.size * (1 + Math.cos(((deg - fit.highDeg) * Math.PI) / 180));
            return { bolt: i + 1, deg, turns: openMm / pitchMm };
          })
            .filter((p) => p.turns * pitchMm > evenMm / 2)
            .sort((a, b) => b.turns - a.turns);
    if (pulls[0]) show.line('turns at the first', 'tilt there / pitch', pulls[0].turns);

    const mm = (value: number) => ({ value, unit: 'mm' as const, digits: 2 });
    const reasons: Reason[] = [];
    if (when === 'bolts just started' && state !== 'far open') {
      const startedMm = ruleNumber('ring.startedMm', rules, show);
      reasons.push(
        meanMm >= startedMm - 0.005
          ? reason('good', 'It stands {0} off: crush is likely.', [mm(meanMm)])
          : reason('check', 'It stands only {0} off; {1} shows crush. Measure bundles and gap.', [
              mm(meanMm),
              mm(startedMm),
            ]),
      );
    }
    const isLast = when === 'after the torque';
    const WHY: Record<RingGap['state'], () => Reason> = {
      closed: () => reason('good', 'Closed all around.'),
      'far open': () =>
        reason(
          isLast ? 'stop' : 'check',
          'It stands {0} off; above {1} no bolt holds it yet. Check that the bead is down on the step all around.',
          [mm(meanMm), mm(farOpenMm)],
        ),
      tilted: () =>
        reason(
          isLast ? 'stop' : 'check',
          `Tilted: {0} wider at ${placeText(openDeg)} than opposite; {1} is even enough. ${isLast ? 'Loosen all bolts and bring it down again.' : 'Pull there next.'}`,
          [mm(tiltMm), mm(evenMm)],
        ),
      uneven: () =>
        reason(isLast ? 'stop' : 'check', 'Uneven by {0}, but not tilted.', [mm(spreadMm)]),
      even: () =>
        isLast
          ? reason('check', 'Even, {0} open after torque. The maker says whether it must close.', [
              mm(meanMm),
            ])
          : reason('good', 'Even all around, {0} open.', [mm(meanMm)]),
    };
    reasons.push(WHY[state]());
    if (dentMm > evenMm + 1e-9)
      reasons.push(
        reason(
          'check',
          `One place stands out by {0}, at ${placeText(readings[fit.rest.findIndex((r) => Math.abs(r) === dentMm)]!.deg)}: a bent ring, dirt, or a bead off the step.`,
          [mm(dentMm)],
        ),
      );
    show.verdict(worstOf(reasons));
    show.caution(
      'Deflate before touching a ring bolt. Only a torque wrench finishes; the maker’s spec comes first.',
    );
    return { meanMm, spreadMm, tiltMm, openDeg, state, pulls, reasons };
  },
});
