import { InputError } from '../../base/errors';
import { count, marking, oneOf, quantity, ruleValues, boolean } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { readTire } from '../../fit/tires';
import { MACHINE_KINDS, onFourWheels, type MachineKind } from '../../fit/wheels/wheel';
import { defineWorking, reason, worstOf, type Reason, type Show } from '../../base/working';
import { HIGHEST_CEILING_KPA } from './seat-limit';
import { GROUNDS, GROUND_WORDS, USES, USE_WORDS, type Ground, type Use } from './ground';

interface Input {
  use: Use;
  tire: string;
  tube: boolean;
  rimLocks: number;
  placardKpa?: number;
  ground?: Ground;
  kind?: MachineKind;
  /** A soft or trials-type tread; left out where it is not known. */
  softTread?: boolean;
  /** With gear. */
  riderKg?: number;
  /** The tube wears an old one as a sleeve. */
  doubled?: boolean;
  twoUp?: boolean;
  /** The pressure asked for, cold: judged, not taken. */
  askedKpa?: number;
  rules?: RuleValues;
}

export interface PressureStart {
  pressureKpa: number;
  lowKpa: number;
  highKpa: number;
  /** The minimum for tube and lock; 0 where nothing says. */
  leastKpa: number;
  /** A rim lock is wanted at this pressure and there is none. */
  wantsRimLock: boolean;
  reasons: Reason[];
}

type OffRoad = Exclude<Use, 'road'>;
const RULE_OF: Record<OffRoad, { start: string; low: string; high: string }> = {
  motocross: {
    start: 'pressure.motocrossKpa',
    low: 'pressure.motocrossLowKpa',
    high: 'pressure.motocrossHighKpa',
  },
  dirt: { start: 'pressure.dirtKpa', low: 'pressure.dirtKpa', high: 'pressure.dirtKpa' },
  trail: { start: 'pressure.trailKpa', low: 'pressure.trailLowKpa', high: 'pressure.trailHighKpa' },
  storage: {
    start: 'pressure.storageKpa',
    low: 'pressure.storageLowKpa',
    high: 'pressure.storageHighKpa',
  },
  'scooter-front': {
    start: 'pressure.scooterFrontKpa',
    low: 'pressure.scooterFrontLowKpa',
    high: 'pressure.scooterFrontHighKpa',
  },
};
/** Uses whose pressure follows ground and rider. */
const FOLLOWS: readonly Use[] = ['motocross', 'dirt', 'trail'];

/**
 * The shifts of the start for ground, rider, a second person and a sleeve round the tube; each by
 * its rule.
 */
const shifts = (
  { ground = 'mixed', riderKg, doubled, twoUp, rules }: Input,
  show: Show,
): number => {
  let total = 0;
  if (ground === 'soft')
    total += show.line(
      GROUND_WORDS.soft,
      'rule',
      ruleNumber('pressure.softGroundKpa', rules, show),
      'kPa',
    );
  if (ground === 'rock')
    total += show.line(
      GROUND_WORDS.rock,
      'rule',
      ruleNumber('pressure.rockKpa', rules, show),
      'kPa',
    );
  if (riderKg !== undefined) {
    const overKg = riderKg - ruleNumber('pressure.riderKg', rules, show);
    total += show.line(
      'rider',
      `${overKg.toFixed(0)} kg from the usual × rule`,
      overKg * ruleNumber('pressure.perRiderKgKpa', rules, show),
      'kPa',
    );
  }
  if (twoUp)
    total += show.line('two up', 'rule', ruleNumber('pressure.twoUpKpa', rules, show), 'kPa');
  if (doubled)
    total += show.line(
      'doubled tube',
      'rule',
      ruleNumber('pressure.doubledKpa', rules, show),
      'kPa',
    );
  return total;
};

/** A gauge and a hand come so near to the placard. Basis: memory. */
const AS_PLACARD = 0.03;

const kpa = (value: number) => ({ value, unit: 'kPa' as const });

/** More than beads are ever seated with is no riding pressure. */
const tooMuch = (askedKpa: number): Reason =>
  reason('stop', '{0} is too high: above {1}, more than beads are ever seated with.', [
    kpa(askedKpa),
    kpa(HIGHEST_CEILING_KPA),
  ]);

