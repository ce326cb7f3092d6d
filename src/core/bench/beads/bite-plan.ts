import { InputError } from '../../base/errors';
import { angle, listOf, oneOf, quantity, record } from '../../base/fields';
import { checkLockPlaces } from '../../fit/wheels';
import { counted, angleBetween, normalDeg } from '../../base/units';
import { checkRim, type RimProfile } from './bead-geometry';
import { judgeBites } from './bite-judge';
import type { Effort } from './lever-effort';
import { lockLiftMm } from './lock-lift';
import { WELL_FILL, wellFillMm, type WellFill } from './well-fill';
import { defineWorking, reason, SILENT, worstOf, type Reason, type Show } from '../../base/working';

export const BITE_SCHOOLS = [
  'lock nearest',
  'a quarter away',
  'opposite the valve',
  'valve last',
  'clear of the valve',
] as const;
export type BiteSchool = (typeof BITE_SCHOOLS)[number];

/** Why fitters choose a school. */
export const SCHOOL_WHY: Record<BiteSchool, string> = {
  'lock nearest': 'The lock is in reach of the hands that must push it in.',
  'a quarter away': 'Neither the lock nor the stiff part opposite is fought at the start.',
  'opposite the valve': 'The tube lies free where the levers work hardest last.',
  'valve last': 'The working head runs clear of the valve until it is time.',
  'clear of the valve': 'First and last bite pinch most, and both stay away from the tube’s neck.',
};

export interface BiteInput {
  rimDiameterMm: number;
  valveDeg: number;
  lockDegs: readonly number[];
  biteMm: number;
  school: BiteSchool;
  direction: 'off' | 'on';
  /** Arc that goes over by hand and knees before the first bite, from the start on. */
  handFittedDeg: number;
  /** The measured rim: then each bite is judged. */
  rim?: RimProfile;
  /** The contents of its well; none if left out. */
  fill?: WellFill;
}

/** The measured rim, as a field of an input. */
export const RIM_PROFILE = record(
  {
    wellMm: quantity('mm', 60, 700, 'Well diameter'),
    flangeMm: quantity('mm', 80, 750, 'Flange diameter'),
    axialMm: quantity('mm', 0, 400, 'Well to far flange'),
  },
  'The rim',
);

/** One stroke. Angles clockwise from the valve; the bead from `fromDeg` to `toDeg` goes over. */
export interface Bite {
  n: number;
  fromDeg: number;
  toDeg: number;
  /** The lever's place. */
  leverDeg: number;
  lengthMm: number;
  /** The part that is on the rim while this one goes over: its middle, and how long it is. */
  mountedMidDeg: number;
  mountedDeg: number;
  /**
   * The slack of a limp bead at this bite, mm; null if the rim was not measured. So are the next
   * two.
   */
  spareMm: number | null;
  /** The part of the far side that has to be down in the well for it. */
  downDeg: number | null;
  effort: Effort | null;
}

export interface BitePlan {
  startDeg: number;
  finishDeg: number;
  /** From the start both ways, or once round. */
  way: 'both' | 'round';
  /** Empty where all of it goes by hand. */
  bites: Bite[];
  /** Even a stiff bead has slack: from here by hand. */
  byHand: boolean;
  /** The bead keeper, while the tire goes on. */
  keeperDeg: number | null;
  /** The place to kneel, so that the bead lies in the well. */
  kneelFromDeg: number;
  kneelToDeg: number;
  reasons: Reason[];
}

/** A lever stays this far from valve and lock. Basis: memory. */
const KEEP_OUT_DEG = 7;
/** Three inches beside, as an arc. Common practice. */
const BESIDE_MM = 76;
/** Half the arc to kneel on if nothing is known of the rim. Basis: memory. */
const KNEEL_HALF_DEG = 60;
/** Between a quarter and a third of the way round. Common practice. */
const QUARTER_ON_DEG = 105;

interface Course {
  startDeg: number;
  finishDeg: number;
  way: 'both' | 'round';
}

