import {
  biteInputBy,
  fillWhile,
  planBites,
  type BitePlan,
  type RimProfile,
} from '../../bench/beads';
import { InputError } from '../../base/errors';
import { ruleWord, type RuleValues } from '../../base/rules';
import {
  onFourWheels,
  type Build,
  type Caliper,
  type Drive,
  type MachineKind,
  type Wheel,
} from '../../fit/wheels';
import type { Step } from './step';
import { schoolChoices, type ChoiceOf, type School } from './schools';

/** Tools that change how a step is done. */
export const STEP_TOOLS = ['shoe breaker', 'squeeze breaker', 'changer'] as const;
export type StepTool = (typeof STEP_TOOLS)[number];

export const TUBES_IN = ['none', 'one', 'doubled'] as const;

/** The input of a procedure. Angles clockwise from the valve, seen from the disc side. */
export interface ProcedureInput {
  machine: {
    kind: MachineKind;
    drive: Drive;
    wheelSensors: boolean;
    /**
     * The wheel came in without it: nothing comes off and goes back; it is here where nothing is
     * said.
     */
    loose?: boolean;
    /** Something that holds the wheel is new each time; nothing is said where no one knows. */
    renews?: boolean;
  };
  wheel: {
    end: 'front' | 'rear';
    build: Build;
    discSide: Wheel['discSide'];
    caliper: Caliper;
    /** Tube in the old tire. */
    tubeWas: boolean;
    /** Spokes, or a split rim's halves, are sealed by design. */
    sealed: boolean;
    strips: number;
    /** Of a beadlock: rings that are bolted on; one where nothing is said. */
    rings?: number;
    /** A safety hump holds the beads; nothing is said of a rim whose code does not tell. */
    hump?: boolean;
    /** It makes a pair with another driven wheel, which it must match. */
    pair?: boolean;
    /** Null where neither rim code nor tire tells: then no lever has a place. */
    rimDiameterMm: number | null;
    /** The measured rim. */
    rim?: RimProfile;
    heavySpotDeg: number | null;
  };
  tire: { lightMark: boolean; arrows: boolean };
  /** In the tire that goes on; doubled with an old one as a sleeve. */
  tube: (typeof TUBES_IN)[number];
  locks: readonly number[];
  tools: readonly StepTool[];
  schools?: Partial<Record<School, string>>;
  rules?: RuleValues;
}

/** The input with what the rows ask for again and again. */
export interface Facts extends ProcedureInput {
  /** The school of this job. */
  school<S extends School>(key: S): ChoiceOf<S>;
  has(tool: StepTool): boolean;
  bites: { off: BitePlan | null; on: BitePlan | null };
}

/** A row may give its words, parts and tools by the wheel. */
type By<T> = T | ((f: Facts) => T);
export type When = (f: Facts) => boolean;

/** A step as the tables hold it, with the condition that it stands under. */
export interface Row extends Pick<Step, 'id' | 'station'> {
  say: By<string>;
  why: By<string>;
  confirm?: By<string>;
  caution?: By<string>;
  /** The caution guards a part alone; someone, where nothing is said. */
  guards?: 'part';
  sideUp?: 'disc' | 'other';
  places?: (f: Facts) => Step['places'];
  parts?: By<string[]>;
  tools?: By<string[]>;
  reads?: By<Step['reads']>;
  wants?: NonNullable<Step['wants']>;
  troubles?: By<Step['troubles']>;
  shows?: By<Step['shows']>;
  when?: When;
}

export const all =
  (...tests: When[]): When =>
  (f) =>
    tests.every((t) => t(f));
export const not =
  (test: When): When =>
  (f) =>
    !test(f);
export const rear: When = (f) => f.wheel.end === 'rear';
export const disc: When = (f) => f.wheel.discSide !== 'none';
export const spoked: When = (f) => f.wheel.build === 'spoked';
export const split: When = (f) => f.wheel.build === 'split';
export const beadlock: When = (f) => f.wheel.build === 'beadlock';
/** A ring on each side. */
export const twoRings: When = (f) => beadlock(f) && f.wheel.rings === 2;
export const humped: When = (f) => f.wheel.hump === true;
/** Held together by bolts in place of being levered over. */
export const clamped: When = (f) => split(f) || beadlock(f);
export const locks: When = (f) => f.locks.length > 0;
export const tube: When = (f) => f.tube !== 'none';
export const doubled: When = (f) => f.tube === 'doubled';
export const tubeWas: When = (f) => f.wheel.tubeWas;
export const fourWheels: When = (f) => onFourWheels(f.machine.kind);
export const sensors: When = (f) => f.machine.wheelSensors;
/** Nipples that a tube must be kept from. */
export const nipples: When = (f) => spoked(f) && tube(f) && !f.wheel.sealed;
export const changer: When = (f) => f.has('changer');
export const kind =
  (...kinds: MachineKind[]): When =>
  (f) =>
    kinds.includes(f.machine.kind);
