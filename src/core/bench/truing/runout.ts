import { InputError } from '../../base/errors';
import { angle, listOf, oneOf, quantity, record, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { counted, placeText } from '../../base/units';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';
import { firstHarmonic } from './first-harmonic';

/**
 * A reading of the dial indicator. Lateral: toward the disc side is positive; radial: outward is
 * positive.
 */
export interface RunoutReading {
  angleDeg: number;
  lateralMm?: number;
  radialMm?: number;
}

/** The amount of one kind of runout. */
interface RunoutPart {
  /** Highest less lowest reading. */
  totalMm: number;
  /** Half of what the once-a-turn part swings. */
  harmonicMm: number;
  highDeg: number;
  /** The largest thing that the once-a-turn part does not explain: a dent, or a kink. */
  restMm: number;
  restDeg: number;
}

export interface RunoutResult {
  lateral: RunoutPart | null;
  radial: RunoutPart | null;
  reasons: Reason[];
}

interface Input {
  readings: RunoutReading[];
  build: 'spoked' | 'cast' | 'split' | 'beadlock';
  rules?: RuleValues;
}

/** Fewer places than this do not tell a dent from a bend. Basis: memory. */
const MIN_PLACES = 6;
/** The widest gap between two readings that hides no high spot. Basis: memory. */
const WIDEST_GAP_DEG = 120;

/** The longest stretch of the wheel without a reading. */
const widestGapDeg = (degs: readonly number[]): number => {
  const round = degs.map((deg) => deg % 360).sort((a, b) => a - b);
  return Math.max(
    ...round.map((deg, i) => (i === 0 ? deg + 360 - round.at(-1)! : deg - round[i - 1]!)),
  );
};

/** Throws `InputError` for readings that leave out a long stretch of the wheel. */
export const checkStretch = (degs: readonly number[]): void => {
  const gapDeg = widestGapDeg(degs);
  if (gapDeg > WIDEST_GAP_DEG)
    throw new InputError(
      'readings',
      `A stretch of ${Math.round(gapDeg)}° of the wheel was not read.`,
      `Measure all around the wheel, no more than ${WIDEST_GAP_DEG}° apart`,
    );
};

/** The same, and for too few of them to tell a dent from a bend. */
export const checkRound = (degs: readonly number[]): void => {
  if (degs.length < MIN_PLACES)
    throw new InputError(
      'readings',
      `${counted(degs.length, 'place')}: too few.`,
      `Measure at ${MIN_PLACES} places or more around the wheel`,
    );
  checkStretch(degs);
};

const partOf = (
  readings: readonly RunoutReading[],
  key: 'lateralMm' | 'radialMm',
): RunoutPart | null => {
  const ring = readings
    .filter((r) => r[key] !== undefined)
    .map((r) => ({ angleDeg: r.angleDeg, value: r[key]! }));
  if (ring.length === 0) return null;
  checkRound(ring.map((r) => r.angleDeg));
  // Places that far round always determine it.
  const fit = firstHarmonic(ring)!;
  const values = ring.map((r) => r.value);
  const worst = fit.rest.reduce((w, r, i) => (Math.abs(r) > Math.abs(fit.rest[w]!) ? i : w), 0);
  return {
    totalMm: Math.max(...values) - Math.min(...values),
    harmonicMm: fit.size,
    highDeg: fit.highDeg,
    restMm: fit.rest[worst]!,
    restDeg: ring[worst]!.angleDeg,
  };
};

/** Readings, as workings and entries take them. */
export const READINGS_FIELD = listOf(
  record(
    {
      angleDeg: angle('Place of the reading'),
      lateralMm: quantity('mm', -20, 20, 'Side to side').optional(),
      radialMm: quantity('mm', -20, 20, 'Up and down').optional(),
    },
    'A reading',
  ),
  120,
  'Readings of the dial indicator',
);

/**
 * Runout from readings round a rim: total, the once-a-turn part with its high spot, and what is
 * left over. Which nipples to turn is for `true-advise` to say.
 *
 * At least six places; lateral toward the disc side positive, radial outward positive, -20 to 20
 * mm. Throws `InputError` for too few places, or places that leave a third of the wheel unread.
 * Source: ordinary least squares; limits are rules.
 */
export const runout = defineWorking<Input, RunoutResult>({
  name: 'runout',
  title: 'Rim runout',
  input: () => ({
    readings: READINGS_FIELD,
    build: oneOf(['spoked', 'cast', 'split', 'beadlock'], 'Rim build'),
    rules: ruleValues(),
  }),
  example: {
    readings: Array.from({ length: 12 }, (_, i) => ({
      angleDeg: i * 30,
      lateralMm: Math.round(Math.cos(((i * 30 - 90) * Math.PI) / 180) * 60) / 100,
    })),
    build: 'spoked',
  },
  work({ readings, build, rules }, show) {
    const lateral = partOf(readings, 'lateralMm');
    const radial = partOf(readings, 'radialMm');
    if (!lateral && !radial)
      throw new InputError(
        'readings',
        'There are no readings.',
        'Measure side to side or up and down, at six places or more',
      );
    const kind = build === 'spoked' ? 'spoked' : 'cast';
    const checkMm = ruleNumber(`runout.${kind}CheckMm`, rules, show);
    const stopMm = ruleNumber(`runout.${kind}StopMm`, rules, show);
    const reasons: Reason[] = [];
    for (const [name, part] of [
      ['side to side', lateral],
      ['up and down', radial],
    ] as const) {
      if (!part) continue;
      show.line(`total, ${name}`, 'highest − lowest', part.totalMm, 'mm');
      show.line(`once a turn, ${name}`, 'least squares, half of the swing', part.harmonicMm, 'mm');
      show.line(`high spot, ${name}`, 'where the fit is highest', part.highDeg, 'deg');
      show.line(`left over, ${name}`, 'reading − fit, the largest', part.restMm, 'mm');
      const total = { value: part.totalMm, unit: 'mm' as const, digits: 1 };
      const verdict = part.totalMm > stopMm ? 'stop' : part.totalMm > checkMm ? 'check' : 'good';
      reasons.push(
        reason(
          verdict,
          verdict === 'good'
            ? `{0} ${name}: within limits.`
            : `{0} ${name}, high at ${placeText(part.highDeg)}.`,
          [total],
        ),
      );
      if (Math.abs(part.restMm) > checkMm / 2)
        reasons.push(
          reason(
            'check',
            `{0} ${name} at ${placeText(part.restDeg)} is not a bend but a dent or a kink: look at it.`,
            [{ value: part.restMm, unit: 'mm', digits: 1 }],
          ),
        );
    }
    show.basis('published', 'ordinary least squares on mean and first harmonic');
    if (worstOf(reasons) === 'stop' && build !== 'spoked')
      show.caution('A bent cast rim is not straightened at the bench: the maker decides.');
    show.verdict(worstOf(reasons));
    return { lateral, radial, reasons };
  },
});