/**
 * Start, finish and way by school. Without a lock there is none to be near: then opposite the
 * valve. Common practice.
 */
const courseOf = ({ rimDiameterMm, valveDeg, lockDegs, school, direction }: BiteInput): Course => {
  const anchor = lockDegs[0] ?? valveDeg;
  const besideDeg = (BESIDE_MM / (Math.PI * rimDiameterMm)) * 360;
  const across = normalDeg(anchor + 180);
  const opposite: Course = {
    startDeg: normalDeg(valveDeg + 180),
    finishDeg: normalDeg(valveDeg),
    way: 'both',
  };
  switch (school) {
    case 'lock nearest':
      if (lockDegs.length === 0) return opposite;
      return direction === 'off'
        ? { startDeg: across, finishDeg: anchor, way: 'both' }
        : { startDeg: normalDeg(anchor + besideDeg), finishDeg: anchor, way: 'round' };
    case 'a quarter away':
      return direction === 'off'
        ? {
            startDeg: normalDeg(anchor + QUARTER_ON_DEG),
            finishDeg: normalDeg(anchor + QUARTER_ON_DEG),
            way: 'round',
          }
        : {
            startDeg: normalDeg(anchor + besideDeg),
            finishDeg: normalDeg(anchor + besideDeg + 180),
            way: 'both',
          };
    case 'opposite the valve':
      return opposite;
    case 'valve last':
      return {
        startDeg: normalDeg(valveDeg + besideDeg),
        finishDeg: normalDeg(valveDeg),
        way: 'round',
      };
    case 'clear of the valve':
      return {
        startDeg: normalDeg(valveDeg + 90),
        finishDeg: normalDeg(valveDeg + 270),
        way: 'both',
      };
  }
};

/** Lengths of the bites over an arc; an awkward last one is shared with the one before it. */
export const biteLengths = (arcMm: number, biteMm: number): number[] => {
  const whole = Math.floor(arcMm / biteMm + 1e-9);
  const rest = arcMm - whole * biteMm;
  if (rest < 1e-6) return Array<number>(whole).fill(biteMm);
  if (whole > 0 && rest < biteMm / 2)
    return [...Array<number>(whole - 1).fill(biteMm), (biteMm + rest) / 2, (biteMm + rest) / 2];
  return [...Array<number>(whole).fill(biteMm), rest];
};

/**
 * A place for the lever in a bite, clear of valve and locks; the end of the bite if it can be. Null
 * where there is none.
 */
const leverIn = (
  fromDeg: number,
  spanDeg: number,
  clockwise: boolean,
  keepOut: readonly number[],
): number | null => {
  const sign = clockwise ? 1 : -1;
  const clear = (deg: number) =>
    keepOut.every((k) => Math.abs(angleBetween(k, deg)) >= KEEP_OUT_DEG - 1e-9);
  const along = [
    spanDeg,
    ...keepOut.flatMap((k) => {
      const at = sign * angleBetween(fromDeg, k);
      return [at - KEEP_OUT_DEG, at + KEEP_OUT_DEG];
    }),
  ];
  const places = along
    .filter((d) => d >= 0 && d <= spanDeg)
    .sort((a, b) => b - a)
    .map((d) => normalDeg(fromDeg + sign * d));
  return places.find(clear) ?? null;
};

