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
import { ruleNumber, type RuleValues } from '../../base/rules';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';

interface StemStock {
  id: string;
  stem: 'snap-in' | 'clamp-in';
  holeMm: number;
  lengthMm: number;
  angled: boolean;
  count: number;
}

interface Input {
  tube: boolean;
  rimDiameterIn: number;
  valveHoleMm?: number;
  prefers?: 'snap-in' | 'clamp-in';
  stems: StemStock[];
  rules?: RuleValues;
}

interface ValvePick {
  stemId: string | null;
  reasons: Reason[];
}

/** Rims this small leave little room beside brake and hub. */
const SMALL_RIM_IN = 12;

/**
 * The valve stem for a tubeless wheel: always a new one, by hole and length.
 *
 * `valveHoleMm` 5 to 25 where it was measured; lengths in mm. Common practice: a new stem with every tire; short stems
 * clear small wheels. Tolerances are rules, from memory.
 */
export const valvePick = defineWorking<Input, ValvePick>({
  name: 'valve-pick',
  title: 'Valve stem for a wheel',
  input: () => ({
    tube: boolean('With a tube'),
    rimDiameterIn: quantity('in', 4, 23, 'Stamped rim diameter'),
    valveHoleMm: quantity('mm', 5, 25, 'The rim’s valve hole').optional(),
    prefers: oneOf(['snap-in', 'clamp-in'], 'Shop’s preference').optional(),
    stems: uniqueBy(
      listOf(
        record(
          {
            id: text(60, 'Name of the stem'),
            stem: oneOf(['snap-in', 'clamp-in'], 'Stem type'),
            holeMm: quantity('mm', 5, 25, 'Hole needed'),
            lengthMm: quantity('mm', 10, 120, 'Its length'),
            angled: boolean('Angled'),
            count: count(0, 10_000, 'In stock'),
          },
          'A stem',
        ),
        200,
        'Stems in stock',
      ),
      'id',
    ),
    rules: ruleValues(),
  }),
  example: {
    tube: false,
    rimDiameterIn: 17,
    valveHoleMm: 11.5,
    stems: [{ id: 'a', stem: 'snap-in', holeMm: 11.5, lengthMm: 43, angled: false, count: 20 }],
  },
  work({ tube, rimDiameterIn, valveHoleMm, prefers = 'snap-in', stems, rules }, show) {
    show.basis(
      'practice',
      'a new stem with every tubeless tire: the old one’s age is unknown and it is the cheapest part of the job',
    );
    if (tube) {
      show.line('stem', 'the tube brings its own valve', 'none');
      show.verdict('good');
      return { stemId: null, reasons: [reason('good', 'The tube brings its own valve.')] };
    }
    const playMm = ruleNumber('valve.holeMm', rules, show);
    const small = rimDiameterIn <= SMALL_RIM_IN;
    const shortMm = small ? ruleNumber('valve.shortMm', rules, show) : Number.POSITIVE_INFINITY;
    const fits = stems
      .filter(
        (s) =>
          s.count > 0 &&
          (valveHoleMm === undefined || Math.abs(s.holeMm - valveHoleMm) <= playMm) &&
          (s.lengthMm <= shortMm || s.angled),
      )
      .sort(
        (a, b) =>
          Number(b.stem === prefers) - Number(a.stem === prefers) ||
          (small ? a.lengthMm - b.lengthMm : 0) ||
          b.count - a.count,
      );
    const best = fits[0];
    const reasons: Reason[] = [];
    // A hole of 11.5 mm is not one of 12.
    const mm = (value: number) => ({ value, unit: 'mm' as const, digits: 1 });
    if (!best)
      reasons.push(
        reason(
          'check',
          `No new stem in stock fits${small ? ' a small wheel' : ''}${valveHoleMm === undefined ? '' : ' a hole of {0}'}.`,
          valveHoleMm === undefined ? [] : [mm(valveHoleMm)],
        ),
      );
    else {
      reasons.push(
        reason(
          'good',
          `A new ${best.stem} stem, {0} long, for a hole of {1}${best.angled ? ', angled' : ''}.`,
          [mm(best.lengthMm), mm(best.holeMm)],
        ),
      );
      if (valveHoleMm === undefined) reasons.push(reason('check', 'Valve hole not measured.'));
      if (best.stem === 'clamp-in')
        reasons.push(
          reason('good', 'Clamp-in stems: torque the nut to the maker’s spec, keep the seal dry.'),
        );
      show.line('stem', best.stem, best.lengthMm, 'mm');
    }
    if (!best) show.line('stem', 'by hole and length', 'none');
    show.verdict(worstOf(reasons));
    return { stemId: best?.id ?? null, reasons };
  },
});
