import { counted } from '../../base/units';
import { count, quantity, ruleValues, boolean } from '../../base/fields';
import { ruleNumber, ruleWord, type RuleValues } from '../../base/rules';
import { defineWorking, reason, SILENT, worstOf, type Reason, type Show } from '../../base/working';

/** The findings on an old tube. */
export interface TubeFindings {
  /** Pumped up outside the tire, it keeps its air and is quiet. */
  holdsAir: boolean;
  /** Marks along the inside, where spoke nipples rub. */
  chafed: boolean;
  valveSound: boolean;
  ageYears: number;
  patches: number;
  rules?: RuleValues;
}

export interface TubeReuse {
  again: boolean;
  reasons: Reason[];
}

/** The fields of the findings, as workings take them. */
export const OLD_TUBE_FIELDS = {
  holdsAir: boolean('Holds air outside the tire'),
  chafed: boolean('Chafed on the inside, where nipples rub'),
  valveSound: boolean('Valve straight and not torn'),
  ageYears: quantity('years', 0, 40, 'Age of the tube'),
  patches: count(0, 20, 'Patches on it'),
};

/** Whether an old tube goes in again, by what was found on it and the shop's school. */
export const judgeOldTube = (
  { holdsAir, chafed, valveSound, ageYears, patches, rules }: TubeFindings,
  show: Show = SILENT,
): TubeReuse => {
  const school = ruleWord('tube.school', rules, show);
  const oldestYears = ruleNumber('tube.ageYears', rules, show);
  const most = ruleNumber('tube.patches', rules, show);
  const reasons: Reason[] = [
    ...(holdsAir ? [] : [reason('stop', 'It does not keep its air.')]),
    ...(chafed ? [reason('stop', 'Chafed where the nipples rub: it is thin there.')] : []),
    ...(valveSound ? [] : [reason('stop', 'The valve leans or is torn.')]),
    ...(ageYears > oldestYears
      ? [
          reason('stop', '{0} old; shop limit {1}.', [
            { value: ageYears, unit: 'years' },
            { value: oldestYears, unit: 'years' },
          ]),
        ]
      : []),
    ...(patches > most
      ? [reason('stop', `${counted(patches, 'patch', 'patches')}; the shop allows ${most}.`)]
      : []),
  ];
  const sound = worstOf(reasons) === 'good';
  if (sound && school === 'new')
    reasons.push(reason('check', 'Sound, but this shop fits a new tube with every tire.'));
  if (sound && school === 'reuse')
    reasons.push(reason('good', 'Sound; reuse it. Wash off the grit first, then powder.'));
  return { again: sound && school === 'reuse', reasons };
};

/**
 * Whether an old tube goes in again, by what was found on it and the shop's school.
 *
 * `ageYears` 0 to 40, `patches` 0 to 20. Common practice; the limits are rules, from memory.
 */
export const tubeReuse = defineWorking<TubeFindings, TubeReuse>({
  name: 'tube-reuse',
  title: 'Old tube: reuse or replace',
  input: () => ({ ...OLD_TUBE_FIELDS, rules: ruleValues() }),
  example: { holdsAir: true, chafed: false, valveSound: true, ageYears: 1, patches: 0 },
  work(findings, show) {
    const old = judgeOldTube(findings, show);
    show.line('age', 'as known', findings.ageYears, 'years');
    show.line('patches', 'counted', findings.patches);
    show.basis('practice', 'pump it up, listen, look along the inside, check age and patches');
    show.verdict(worstOf(old.reasons));
    return old;
  },
});
