import { oneOf, quantity, record, ruleValues, text } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { defineWorking } from '../../base/working';

/** The limits that may bind while seating. */
export type SeatBinds =
  'sidewall' | 'rim' | 'shop ceiling' | 'raised ceiling' | 'beadlock' | 'low-pressure tire';

export interface SeatLimit {
  limitKpa: number;
  /** The one that binds. */
  binds: SeatBinds;
}

/**
 * Tires that the shop's ceiling is not made for: held by a ring, or made to run at a few pounds.
 */
const OWN_LIMITS = ['beadlock', 'low-pressure tire'] as const;
export type OwnLimit = (typeof OWN_LIMITS)[number];

/**
 * The highest that a shop ceiling may be raised to: 50 psi, common practice in motorcycle shops.
 */
export const HIGHEST_CEILING_KPA = 344.74;

/** The other school's ceiling, for one job: who takes it on himself, and why. */
export interface RaisedCeiling {
  ceilingKpa: number;
  by: string;
  why: string;
}

interface Input {
  sidewallKpa?: number;
  rimKpa?: number;
  shopCeilingKpa: number;
  raised?: RaisedCeiling;
  own?: OwnLimit;
  rules?: RuleValues;
}

/** Shown wherever beads are seated. */
export const SEATING_CAUTIONS: readonly string[] = [
  'A bursting tire or rim kills. Clip-on chuck, gauge and valve at arm’s length, nobody over the wheel.',
  'Never above the limit. Never a flammable gas.',
  'The maker’s manual and local codes come before this screen.',
];

/** The fields of a raised ceiling, for this working and for the log. */
export const RAISED_FIELDS = {
  ceilingKpa: quantity('kPa', 20, HIGHEST_CEILING_KPA, 'The ceiling raised to, never above 50 psi'),
  by: text(60, 'Who takes responsibility'),
  why: text(200, 'Why it is raised'),
};

/**
 * The pressure that seating must never pass: the lowest of the limits known.
 *
 * All 20 to 1000 kPa; sidewall and rim where they are printed. Two schools of ceiling: the shop's
 * own (40 psi as shipped, memory), or up to 50 psi by a named person with a reason (common practice
 * in motorcycle shops). A beadlock and a low-pressure tire go by their own limit, which is
 * never raised. Common practice: the lowest binds.
 */
export const seatLimit = defineWorking<Input, SeatLimit>({
  name: 'seat-limit',
  title: 'Seating limit',
  input: () => ({
    sidewallKpa: quantity('kPa', 20, 1000, 'Seating limit on the sidewall').optional(),
    rimKpa: quantity('kPa', 20, 1000, 'Limit of the rim').optional(),
    shopCeilingKpa: quantity(
      'kPa',
      20,
      HIGHEST_CEILING_KPA,
      'The shop’s ceiling, never above 50 psi',
    ),
    raised: record(RAISED_FIELDS, 'A raised ceiling').optional(),
    own: oneOf(OWN_LIMITS, 'A tire with a limit of its own').optional(),
    rules: ruleValues(),
  }),
  example: { sidewallKpa: 280, shopCeilingKpa: 275.79 },
  work({ sidewallKpa, rimKpa, shopCeilingKpa, raised, own, rules }, show) {
    const known: { binds: SeatBinds; kpa: number }[] = [];
    if (sidewallKpa !== undefined)
      known.push({
        binds: 'sidewall',
        kpa: show.line('sidewall', 'as printed', sidewallKpa, 'kPa'),
      });
    if (rimKpa !== undefined)
      known.push({ binds: 'rim', kpa: show.line('rim', 'as marked', rimKpa, 'kPa') });
    if (own)
      known.push({
        binds: own,
        kpa: show.line(
          own,
          'rule',
          ruleNumber(own === 'beadlock' ? 'seat.beadlockKpa' : 'seat.lowPressureKpa', rules, show),
          'kPa',
        ),
      });
    if (raised && !own)
      known.push({
        binds: 'raised ceiling',
        kpa: show.line(
          'raised ceiling',
          `by ${raised.by}: ${raised.why}`,
          raised.ceilingKpa,
          'kPa',
        ),
      });
    else
      known.push({
        binds: 'shop ceiling',
        kpa: show.line('shop ceiling', 'rule', shopCeilingKpa, 'kPa'),
      });
    const lowest = known.reduce((a, b) => (b.kpa < a.kpa ? b : a));
    const limitKpa = show.line('limit', 'the lowest of them', lowest.kpa, 'kPa');
    show.basis(
      lowest.binds === 'sidewall' ? 'sidewall' : lowest.binds === 'rim' ? 'manual' : 'shop rule',
      `${lowest.binds} binds`,
    );
    if (raised && own) show.basis('practice', `a raised limit does not apply to a ${own}`);
    if (raised)
      show.basis('practice', 'up to 50 psi in motorcycle shops, by a named person with a reason');
    if (sidewallKpa === undefined) {
      show.verdict('check');
      show.caution('Read the sidewall for a seating limit before you inflate.');
    }
    for (const caution of SEATING_CAUTIONS) show.caution(caution);
    return { limitKpa, binds: lowest.binds };
  },
});
