import { angle, quantity, record, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { angleBetween, normalDeg } from '../../base/units';
import { defineWorking, reason, type Reason } from '../../base/working';
import { fromVector, sumVectors, toVector, type MassVector } from './mass-vector';

interface Input {
  /** Heavy spot of the bare wheel, and of wheel and tire together as they are now. */
  bare: MassVector;
  assembly: MassVector;
  /** The present place of the tire's light mark. */
  markDeg: number;
  rules?: RuleValues;
}

interface BalanceIndex {
  tire: MassVector;
  /**
   * The weight the wheel would need with the mark at the valve, and at the bare wheel's heavy spot.
   */
  markAtValveG: number;
  markAtHeavyG: number;
  /** Turn of the tire on the rim that leaves least, and what is left then. */
  turnDeg: number;
  leastG: number;
  savesG: number;
  worthIt: boolean;
  reason: Reason;
}

const VECTOR = (label: string) =>
  record({ massG: quantity('g', 0, 1000, 'Mass'), deg: angle('Where it is heavy') }, label);

/**
 * The tire's own heavy spot, what each school of light mark would have needed, and the turn of the
 * tire on the rim that leaves least.
 *
 * Masses 0 to 1000 g at the weight radius, angles from the valve. Source: statics, the assembly is
 * rim and tire as vectors; a turned tire turns its vector. Whether it is worth the work is a rule.
 */
export const balanceIndex = defineWorking<Input, BalanceIndex>({
  name: 'balance-index',
  title: 'Turn the tire on the rim',
  input: () => ({
    bare: VECTOR('The bare wheel'),
    assembly: VECTOR('Wheel and tire'),
    markDeg: angle('The light mark now'),
    rules: ruleValues(),
  }),
  example: { bare: { massG: 34, deg: 200 }, assembly: { massG: 55, deg: 190 }, markDeg: 0 },
  work({ bare, assembly, markDeg, rules }, show) {
    const [ax, ay] = toVector(assembly);
    const [bx, by] = toVector(bare);
    const tire = fromVector([ax - bx, ay - by]);
    show.line('the tire’s own', 'assembly − bare wheel, as vectors', tire.massG, 'g');
    show.line('heavy at', 'its direction now', tire.deg, 'deg');
    const withTurn = (turn: number) =>
      sumVectors([bare, { massG: tire.massG, deg: tire.deg + turn }]).massG;
    const markAtValveG = show.line(
      'mark at the valve',
      'tire turned by − mark',
      withTurn(-markDeg),
      'g',
    );
    const markAtHeavyG = show.line(
      'mark at the bare heavy spot',
      'tire turned to it',
      withTurn(bare.deg - markDeg),
      'g',
    );
    const turnDeg = show.line(
      'best turn',
      'the tire’s heavy spot opposite the rim’s',
      angleBetween(tire.deg, normalDeg(bare.deg + 180)),
      'deg',
    );
    const leastG = show.line('left then', '|tire − bare|', Math.abs(tire.massG - bare.massG), 'g');
    const savesG = show.line('saves', 'now − then', assembly.massG - leastG, 'g');
    const limitG = ruleNumber('balance.indexG', rules, show);
    const worthIt = assembly.massG > limitG && savesG > 0.25 * assembly.massG;
    show.basis('published', 'statics: masses add as vectors');
    show.basis('practice', 'the mark usually shows the lightest place; the readings decide');
    const saves = [
      { value: savesG, unit: 'g' as const, digits: 0 },
      { value: assembly.massG, unit: 'g' as const, digits: 0 },
      { value: limitG, unit: 'g' as const, digits: 0 },
    ];
    const why = worthIt
      ? reason(
          'check',
          `Above {2}: turn the tire by ${Math.round(turnDeg)}° on the rim, that saves {0} of {1}.`,
          saves,
        )
      : assembly.massG > limitG
        ? reason('check', 'Above {2}, but turning the tire saves only {0} of {1}.', saves)
        : reason('good', '{1} is within what the shop accepts. Leave the tire where it is.', saves);
    show.verdict(why.verdict);
    return { tire, markAtValveG, markAtHeavyG, turnDeg, leastG, savesG, worthIt, reason: why };
  },
});