/**
 * Whether so low a pressure suits the tire: only a soft or trials-type one off the road, and no
 * road radial.
 */
const forTire = ({ use, softTread }: Input, isRadial: boolean, pressureKpa: number): Reason[] => {
  if (!FOLLOWS.includes(use)) return [];
  if (isRadial && softTread === false)
    return [
      reason(
        'stop',
        'A radial with road tread can’t run {0}: its sides flex and run hot. Use the placard pressure.',
        [kpa(pressureKpa)],
      ),
    ];
  if (isRadial && softTread === undefined)
    return [
      reason('check', 'A radial: {0} only with a soft or trials-type tread. Check it.', [
        kpa(pressureKpa),
      ]),
    ];
  if (use === 'trail' && softTread === false)
    return [reason('check', 'This low only on a soft or trials-type tire.')];
  if (use === 'trail' && softTread === undefined)
    return [reason('check', 'This low only on a soft or trials-type tire. Check its tread.')];
  return [];
};

/** The manual's own pressure, and what it leaves open. */
const byPlacard = (placardKpa: number, { twoUp, askedKpa }: Input, show: Show): PressureStart => {
  show.line('pressure', 'as on the placard', placardKpa, 'kPa');
  show.basis('manual', 'the machine’s placard');
  const reasons: Reason[] = [];
  if (twoUp)
    reasons.push(
      reason('check', 'Two up: the placard or the manual has a second value. Read that one.'),
    );
  if (askedKpa !== undefined) {
    const asked = [kpa(askedKpa), kpa(placardKpa)];
    if (askedKpa > Math.max(placardKpa, HIGHEST_CEILING_KPA)) reasons.push(tooMuch(askedKpa));
    else if (askedKpa > placardKpa * (1 + AS_PLACARD))
      reasons.push(reason('check', '{0} is over the placard’s {1}: the manual decides.', asked));
    else if (askedKpa < placardKpa * (1 - AS_PLACARD))
      reasons.push(reason('check', '{0} is under the placard’s {1}: the manual decides.', asked));
  }
  show.verdict(worstOf(reasons));
  return {
    pressureKpa: placardKpa,
    lowKpa: placardKpa,
    highKpa: placardKpa,
    leastKpa: 0,
    wantsRimLock: false,
    reasons,
  };
};

/**
 * Cold pressure to start from, and whether a pressure that is asked for is one that tube and rim
 * lock stand.
 *
 * `tire` as printed; `rimLocks` 0 to 3; `placardKpa` 30 to 600, needed on the road and for machines on four wheels,
 * where it
 * decides; `riderKg` with gear. Throws `InputError` where only a placard can say and there is none,
 * and for a doubled tube without a tube. Basis: the manual on the road; common practice by use;
 * what ground, rider and sleeve change is from memory, each a rule.
 */