/** The judgment of the bites by the rim, with the contents of its well. */
const judgeAll = (
  { rimDiameterMm, lockDegs, direction, handFittedDeg, rim, fill }: BiteInput & { rim: RimProfile },
  bites: readonly Bite[],
  show: Show,
) => {
  const fillMm = fill ? wellFillMm(fill, show) : 0;
  const liftMm = lockLiftMm(lockDegs.length, rim.wellMm);
  if (liftMm > 0)
    show.line('held up by the locks', `${lockDegs.length} of them, on the loop`, liftMm, 'mm');
  const perDegMm = (Math.PI * rimDiameterMm) / 360;
  const strokes = bites.map((b) => {
    const spanDeg = b.lengthMm / perDegMm;
    return {
      spanDeg,
      leftDeg: direction === 'on' ? 360 - b.mountedDeg : 360 - handFittedDeg - b.mountedDeg,
    };
  });
  const judged = judgeBites(strokes, { ...rim, beadMm: rimDiameterMm, fillMm }, liftMm);
  show.line(
    'least to spare at a bite',
    'π × bead − the shortest way',
    Math.min(...judged.bites.map((b) => b.spareMm)),
    'mm',
  );
  show.line('far side down in the well', 'at the tightest bite', judged.downDeg, 'deg');
  return judged;
};

/** The bites from start to finish, and what is to be said of single ones. */
const layBites = (
  input: BiteInput,
  { startDeg, way }: Course,
): { bites: Bite[]; notes: Reason[] } => {
  const { rimDiameterMm, biteMm, direction, handFittedDeg, valveDeg, lockDegs } = input;
  const perDegMm = (Math.PI * rimDiameterMm) / 360;
  const toLeverDeg = 360 - handFittedDeg;
  const keepOut = [valveDeg, ...lockDegs];
  const bites: Bite[] = [];
  const notes: Reason[] = [];
  let overDeg = 0;
  const add = (fromDeg: number, lengthMm: number, clockwise: boolean): void => {
    const spanDeg = lengthMm / perDegMm;
    const toDeg = normalDeg(fromDeg + (clockwise ? spanDeg : -spanDeg));
    const n = bites.length + 1;
    const lever = leverIn(fromDeg, spanDeg, clockwise, keepOut);
    if (lever === null)
      notes.push(
        reason('check', `Bite ${n} lies at the valve or a lock: by hand or heel, no lever.`),
      );
    // Going on, what was fitted before; coming off, what is left once it is over.
    const mountedDeg =
      direction === 'on' ? handFittedDeg + overDeg : toLeverDeg - overDeg - spanDeg;
    const middle =
      way === 'both' ? 0 : direction === 'on' ? mountedDeg / 2 : (overDeg + spanDeg) / 2;
    overDeg += spanDeg;
    bites.push({
      n,
      fromDeg: normalDeg(fromDeg),
      toDeg,
      leverDeg: lever ?? toDeg,
      lengthMm,
      mountedMidDeg: normalDeg(startDeg + middle + (direction === 'off' ? 180 : 0)),
      mountedDeg,
      spareMm: null,
      downDeg: null,
      effort: null,
    });
  };
  if (way === 'round') {
    let at = startDeg + handFittedDeg;
    for (const lengthMm of biteLengths(toLeverDeg * perDegMm, biteMm)) {
      add(at, lengthMm, true);
      at += lengthMm / perDegMm;
    }
  } else {
    // Both ways by turns, each half on its own, so that both ends meet at the finish.
    let travelled = handFittedDeg / 2;
    for (const lengthMm of biteLengths((toLeverDeg / 2) * perDegMm, biteMm)) {
      add(startDeg + travelled, lengthMm, true);
      add(startDeg - travelled, lengthMm, false);
      travelled += lengthMm / perDegMm;
    }
  }
  return { bites, notes };
};

