import { InputError } from '../../base/errors';
import { count, uniqueBy, listOf, oneOf, quantity, record, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { placeText, type SentenceQuantity } from '../../base/units';
import { spokeDegs } from '../../fit/wheels';
import { defineWorking, reason, worstOf, type Reason, type Show } from '../../base/working';
import { searchNipples, STEP_TURNS } from './nipple-search';
import { checkRound, READINGS_FIELD, type RunoutReading } from './runout';
import { SPOKES_FIELD, tensionsOffPct, type RungSpoke } from './spoke-ring';
import { wheelModel, type WheelModel } from './wheel-model';

/** The side that spoke 1 goes to; from there on by turns. */
export const FIRST_TO = ['disc side', 'other side'] as const;
export type FirstTo = (typeof FIRST_TO)[number];
export const FIRST_TO_FIELD = oneOf(FIRST_TO, 'The side that spoke 1 goes to');

/** A nipple that was turned, in eighths of a turn: tightened is positive. */
export interface Turned {
  spoke: number;
  eighths: number;
}

/** A nipple to turn. Spokes are counted from the valve, clockwise. */
interface SpokeTurn {
  spoke: number;
  deg: number;
  turn: 'tighten' | 'loosen';
  /** The turn, in eighths. */
  eighths: number;
}

interface Input {
  readings: RunoutReading[];
  spokes: number;
  rimDiameterMm: number;
  firstTo?: FirstTo;
  /** The pass before this one: how it read then, and what was turned. */
  before?: { readings: RunoutReading[]; turned: Turned[] };
  rung?: RungSpoke[];
  rules?: RuleValues;
}

/** Total runout, highest less lowest; null where it was not read. */
interface Totals {
  sideMm: number | null;
  upMm: number | null;
}

export interface TrueAdvice {
  do: 'turn' | 'leave' | 'look';
  /** The nearest to the valve first. */
  nipples: SpokeTurn[];
  now: Totals;
  /** As it should read after the turns, at the places that were read. */
  after: Totals;
  /** The most that a tension would be off its group, percent of the usual one. */
  mostOffPct: number;
  /**
   * The wheel's own response beside the model's: learned from the pass before; null if it cannot be
   * told.
   */
  own: { side: number | null; up: number | null };
  reasons: Reason[];
}

/** The reading error of a dial indicator on a turning rim. Basis: memory. */
const READ_MM = 0.05;
/** A wheel is told from the model once its own factor is known this well. Basis: memory. */
const KNOWN_WITHIN = 0.25;
/** Nothing that is laced differs more from another than this. Basis: memory. */
const LIKELY = { least: 0.4, most: 2.5 } as const;
/** Part of the limit that is aimed at, since no wheel is the model. Basis: memory. */
const AIM = 0.75;
/**
 * A pass that takes away less than this part of what is too much is not worth its turns. Basis:
 * memory.
 */
const WORTH = 0.1;

const WAYS = [
  { key: 'lateralMm', of: 'side', words: 'side to side' },
  { key: 'radialMm', of: 'up', words: 'up and down' },
] as const;
type Way = (typeof WAYS)[number];

const centred = (values: readonly number[]): number[] => {
  const mean = values.reduce((sum, v) => sum + v, 0) / Math.max(1, values.length);
  return values.map((v) => v - mean);
};
const totalOf = (values: readonly number[]): number | null =>
  values.length === 0 ? null : Math.max(...values) - Math.min(...values);
const mm = (value: number, digits = 1): SentenceQuantity => ({ value, unit: 'mm', digits });

/** The move of the rim at places for a turn of a spoke, one way. */
const movesBy =
  (model: WheelModel, firstTo: Input['firstTo']) =>
  (way: Way, spoke: number, degs: readonly number[]): number[] =>
    way.of === 'up'
      ? degs.map((deg) => model.upMm(spoke, deg))
      : degs.map((deg) => (firstTo === 'other side' ? -1 : 1) * model.sideMm(spoke, deg));

/** The lesson of a pass: this wheel's factor beside the model, one way. */
interface Learned {
  factor: number | null;
  reason: Reason | null;
}

/** The least-squares factor between what the model said of a pass and what the rim did. */
const learn = (
  way: Way,
  before: NonNullable<Input['before']>,
  readings: readonly RunoutReading[],
  moves: ReturnType<typeof movesBy>,
): Learned => {
  const both = readings.flatMap((r) => {
    const was = before.readings.find((b) => b.angleDeg === r.angleDeg)?.[way.key];
    return was === undefined || r[way.key] === undefined
      ? []
      : [{ deg: r.angleDeg, by: r[way.key]! - was }];
  });
  const degs = both.map((b) => b.deg);
  const said = degs.map(() => 0);
  for (const { spoke, eighths } of before.turned)
    moves(way, spoke, degs).forEach((v, i) => (said[i]! += eighths * STEP_TURNS * v));
  const [model, rim] = [centred(said), centred(both.map((b) => b.by))];
  const size = model.reduce((sum, v) => sum + v * v, 0);
  const within = size > 0 ? (2 * READ_MM) / Math.sqrt(size) : Infinity;
  if (within > KNOWN_WITHIN) return { factor: null, reason: null };
  const factor = model.reduce((sum, v, i) => sum + v * rim[i]!, 0) / size;
  if (factor + 2 * within < 0)
    return {
      factor: null,
      reason: reason(
        'check',
        way.of === 'side'
          ? 'The rim went the other way: look which side spoke 1 goes to, and which nipples were turned.'
          : 'The rim went the other way up and down: look which nipples were turned, and which way.',
      ),
    };
  if (factor < LIKELY.least || factor > LIKELY.most)
    return {
      factor: null,
      reason: reason(
        'check',
        `The rim moved {0} as far ${way.words} as a laced wheel should: look which nipples were turned, and whether one is seized.`,
        [{ value: 100 * factor, unit: 'pct', digits: 0 }],
      ),
    };
  return { factor, reason: null };
};

const showLearned = (name: string, show: Show, { factor }: Learned): void => {
  if (factor !== null)
    show.line(`this wheel beside the model, ${name}`, 'least squares of the pass before', factor);
};

/** Throws `InputError` for a spoke that the wheel does not have. */
const checkTurned = (turned: readonly Turned[], spokes: number): void =>
  turned.forEach(({ spoke }, i) => {
    if (spoke > spokes)
      throw new InputError(
        `before.turned[${i}].spoke`,
        `There is no spoke ${spoke}.`,
        `Enter a number from 1 to ${spokes}`,
      );
  });

/** Nipples that were turned, as workings and entries take them. */
export const TURNED_FIELD = uniqueBy(
  listOf(
    record(
      {
        spoke: count(1, 80, 'Number of the spoke'),
        eighths: count(-24, 24, 'Eighths of a turn, tightened is plus'),
      },
      'A nipple',
    ),
    80,
    'Nipples that were turned',
  ),
  'spoke',
);

/**
 * The nipples to turn, and how far, so that a laced rim runs true: as few as do it, in eighths of a
 * turn.
 *
 * Readings as for `runout`; `spokes` even, 12 to 80; `rimDiameterMm` 200 to 700. Two rounds of
 * readings tell how this wheel moves. Throws `InputError` for readings that leave out a stretch, an
 * odd number of spokes, a spoke that is none. Source: least squares on a linear model of the wheel
 * (`wheelModel`); limits are rules.
 */
export const trueAdvise = defineWorking<Input, TrueAdvice>({
  name: 'true-advise',
  title: 'Truing: which nipples to turn',
  input: () => ({
    readings: READINGS_FIELD,
    spokes: count(12, 80, 'Number of spokes'),
    rimDiameterMm: quantity('mm', 200, 700, 'Diameter of the rim'),
    firstTo: FIRST_TO_FIELD.optional(),
    before: record({ readings: READINGS_FIELD, turned: TURNED_FIELD }, 'Previous pass').optional(),
    rung: SPOKES_FIELD.optional(),
    rules: ruleValues(),
  }),
  example: {
    readings: Array.from({ length: 12 }, (_, i) => ({
      angleDeg: i * 30,
      lateralMm: Math.round(Math.cos(((i * 30 - 130) * Math.PI) / 180) * 110) / 100,
    })),
    spokes: 36,
    rimDiameterMm: 483,
  },
  work({ readings, spokes, rimDiameterMm, firstTo, before, rung = [], rules }, show) {
    if (spokes % 2 === 1)
      throw new InputError(
        'spokes',
        `${spokes} spokes do not go to two sides by turns.`,
        'Enter an even number',
      );
    const checkMm = ruleNumber('runout.spokedCheckMm', rules, show);
    const mostTurns = ruleNumber('true.mostTurns', rules, show);
    const spreadPct = ruleNumber('true.spreadPct', rules, show);
    if (before) checkTurned(before.turned, spokes);
    const model = wheelModel(spokes, rimDiameterMm / 2);
    const moves = movesBy(model, firstTo);
    const all = Array.from({ length: spokes }, (_, i) => i + 1);
    const read = WAYS.map((way) => {
      const its = readings.filter((r) => r[way.key] !== undefined);
      const degs = its.map((r) => r.angleDeg);
      if (degs.length > 0) checkRound(degs);
      const learned = before ? learn(way, before, readings, moves) : { factor: null, reason: null };
      showLearned(way.words, show, learned);
      const values = its.map((r) => r[way.key]!);
      const by = all.map((spoke) =>
        centred(moves(way, spoke, degs).map((v) => v * (learned.factor ?? 1))),
      );
      return { way, values, by, learned, total: totalOf(values) };
    });
    const [side, up] = read as [(typeof read)[number], (typeof read)[number]];
    if (side.total === null && up.total === null)
      throw new InputError(
        'readings',
        'There are no readings.',
        'Measure side to side or up and down, at six places or more',
      );
    for (const { way, total } of read)
      if (total !== null) show.line(`total now, ${way.words}`, 'highest − lowest', total, 'mm');
    const tensionOff = tensionsOffPct(rung, spokes);
    const tensionBy = all.map((spoke) => all.map((other) => model.tensionPct(spoke, other)));
    const isTrue = read.every(({ total }) => total === null || total <= checkMm);
    const turns = isTrue
      ? all.map(() => 0)
      : searchNipples({
          side: centred(side.values),
          up: centred(up.values),
          sideBy: side.by,
          upBy: up.by,
          tensionBy,
          tensionOff,
          enoughMm: AIM * checkMm,
          mostTurns,
          mostOffPct: spreadPct,
        });
    const after = read.map(({ values, by }) =>
      totalOf(values.map((v, k) => v + turns.reduce((sum, t, i) => sum + t * by[i]![k]!, 0))),
    );
    const offAfter = all.map(
      (_, j) => tensionOff[j]! + turns.reduce((sum, t, i) => sum + t * tensionBy[i]![j]!, 0),
    );
    const mostOffPct = Math.max(...offAfter.map(Math.abs));
    const tooMuch = (totals: readonly (number | null)[]) =>
      totals.reduce<number>((sum, t) => sum + Math.max(0, (t ?? 0) - checkMm), 0);
    const nowOver = tooMuch(read.map((r) => r.total));
    const isWorth = tooMuch(after) <= (1 - WORTH) * nowOver;
    const places = spokeDegs({ spokes });
    const nipples = isWorth
      ? turns.flatMap((t, i): SpokeTurn[] =>
          t === 0
            ? []
            : [
                {
                  spoke: i + 1,
                  deg: places[i]!,
                  turn: t > 0 ? 'tighten' : 'loosen',
                  eighths: Math.round(Math.abs(t) / STEP_TURNS),
                },
              ],
        )
      : [];
    show.line('nipples to turn', 'least squares, the one that takes most first', nipples.length);
    read.forEach(({ way, total }, k) => {
      if (total !== null && nipples.length > 0)
        show.line(`total after, ${way.words}`, 'readings + turns × the model', after[k]!, 'mm');
    });
    if (nipples.length > 0)
      show.line('a tension off by, at most', 'turns × the model', mostOffPct, 'pct');
    show.basis(
      'published',
      'least squares; bending of a circular ring as in Timoshenko, Vibration Problems in Engineering',
    );
    show.basis(
      'memory',
      'sizes of a middling rim and its spokes, until two rounds of readings tell this wheel’s own',
    );
    show.basis(
      'memory',
      'spokes counted from the valve go alternate between the disc side and the other, the first to the disc side unless set otherwise',
    );
    show.caution('Look which side a spoke goes to before you turn it.');
    show.caution(
      'Truing by spokes is a skilled job: small turns, the whole ring rung again after it, and the maker’s tension. When in doubt, a wheel builder.',
    );
    const reasons = read.flatMap(({ learned }) => (learned.reason ? [learned.reason] : []));
    if (isTrue) reasons.push(reason('good', 'Within {0}: leave the nipples alone.', [mm(checkMm)]));
    else if (nipples.length === 0)
      reasons.push(
        reason(
          'stop',
          `No nipple within ${mostTurns} of a turn and {0} of tension mends it: a dent or a kink, or work for a wheel builder.`,
          [{ value: spreadPct, unit: 'pct', digits: 0 }],
        ),
      );
    else {
      const far = nipples.reduce((a, b) => (b.eighths > a.eighths ? b : a));
      reasons.push(
        reason(
          'check',
          `Turn ${nipples.length === 1 ? 'one nipple' : `${nipples.length} nipples`}, most at ${placeText(far.deg)}, then read again.`,
        ),
      );
    }
    show.verdict(worstOf(reasons));
    return {
      do: isTrue ? 'leave' : nipples.length > 0 ? 'turn' : 'look',
      nipples,
      now: { sideMm: side.total, upMm: up.total },
      after:
        nipples.length > 0
          ? { sideMm: after[0]!, upMm: after[1]! }
          : { sideMm: side.total, upMm: up.total },
      mostOffPct: nipples.length > 0 ? mostOffPct : Math.max(...tensionOff.map(Math.abs)),
      own: { side: side.learned.factor, up: up.learned.factor },
      reasons,
    };
  },
});
