import Joi from 'joi';
import { InputError } from '../../base/errors';
import {
  count,
  date,
  marking,
  oneOf,
  quantity,
  record,
  ruleValues,
  text,
  boolean,
} from '../../base/fields';
import { USES, type Use } from '../pressure';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { TREADS, type Tread } from '../../fit/tires';
import {
  ageOf,
  ARROWS,
  compareSizes,
  fitDirection,
  fitLoadSpeed,
  fitRimWidth,
  readTire,
  CLEARANCE_PLACES,
  PLACE_WORDS,
  SPEED_SYMBOL_KMH,
  type Arrows,
  type Clearances,
  type LoadSheet,
  type SizeChange,
  type TireSize,
  LOAD_SHEET,
} from '../../fit/tires';
import { needsTube } from '../../fit/tubes';
import {
  BUILDS,
  DISC_SIDES,
  MACHINE_KINDS,
  onFourWheels,
  tryRimCode,
  type Build,
  type MachineKind,
  type RimCode,
} from '../../fit/wheels';
import { defineWorking, reason, worstOf, type Reason, type Verdict } from '../../base/working';
import { groundOf, treadForUse } from './tread-use';

/** A tire that may go on, as far as it is known. */
export interface TireFacts {
  marking: string;
  tread: Tread;
  arrows: Arrows;
  dateCode: string | null;
  takeOff: boolean;
  treadMm: number | null;
}

/** The wheel, the machine and the rider that it has to suit. */
export interface FitContext {
  /** Old tire size. */
  from: string;
  end: 'front' | 'rear';
  kind: MachineKind;
  use: Use;
  build: Build;
  rimCode: string;
  tubelessMarked: boolean;
  sealed: boolean;
  discSide: (typeof DISC_SIDES)[number];
  /** With a tube. */
  tube: boolean;
  clearancesMm?: Clearances | undefined;
  sprockets?: { front: number; rear: number } | undefined;
  otherEnd?: string | undefined;
  minLoadIndex?: number | undefined;
  minSpeedSymbol?: string | undefined;
  sheet?: LoadSheet | undefined;
  onDate: string;
  rules?: RuleValues;
}

/** The topic of a reason, so that a screen can put it where it belongs. */
export type Topic = 'rim' | 'size' | 'load' | 'tube' | 'tread' | 'age' | 'direction';
interface FitReason extends Reason {
  topic: Topic;
}

export interface TireFit {
  size: TireSize;
  change: SizeChange;
  verdict: Verdict;
  reasons: FitReason[];
  /** The rank of the tread for the use; 0 is best. */
  treadRank: number;
  ageYears: number | null;
}

/** A context with what does not depend on the tire worked out once. */
interface Prepared {
  context: FitContext;
  from: TireSize;
  rim: RimCode | null;
}

/** Throws `InputError` for a size coming off that makes no sense. */
export const prepareFit = (context: FitContext): Prepared => {
  try {
    return {
      context,
      from: readTire(context.from, context.rules),
      rim: tryRimCode(context.rimCode),
    };
  } catch (error) {
    if (error instanceof InputError) throw new InputError('from', error.message, error.expected);
    throw error;
  }
};

const about = (topic: Topic, reasons: readonly Reason[]): FitReason[] =>
  reasons.map((r) => Object.assign(r, { topic }));

