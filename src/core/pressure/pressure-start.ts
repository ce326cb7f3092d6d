import { InputError } from '../errors';
import { count, marking, oneOf, quantity, ruleValues } from '../fields';
import { ruleNumber, type RuleValues } from '../rules';
import { readTire } from '../tires';
import { defineWorking } from '../working';
import Joi from 'joi';

/** What the rider does with the machine. */
export const USES = ['motocross', 'dirt', 'trail', 'storage', 'scooter-front', 'road'] as const;
export type Use = (typeof USES)[number];

/** Uses in the fitter's words. */
export const USE_WORDS: Record<Use, string> = {
  motocross: 'motocross',
  dirt: 'general dirt',
  trail: 'trail, soft or trials-type tire',
  storage: 'storage',
  'scooter-front': 'scooter front',
  road: 'road',
};

interface Input {
  use: Use;
  tire: string;
  tube: boolean;
  rimLocks: number;
  placardKpa?: number;
  rules?: RuleValues;
}

export interface PressureStart {
  pressureKpa: number;
  lowKpa: number;
  highKpa: number;
  /** A rim lock is wanted at this pressure and there is none. */
  wantsRimLock: boolean;
}

const RULE_OF: Record<Exclude<Use, 'road'>, { start: string; low: string; high: string }> = {
  motocross: { start: 'pressure.motocrossKpa', low: 'pressure.motocrossLowKpa', high: 'pressure.motocrossHighKpa' },
  dirt: { start: 'pressure.dirtKpa', low: 'pressure.dirtKpa', high: 'pressure.dirtKpa' },
  trail: { start: 'pressure.trailKpa', low: 'pressure.trailLowKpa', high: 'pressure.trailHighKpa' },
  storage: { start: 'pressure.storageKpa', low: 'pressure.storageLowKpa', high: 'pressure.storageHighKpa' },
  'scooter-front': {
    start: 'pressure.scooterFrontKpa',
    low: 'pressure.scooterFrontLowKpa',
    high: 'pressure.scooterFrontHighKpa',
  },
};

/**
 * Cold pressure to start from, by use.
 *
 * `tire` as printed; `rimLocks` 0 to 3; `placardKpa` 30 to 600, needed on the road.
 * Throws `InputError` on the road without a placard. Basis: common practice, and the manual on the road.
 */
export const pressureStart = defineWorking<Input, PressureStart>({
  name: 'pressure-start',
  says: 'Cold pressure to start from, by use',
  input: {
    use: oneOf(USES, 'What the rider does'),
    tire: marking('The tire that is on'),
    tube: Joi.boolean().required().description('With a tube').meta({ expected: 'true with a tube, false without' }),
    rimLocks: count(0, 3, 'Rim locks in the wheel'),
    placardKpa: quantity('kPa', 30, 600, 'Pressure on the machine\u2019s placard').optional(),
    rules: ruleValues(),
  },
  example: { use: 'dirt', tire: '110/90-19', tube: true, rimLocks: 1 },
  work({ use, tire, tube, rimLocks, placardKpa, rules }, show) {
    const size = readTire(tire);
    show.line('tire', 'as printed', size.canonical);
    show.line('use', 'what the rider does', USE_WORDS[use]);
    if (use === 'road') {
      if (placardKpa === undefined)
        throw new InputError('placardKpa', 'On the road the machine\u2019s placard decides.', 'the pressure on the placard or in the manual');
      show.line('pressure', 'as on the placard', placardKpa, 'kPa');
      show.basis('manual', 'the machine\u2019s placard');
      show.verdict('good');
      return { pressureKpa: placardKpa, lowKpa: placardKpa, highKpa: placardKpa, wantsRimLock: false };
    }
    const keys = RULE_OF[use];
    const pressureKpa = show.line('start', 'rule', ruleNumber(keys.start, rules, show), 'kPa');
    const lowKpa = Math.min(pressureKpa, ruleNumber(keys.low, rules));
    const highKpa = Math.max(pressureKpa, ruleNumber(keys.high, rules));
    if (lowKpa !== highKpa) {
      show.line('least', 'rule', lowKpa, 'kPa');
      show.line('most', 'rule', highKpa, 'kPa');
    }
    const lockBelowKpa = ruleNumber('pressure.lockBelowKpa', rules, show);
    const wantsRimLock = tube && rimLocks === 0 && pressureKpa < lockBelowKpa && use !== 'storage';
    show.verdict(wantsRimLock ? 'check' : 'good');
    if (wantsRimLock) show.caution('With a tube and no rim lock the tire can creep at this pressure and tear the valve.');
    show.caution('Set it cold, with a gauge whose error you know.');
    return { pressureKpa, lowKpa, highKpa, wantsRimLock };
  },
});