export const drive =
  (by: Drive): When =>
  (f) =>
    f.wheel.end === 'rear' && f.machine.drive === by;
export const school =
  <S extends School>(key: S, value: ChoiceOf<S>): When =>
  (f) =>
    f.school(key) === value;

/** Held on by levers or a changer, not by bolts. */
export const levered: When = not(clamped);
/** One ring: the other bead sits on the rim and is levered like any other. */
export const oneRing: When = (f) => beadlock(f) && f.wheel.rings !== 2;
/** Levers move a bead, bite by bite. */
export const byLevers: When = (f) => levered(f) && !changer(f);
/**
 * The wheel sits on the machine's own hub or shaft and comes off over it: no axle goes through it.
 */
export const onHub: When = (f) => fourWheels(f) || (kind('scooter')(f) && drive('hub')(f));
/** An axle goes through the wheel. */
export const throughAxle: When = (f) => !onHub(f);
/** The heavy spot of the bare wheel decides where the light mark goes. */
export const marksHeavySpot: When = (f) =>
  f.tire.lightMark && f.school('lightMark.to') === 'heavy spot';
/** Some part of the seal is on the rim itself: no tube keeps the air. */
export const sealedRim: When = (f) => f.wheel.sealed && !tube(f);
/** A squeeze breaker takes one bead off the rim before it squeezes the other. */
export const squeezed: When = (f) => f.has('squeeze breaker');
export const arrows: When = (f) => f.tire.arrows;
/** Adjusters that pull the wheel back: of a rear wheel on a chain or a belt. */
export const adjusters: When = (f) => !fourWheels(f) && (drive('chain')(f) || drive('belt')(f));
/** The singular or plural of a noun. */
export const several = (f: Facts, one: string, many: string): string =>
  f.locks.length > 1 ? many : one;

export const lockWord = (f: Facts): string => (f.locks.length > 1 ? 'rim locks' : 'rim lock');
export const valveAndLocks = (f: Facts): Step['places'] => [
  { what: 'valve', deg: 0 },
  ...f.locks.map((deg) => ({ what: 'rim lock', deg })),
];
export const lockPlaces = (f: Facts): Step['places'] => valveAndLocks(f).slice(1);

/** Start, finish, keeper and where to kneel, by the school's bites. */
export const leverPlaces =
  (direction: 'off' | 'on') =>
  (f: Facts): Step['places'] => {
    const plan = f.bites[direction];
    if (!plan) return [];
    return [
      { what: 'start', deg: plan.startDeg },
      { what: 'finish', deg: plan.finishDeg },
      ...(plan.keeperDeg === null || changer(f) ? [] : [{ what: 'keeper', deg: plan.keeperDeg }]),
      {
        what: direction === 'off' ? 'kneel' : 'push down',
        deg: plan.kneelFromDeg,
        toDeg: plan.kneelToDeg,
      },
    ];
  };

/** The facts of an input; the job's school wins over the shop's rule. */
export const factsOf = (input: ProcedureInput): Facts => {
  const { wheel, locks: lockDegs, rules } = input;
  const word = <S extends School>(key: S): ChoiceOf<S> => {
    const value = input.schools?.[key] ?? ruleWord(key, rules);
    if (!schoolChoices(key).includes(value))
      throw new InputError(
        `schools.${key}`,
        `${value.slice(0, 40)} is not a choice.`,
        `Choose ${schoolChoices(key).join(', ')}`,
      );
    return value as ChoiceOf<S>;
  };
  // What is held together by bolts is not levered.
  const levered = wheel.build === 'spoked' || wheel.build === 'cast';
  const bites = (direction: 'off' | 'on'): BitePlan | null =>
    levered && wheel.rimDiameterMm !== null
      ? planBites(
          biteInputBy(
            {
              rimDiameterMm: wheel.rimDiameterMm,
              lockDegs,
              ...(wheel.rim && {
                rim: wheel.rim,
                fill: fillWhile(direction, { ...wheel, tube: input.tube }),
              }),
            },
            direction,
            rules,
            word('bite.start'),
          ),
        )
      : null;
  return {
    ...input,
    school: word,
    // A way of working brings its tool.
    has: (tool) =>
      input.tools.includes(tool) || word('bead.break') === tool || word('lever.tool') === tool,
    bites: { off: bites('off'), on: bites('on') },
  };
};