/** The reasons by the marking alone: size and room, rim, load and speed, tube, direction. */
const byMarking = (
  marking: string,
  arrows: Arrows,
  { context, from, rim }: Prepared,
): { size: TireSize; change: SizeChange; reasons: FitReason[] } => {
  const { rules, end } = context;
  const fourWheels = onFourWheels(context.kind);
  const size = readTire(marking, rules);
  // On another rim nothing else matters.
  if (size.rimDiameterIn !== from.rimDiameterIn) {
    const change = compareSizes(from, size, rules ? { end, rules } : { end });
    return { size, change, reasons: about('size', change.reasons) };
  }
  const change = compareSizes(from, size, {
    end,
    ...(context.clearancesMm ? { clearancesMm: context.clearancesMm } : {}),
    ...(context.sprockets ? { sprockets: context.sprockets } : {}),
    ...(context.otherEnd !== undefined ? { otherEnd: context.otherEnd } : {}),
    ...(rules ? { rules } : {}),
  });
  const rimReasons: Reason[] = [];
  if (!rim) rimReasons.push(reason('check', 'Rim code gives no width. Measure the rim.'));
  else {
    if (rim.rimDiameterIn !== null && rim.rimDiameterIn !== size.rimDiameterIn)
      rimReasons.push(
        reason(
          'stop',
          `The rim is stamped ${rim.rimDiameterIn} inch, the tire ${size.rimDiameterIn}.`,
        ),
      );
    rimReasons.push(fitRimWidth(size, rim.widthIn, fourWheels, rules).reason);
  }
  const load = fitLoadSpeed(
    size,
    {
      end,
      tiresOnEnd: fourWheels ? 2 : 1,
      ...(context.minLoadIndex !== undefined ? { minLoadIndex: context.minLoadIndex } : {}),
      ...(context.minSpeedSymbol !== undefined ? { minSpeedSymbol: context.minSpeedSymbol } : {}),
      ...(context.sheet ? { sheet: context.sheet } : {}),
    },
    rules,
  );
  const tube = needsTube({
    build: context.build,
    tubelessMarked: context.tubelessMarked,
    sealed: context.sealed,
    safetyHump: rim?.hump ?? null,
    tire: size.tubeless === null ? 'not marked' : size.tubeless ? 'TL' : 'TT',
    tube: context.tube,
  });
  const ground = groundOf(context.use);
  const direction = fitDirection({
    arrows,
    markedFor: size.position ?? 'either',
    end,
    ground,
    discSide: context.discSide,
  });
  const forRoad =
    size.notForHighway && ground === 'road'
      ? [reason('stop', 'It is marked not for highway.')]
      : [];
  return {
    size,
    change,
    reasons: [
      ...about('size', change.reasons),
      ...about('rim', rimReasons),
      ...about('load', load.reasons),
      ...about('tube', tube.reasons),
      ...about('tread', forRoad),
      ...about('direction', direction.reasons),
    ],
  };
};

const byDateCode = (
  dateCode: string | null,
  { context }: Prepared,
): { ageYears: number | null; reasons: FitReason[] } => {
  const said = (ageYears: number | null, r: Reason) => ({ ageYears, reasons: about('age', [r]) });
  if (dateCode === null) return said(null, reason('check', 'Date code unknown.'));
  try {
    const { ageYears, verdict, weekOf } = ageOf(dateCode, context.onDate, context.rules);
    return said(
      ageYears,
      reason(verdict, `Made week ${weekOf.week} of ${weekOf.year}: {0} old.`, [
        { value: ageYears, unit: 'years' },
      ]),
    );
  } catch (error) {
    if (error instanceof InputError) return said(null, reason('check', error.message));
    throw error;
  }
};

const asTakeOff = (tire: TireFacts, { context }: Prepared): FitReason[] => {
  if (!tire.takeOff || tire.treadMm === null) return [];
  const leastMm = ruleNumber('tread.minimumMm', context.rules);
  const depth = { value: tire.treadMm, unit: 'tread' as const };
  const why =
    groundOf(context.use) === 'road' && tire.treadMm <= leastMm
      ? reason('stop', 'Take-off, {0} left: at the road minimum, {1}.', [
          depth,
          { value: leastMm, unit: 'tread' },
        ])
      : reason('check', 'Take-off, {0} left: check inside and out.', [depth]);
  return about('age', [why]);
};

/**
 * Remembers what a function of a key has said, so that a shelf of many equal tires is judged once.
 */
const remembered = <K, V>(work: (key: K) => V): ((key: K) => V) => {
  const known = new Map<K, V>();
  return (key) => {
    let value = known.get(key);
    if (value === undefined) known.set(key, (value = work(key)));
    return value;
  };
};

/**
 * Judges tires for one wheel and use, each with every reason; what equal markings, codes and treads
 * have in common is worked out once. The function it gives throws `InputError` for a marking that
 * makes no sense.
 */
export const tireFitter = (prepared: Prepared): ((tire: TireFacts) => TireFit) => {
  const { context } = prepared;
  const marked = Object.fromEntries(
    ARROWS.map((arrows) => [
      arrows,
      remembered((marking: string) => byMarking(marking, arrows, prepared)),
    ]),
  ) as Record<Arrows, (marking: string) => ReturnType<typeof byMarking>>;
  const coded = remembered((dateCode: string | null) => byDateCode(dateCode, prepared));
  const treads = remembered((tread: Tread) => {
    const { rank, reason: why } = treadForUse(tread, context.use, context.kind);
    return { rank, reasons: about('tread', [why]) };
  });
  return (tire) => {
    const { size, change, reasons: ofMarking } = marked[tire.arrows](tire.marking);
    const age = coded(tire.dateCode);
    const tread = treads(tire.tread);
    const reasons = [...ofMarking, ...tread.reasons, ...age.reasons, ...asTakeOff(tire, prepared)];
    return {
      size,
      change,
      verdict: worstOf(reasons),
      reasons,
      treadRank: tread.rank,
      ageYears: age.ageYears,
    };
  };
};

