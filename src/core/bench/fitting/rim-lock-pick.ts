import { sumVectors, type MassVector } from '../balance';
import {
  count,
  uniqueBy,
  listOf,
  oneOf,
  quantity,
  record,
  ruleValues,
  text,
  boolean,
} from '../../base/fields';
import { USES, type Use } from '../pressure';
import { LOCK_PLACES } from '../../fit/wheels';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { angleBetween, counted, placeText } from '../../base/units';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';

interface LockStock {
  id: string;
  widthIn: number;
  holeMm: number;
  massG: number;
  count: number;
}

interface Input {
  use: Use;
  tube: boolean;
  pressureKpa: number;
  rimWidthIn: number;
  /** Holes that the rim has, by their places. */
  lockDegs: number[];
  lockHoleMm?: number;
  locks: LockStock[];
  rules?: RuleValues;
}

interface RimLockPick {
  /** The number wanted. */
  wanted: number;
  lockId: string | null;
  reasons: Reason[];
  /** The locks' effect on balance; null without a lock. */
  heavy: MassVector | null;
}

/** A lock nearer the valve than this is the harder layout to mount. Basis: memory. */
const BESIDE_VALVE_DEG = 40;
const HOLE_PLAY_MM = 1;

const howMany = ({ use, tube, pressureKpa, rules }: Input): { wanted: number; why: Reason } => {
  const belowKpa = ruleNumber('pressure.lockBelowKpa', rules);
  const below = [{ value: belowKpa, unit: 'kPa' as const }];
  if (!tube)
    return { wanted: 0, why: reason('good', 'No tube, no valve to tear: no rim lock needed.') };
  if (use === 'motocross') {
    const n = ruleNumber('lock.motocross', rules);
    return {
      wanted: n,
      why: reason(
        'good',
        `Motocross: ${n === 2 ? 'two' : n === 0 ? 'none' : n}, by the shop’s rule.`,
      ),
    };
  }
  if (use === 'storage' || pressureKpa >= belowKpa)
    return { wanted: 0, why: reason('good', 'At {0} or more a tube needs none.', below) };
  return {
    wanted: 1,
    why: reason('good', 'With a tube below {0}, use one so the tire can’t creep.', below),
  };
};

/**
 * The rim locks that a wheel wants, and what they do to its balance.
 *
 * `pressureKpa` cold riding pressure; `lockDegs` the holes in the rim; masses in g at the rim. Common practice: sized
 * by
 * rim width, snug because no torque figure exists. Limits are rules.
 */
export const rimLockPick = defineWorking<Input, RimLockPick>({
  name: 'rim-lock-pick',
  title: 'Rim locks for a wheel',
  input: () => ({
    use: oneOf(USES, 'Use'),
    tube: boolean('With a tube'),
    pressureKpa: quantity('kPa', 0, 600, 'Riding pressure, cold'),
    rimWidthIn: quantity('in', 1, 14, 'Stamped rim width'),
    lockDegs: LOCK_PLACES,
    lockHoleMm: quantity('mm', 5, 25, 'Rim lock hole').optional(),
    locks: uniqueBy(
      listOf(
        record(
          {
            id: text(60, 'Name of the lock'),
            widthIn: quantity('in', 1, 6, 'Fits rim width'),
            holeMm: quantity('mm', 5, 25, 'Hole needed'),
            massG: quantity('g', 20, 400, 'Weight'),
            count: count(0, 10_000, 'In stock'),
          },
          'A lock',
        ),
        200,
        'Rim locks in stock',
      ),
      'id',
    ),
    rules: ruleValues(),
  }),
  example: {
    use: 'dirt',
    tube: true,
    pressureKpa: 90,
    rimWidthIn: 2.15,
    lockDegs: [210],
    locks: [{ id: 'a', widthIn: 2.15, holeMm: 8, massG: 125, count: 4 }],
  },
  work(input, show) {
    const { rimWidthIn, lockDegs, lockHoleMm, locks, use, rules } = input;
    const { wanted, why } = howMany(input);
    const reasons: Reason[] = [why];
    show.line('wanted', why.says, wanted);
    show.basis(
      'practice',
      'rim locks at low pressure, sized by rim width; snug, because overtightening breaks them',
    );
    if (wanted === 0) {
      show.verdict(why.verdict);
      return { wanted, lockId: null, reasons, heavy: null };
    }
    if (lockDegs.length < wanted)
      reasons.push(
        reason(
          'check',
          lockDegs.length === 0
            ? 'The rim has no hole for one.'
            : `The rim has ${counted(lockDegs.length, 'hole')} only, for ${wanted}.`,
        ),
      );
    const narrowerIn = ruleNumber('lock.widthIn', rules, show);
    const fits = locks
      .filter(
        (l) =>
          l.widthIn <= rimWidthIn + 0.005 &&
          l.widthIn >= rimWidthIn - narrowerIn &&
          (lockHoleMm === undefined || Math.abs(l.holeMm - lockHoleMm) <= HOLE_PLAY_MM),
      )
      .sort(
        (a, b) =>
          Number(b.count > 0) - Number(a.count > 0) || b.widthIn - a.widthIn || a.massG - b.massG,
      );
    const best = fits.find((l) => l.count > 0);
    const rim = { value: rimWidthIn, unit: 'in' as const, digits: 2 };
    if (!best)
      reasons.push(
        reason(
          'check',
          `None in stock for a rim {0} wide${lockHoleMm === undefined ? '' : ' and its hole'}: ` +
            'check and reuse the old one, or order one.',
          [rim],
        ),
      );
    else if (best.count < wanted)
      reasons.push(reason('check', `${best.count} in stock, ${wanted} needed.`));
    else
      reasons.push(
        reason('good', `${best.widthIn.toFixed(2)} for a rim ${rimWidthIn.toFixed(2)} wide.`),
      );
    for (const deg of lockDegs)
      if (Math.abs(angleBetween(0, deg)) < BESIDE_VALVE_DEG)
        reasons.push(
          reason(
            'check',
            `A lock at ${placeText(deg)} is right beside the valve, harder to mount.`,
          ),
        );
    const massG = best?.massG ?? 120;
    const heavy =
      lockDegs.length === 0 ? null : sumVectors(lockDegs.map((deg) => ({ massG, deg })));
    if (heavy) {
      show.line('locks together', `${lockDegs.length} × ${massG} g`, heavy.massG, 'g');
      if (!best) show.basis('memory', 'a rim lock is 60 to 180 g');
      if (heavy.massG > 5)
        reasons.push(
          reason(
            use === 'road' ? 'check' : 'good',
            `They add {0} at ${placeText(heavy.deg)}${use === 'road' ? '; balance it opposite for road speed' : ''}.`,
            [{ value: heavy.massG, unit: 'g' }],
          ),
        );
      else reasons.push(reason('good', 'They balance each other.'));
    }
    show.verdict(worstOf(reasons));
    show.caution('Snug, no more: there is no torque spec, and overtightening breaks them.');
    return { wanted, lockId: best?.id ?? null, reasons, heavy };
  },
});