export const pressureStart = defineWorking<Input, PressureStart>({
  name: 'pressure-start',
  title: 'Starting pressure, cold',
  input: () => ({
    use: oneOf(USES, 'Use'),
    tire: marking('The tire that is on'),
    tube: boolean('With a tube'),
    rimLocks: count(0, 3, 'Rim locks in the wheel'),
    placardKpa: quantity('kPa', 20, 600, 'Pressure on the machine’s placard').optional(),
    ground: oneOf(GROUNDS, 'The ground').optional(),
    kind: oneOf(MACHINE_KINDS, 'The machine').optional(),
    softTread: boolean('A soft or trials-type tread').optional(),
    riderKg: quantity('kg', 20, 300, 'Rider with gear').optional(),
    doubled: boolean('Doubled tube').optional(),
    twoUp: boolean('Two up').optional(),
    askedKpa: quantity('kPa', 0, 1000, 'The pressure asked for').optional(),
    rules: ruleValues(),
  }),
  example: { use: 'dirt', tire: '110/90-19', tube: true, rimLocks: 1, ground: 'rock', riderKg: 96 },
  work(input, show) {
    const { use, tire, tube, rimLocks, placardKpa, kind, doubled, askedKpa, rules } = input;
    const { canonical, construction } = readTire(tire);
    if (doubled && !tube)
      throw new InputError(
        'doubled',
        'A doubled tube without a tube.',
        'Choose a tube, or one that is not doubled',
      );
    show.line('tire', 'as printed', canonical);
    show.line('use', 'what the rider does', USE_WORDS[use]);
    const fourWheels = kind !== undefined && onFourWheels(kind) && use !== 'storage';
    if (use === 'road' || fourWheels) {
      if (placardKpa === undefined)
        throw new InputError(
          'placardKpa',
          `${use === 'road' ? 'On the road' : 'On four wheels'} the machine’s placard decides.`,
          'Enter the pressure on the placard or in the manual',
        );
      return byPlacard(placardKpa, input, show);
    }
    const keys = RULE_OF[use];
    const usualKpa = show.line('start', 'rule', ruleNumber(keys.start, rules, show), 'kPa');
    const [usualLowKpa, usualHighKpa] = [
      Math.min(usualKpa, ruleNumber(keys.low, rules)),
      Math.max(usualKpa, ruleNumber(keys.high, rules)),
    ];
    const shiftKpa = FOLLOWS.includes(use) ? shifts(input, show) : 0;
    // Practice gives one figure for some uses and a range for others: a range is kept to, a figure
    // moves.
    const isRange = usualLowKpa !== usualHighKpa;
    const wantedKpa = isRange
      ? Math.min(usualHighKpa, Math.max(usualLowKpa, usualKpa + shiftKpa))
      : usualKpa + shiftKpa;
    if (shiftKpa !== 0)
      show.line(
        'wanted',
        isRange ? 'start + changes, inside the usual range' : 'start + changes',
        wantedKpa,
        'kPa',
      );

    const lockBelowKpa = ruleNumber('pressure.lockBelowKpa', rules, show);
    const noLock = tube && rimLocks === 0 && use !== 'storage';
    const tubeLeastKpa = !tube
      ? 0
      : ruleNumber(doubled ? 'pressure.doubledLeastKpa' : 'pressure.tubeLeastKpa', rules, show);
    const leastKpa = show.line(
      'minimum for tube and lock',
      'the higher of both',
      Math.max(noLock ? lockBelowKpa : 0, tubeLeastKpa),
      'kPa',
    );
    const pressureKpa = show.line(
      'pressure',
      'not below the minimum',
      Math.max(wantedKpa, leastKpa),
      'kPa',
    );
    const wantsRimLock = noLock && wantedKpa < lockBelowKpa;

    const at = (value: number) => [kpa(value)];
    const reasons: Reason[] = [];
    if (wantsRimLock)
      reasons.push(
        reason(
          'check',
          'No rim lock: not below {0} with a tube, or the tire creeps and tears the valve.',
          at(lockBelowKpa),
        ),
      );
    else if (wantedKpa < tubeLeastKpa)
      reasons.push(reason('check', 'Not below {0} with a tube: it is pinched.', at(tubeLeastKpa)));
    reasons.push(...forTire(input, construction === 'radial', pressureKpa));
    if (construction === 'radial' && FOLLOWS.includes(use))
      show.basis('memory', 'radials are made for road pressure, except trials-type');
    const highKpa = Math.max(pressureKpa, usualHighKpa, wantedKpa);
    if (askedKpa !== undefined && askedKpa > HIGHEST_CEILING_KPA)
      reasons.unshift(tooMuch(askedKpa));
    else if (askedKpa !== undefined && askedKpa > highKpa + 0.5)
      reasons.push(
        reason('check', '{0} is above common practice for this: {1}.', [
          kpa(askedKpa),
          kpa(highKpa),
        ]),
      );
    if (askedKpa !== undefined && askedKpa < leastKpa - 0.5) {
      const why =
        noLock && askedKpa < lockBelowKpa
          ? 'there is no rim lock, the tire creeps and tears the valve'
          : 'the tube is pinched';
      reasons.unshift(
        reason('stop', `{0} is too low: ${why}. Use at least {1}.`, [
          ...at(askedKpa),
          ...at(leastKpa),
        ]),
      );
    }
    if (wantsRimLock)
      show.caution(
        'With a tube and no rim lock, the tire can creep at this pressure and tear the valve.',
      );
    show.caution('Set it cold, with a calibrated gauge.');
    show.verdict(worstOf(reasons));
    return {
      pressureKpa,
      lowKpa: Math.max(leastKpa, Math.min(usualLowKpa, wantedKpa)),
      highKpa,
      leastKpa,
      wantsRimLock,
      reasons,
    };
  },
});