/**
 * Whether one tire suits, with every reason. Throws `InputError` for a marking that makes no sense.
 */
export const fitTire = (tire: TireFacts, prepared: Prepared): TireFit => tireFitter(prepared)(tire);

/** The fields of a context, as workings take them. */
export const CONTEXT_FIELDS = {
  from: marking('Old tire size'),
  end: oneOf(['front', 'rear'], 'The end of the machine'),
  kind: oneOf(MACHINE_KINDS, 'Kind of machine'),
  use: oneOf(USES, 'Use'),
  build: oneOf(BUILDS, 'Rim build'),
  rimCode: text(40, 'The code stamped into the rim'),
  tubelessMarked: boolean('The rim is marked tubeless'),
  sealed: boolean('Sealed by design'),
  discSide: oneOf(DISC_SIDES, 'Side of the brake disc'),
  tube: boolean('With a tube'),
  clearancesMm: Joi.object(
    Object.fromEntries(
      CLEARANCE_PLACES.map((p) => [
        p,
        quantity('mm', 0, 1000, `Clearance ${PLACE_WORDS[p]}`).optional(),
      ]),
    ),
  )
    .optional()
    .description('Clearance measured with the old tire')
    .meta({ expected: `Enter the clearance by place: ${CLEARANCE_PLACES.join(', ')}` }),
  sprockets: record(
    { front: count(5, 40, 'Teeth in front'), rear: count(10, 100, 'Teeth at the rear') },
    'Sprockets',
  ).optional(),
  otherEnd: marking('The tire at the other end, with wheel-speed sensors').optional(),
  minLoadIndex: count(0, 120, 'Required load index').optional(),
  minSpeedSymbol: oneOf(Object.keys(SPEED_SYMBOL_KMH), 'Required speed symbol').optional(),
  sheet: LOAD_SHEET.optional(),
  onDate: date('Date for ages'),
  rules: ruleValues(),
};

/** The fields of a tire, as workings take them. */
export const TIRE_FIELDS = {
  marking: marking('New tire size'),
  tread: oneOf(TREADS, 'Tread use'),
  arrows: oneOf(ARROWS, 'Arrows on the sidewall'),
  dateCode: text(4, 'Date code').allow(null),
  takeOff: boolean('A take-off, used'),
  treadMm: quantity('tread', 0, 40, 'Depth of a take-off').allow(null),
};

/** A wheel to try things with. */
export const EXAMPLE_CONTEXT: FitContext = {
  from: '110/90-19',
  end: 'rear',
  kind: 'dirt',
  use: 'dirt',
  build: 'spoked',
  rimCode: '2.15x19',
  tubelessMarked: false,
  sealed: false,
  discSide: 'right',
  tube: true,
  clearancesMm: { above: 30 },
  onDate: '2026-04-30',
};

/**
 * Whether a tire goes on a wheel: rim, room, load and speed, tube, tread, age and direction, each
 * with its reason.
 *
 * Throws `InputError` for a marking that makes no sense. Each part is a working of its own:
 * `tire-compare`, `rim-width-fit`, `load-speed-fit`, `tube-need`, `tire-age`, `direction-fit`.
 */
export const tireFit = defineWorking<FitContext & { tire: TireFacts }, Omit<TireFit, 'treadRank'>>({
  name: 'tire-fit',
  title: 'Tire fit',
  input: () => ({ tire: record(TIRE_FIELDS, 'The tire'), ...CONTEXT_FIELDS }),
  example: {
    tire: {
      marking: '110/90-19 62M TT',
      tread: 'soft',
      arrows: 'one',
      dateCode: '0126',
      takeOff: false,
      treadMm: null,
    },
    ...EXAMPLE_CONTEXT,
  },
  work({ tire, ...context }, show) {
    const { treadRank: _rank, ...fit } = fitTire(tire, prepareFit(context));
    show.line(
      'off',
      'old tire',
      fit.change.sameRim ? context.from : `${context.from}, another rim`,
    );
    show.line('on', 'as printed', fit.size.canonical);
    for (const r of fit.reasons) show.line(r.topic, r.says, r.verdict);
    show.basis(
      'published',
      'UN Regulation No. 75 for sizes, ISO 4000-1 for load and speed, 49 CFR 574.5 for the date code',
    );
    show.basis('practice', 'tube or no tube by rim and tire; treads by use');
    show.basis('memory', 'rim widths, growth and ages (unconfirmed)');
    show.verdict(fit.verdict);
    show.caution('The makers of tire, rim and machine decide. Defer to local codes.');
    return fit;
  },
});