/** The order and place of every bite. Throws `InputError` when nothing is left to lever. */
export const planBites = (input: BiteInput, show: Show = SILENT): BitePlan => {
  const { rimDiameterMm, biteMm, direction, handFittedDeg, lockDegs, school } = input;
  if (input.rim) checkRim({ beadMm: rimDiameterMm, ...input.rim });
  const toLeverMm = ((360 - handFittedDeg) / 360) * Math.PI * rimDiameterMm;
  if (toLeverMm < 1)
    throw new InputError(
      'handFittedDeg',
      'The whole bead is on by hand; nothing to lever.',
      'Enter an arc below 360°',
    );
  const course = courseOf(input);
  const { startDeg, finishDeg, way } = course;
  const { bites, notes } = layBites(input, course);
  show.line('start', school, startDeg, 'deg');
  show.line('finish', way === 'both' ? 'both ways from the start' : 'once round', finishDeg, 'deg');
  show.line('to lever', `(360 − ${handFittedDeg}) / 360 × π × ${rimDiameterMm}`, toLeverMm, 'mm');
  show.line('bites', `of ${Math.round(biteMm)} mm`, bites.length);
  show.line(
    'last bite',
    'shared with the one before where it would be awkward',
    bites.at(-1)!.lengthMm,
    'mm',
  );
  const why =
    school === 'lock nearest' && lockDegs.length === 0
      ? `No lock on this wheel, so opposite the valve. ${SCHOOL_WHY['opposite the valve']}`
      : SCHOOL_WHY[school];
  const judged = input.rim && judgeAll({ ...input, rim: input.rim }, bites, show);
  const byHand = judged?.byHand ?? false;
  const halfDownDeg = judged ? judged.downDeg / 2 : KNEEL_HALF_DEG;
  const kneelAt = direction === 'off' ? normalDeg(startDeg + 180) : startDeg;
  return {
    startDeg,
    finishDeg,
    way,
    bites: byHand ? [] : bites.map((bite, i) => ({ ...bite, ...judged?.bites[i] })),
    byHand,
    keeperDeg: direction === 'on' ? startDeg : null,
    kneelFromDeg: normalDeg(kneelAt - halfDownDeg),
    kneelToDeg: normalDeg(kneelAt + halfDownDeg),
    reasons: [
      ...(byHand ? [] : [reason('good', `${counted(bites.length, 'bite')}. ${why}`), ...notes]),
      ...(judged ? [judged.reason] : []),
    ],
  };
};

/**
 * The lever starts, every bite in its order and place, the keeper and the place to kneel.
 *
 * `rimDiameterMm` 80 to 700; `biteMm` 20 to 150; `handFittedDeg` 0 to 359. No lever stands at the valve or on a lock.
 * Common practice, by five schools; throws `InputError` when nothing is left to lever.
 */
export const bitePlan = defineWorking<BiteInput, BitePlan>({
  name: 'bite-plan',
  title: 'Lever bites',
  input: () => ({
    rimDiameterMm: quantity('mm', 80, 700, 'Diameter of the rim'),
    valveDeg: angle('Place of the valve'),
    lockDegs: listOf(angle('Place of a rim lock'), 3, 'Rim locks'),
    biteMm: quantity('mm', 20, 150, 'Length of a bite'),
    school: oneOf(BITE_SCHOOLS, 'Where to start'),
    direction: oneOf(['off', 'on'], 'The tire goes off or on'),
    handFittedDeg: quantity('deg', 0, 359, 'Arc that goes over by hand'),
    rim: RIM_PROFILE.optional(),
    fill: WELL_FILL.optional(),
  }),
  example: {
    rimDiameterMm: 483,
    valveDeg: 0,
    lockDegs: [210],
    biteMm: 70,
    school: 'lock nearest',
    direction: 'on',
    handFittedDeg: 120,
  },
  work(input, show) {
    checkLockPlaces('lockDegs', input.lockDegs, input.valveDeg);
    const plan = planBites(input, show);
    show.basis('practice', `${input.school}: ${SCHOOL_WHY[input.school]}`);
    show.basis('memory', `a lever stays ${KEEP_OUT_DEG}° from valve and lock`);
    if (input.rim) {
      show.basis('published', 'geometry of a loop that does not stretch');
      show.basis(
        'memory',
        input.fill
          ? 'thickness of tube, strip and lock'
          : 'nothing lies in the well, as far as is known',
      );
    }
    show.verdict(worstOf(plan.reasons));
    show.caution(
      'Never a lever under the disc, and never on the tube. Halfway: stop and push the fitted part back into the well.',
    );
    return plan;
  },
});
