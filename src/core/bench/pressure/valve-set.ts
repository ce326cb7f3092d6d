import { count, ruleValues, boolean } from '../../base/fields';
import { ruleWord, type RuleValues } from '../../base/rules';
import { defineWorking } from '../../base/working';

/** The sentence of each school about the valve nut. */
export const NUT_SAYS: Record<string, string> = {
  'finger-tight': 'Valve nut finger-tight to the rim.',
  'against the cap': 'Valve nut backed off against the cap.',
  tightened: 'Valve nut tightened.',
};
const NUT_WHY: Record<string, string> = {
  'finger-tight': 'it holds the stem but gives a little if the tube creeps',
  'against the cap': 'a creeping tube shows as a leaning stem instead of a torn one',
  tightened: 'for the road, where no creep is expected',
};
const NO_NUT = 'No nut: a rubber-sleeved valve takes none.';

interface Input {
  tube: boolean;
  /** The tube's valve is a rubber sleeve. */
  sleeve: boolean;
  rimLocks: number;
  /** Off the road, at pressures where a tube can creep. */
  creeps: boolean;
  rules?: RuleValues;
}

export interface ValveSet {
  nut: string | null;
  lock: string | null;
}

/**
 * The state of valve nut and rim lock once the beads are on their seats.
 *
 * `rimLocks` 0 to 3. Common practice: three schools of nut; a lock is snug, without a torque figure.
 */
export const valveSet = defineWorking<Input, ValveSet>({
  name: 'valve-set',
  title: 'Valve nut and rim lock',
  input: () => ({
    tube: boolean('With a tube'),
    sleeve: boolean('Rubber-sleeved valve'),
    rimLocks: count(0, 3, 'Rim locks'),
    creeps: boolean('The tube can creep'),
    rules: ruleValues(),
  }),
  example: { tube: true, sleeve: false, rimLocks: 1, creeps: true },
  work({ tube, sleeve, rimLocks, creeps, rules }, show) {
    const school = ruleWord('valveNut.school', rules, show);
    const nut = !tube
      ? null
      : show.line(
          'valve nut',
          'by shop method',
          sleeve ? NO_NUT : (NUT_SAYS[school] ?? 'Valve nut as the shop leaves it.'),
        );
    if (tube && !sleeve && NUT_WHY[school]) show.basis('practice', `${school}: ${NUT_WHY[school]}`);
    const lock =
      rimLocks === 0
        ? null
        : show.line(
            'rim lock',
            'after the tire has seated',
            `${rimLocks > 1 ? 'Rim locks' : 'Rim lock'} snug, not tight.`,
          );
    if (lock) show.basis('practice', 'no torque spec exists; overtightening breaks a lock');
    const torn = tube && !sleeve && creeps && school === 'tightened';
    if (torn) show.caution('A tightened nut holds the stem while the tube creeps: it tears.');
    if (lock) show.caution('A lock is snug only after the tire has seated.');
    if (!nut && !lock) show.line('valve', 'tubeless, no lock', 'nothing to tighten');
    show.verdict(torn ? 'check' : 'good');
    return { nut, lock };
  },
});
