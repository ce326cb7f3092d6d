import { InputError } from '../../base/errors';
import { count, marking, oneOf, quantity, record, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { defineWorking, reason, SILENT, worstOf, type Reason, type Show } from '../../base/working';
import { maxLoadKg } from './load-index';
import { SPEED_SYMBOL_KMH, maxSpeedKmh } from './speed-symbol';
import { readTire, type TireSize } from './tire-size';

/**
 * The loads on the wheels, in kg. `emptyFrontKg` and `emptyRearKg` are the machine ready to ride.
 */
export interface LoadSheet {
  emptyFrontKg: number;
  emptyRearKg: number;
  riderKg: number;
  passengerKg: number;
  luggageKg: number;
}

/** The load and speed a tire has to carry. */
interface ServiceNeed {
  end: 'front' | 'rear';
  minLoadIndex?: number;
  minSpeedSymbol?: string;
  sheet?: LoadSheet;
  /** Tires that share the end's load. */
  tiresOnEnd?: 1 | 2;
}

interface LoadSpeedFit {
  reasons: Reason[];
  /** Load on one tire, kg; null without a load sheet. */
  loadKg: number | null;
  carriesKg: number | null;
  /** Of what it carries, what is left; null without a load sheet. */
  marginPct: number | null;
}

const kg = (value: number) => ({ value, unit: 'kg' as const });

/** Load on one tire of an end. */
const loadOn = (
  { end, sheet, tiresOnEnd = 1 }: ServiceNeed & { sheet: LoadSheet },
  rules: RuleValues | undefined,
  show: Show,
): number => {
  const share = (key: string) => {
    const rear = ruleNumber(key, rules, show) / 100;
    return end === 'rear' ? rear : 1 - rear;
  };
  const emptyKg = show.line(
    'machine',
    `on the ${end}`,
    end === 'rear' ? sheet.emptyRearKg : sheet.emptyFrontKg,
    'kg',
  );
  const riderKg = show.line(
    'rider',
    `${sheet.riderKg} kg × ${share('load.riderRearPct').toFixed(2)}`,
    sheet.riderKg * share('load.riderRearPct'),
    'kg',
  );
  const passengerKg = show.line(
    'passenger',
    `${sheet.passengerKg} kg × ${share('load.passengerRearPct').toFixed(2)}`,
    sheet.passengerKg * share('load.passengerRearPct'),
    'kg',
  );
  const luggageKg = show.line(
    'luggage',
    `${sheet.luggageKg} kg × ${share('load.luggageRearPct').toFixed(2)}`,
    sheet.luggageKg * share('load.luggageRearPct'),
    'kg',
  );
  return show.line(
    'on one tire',
    `sum / ${tiresOnEnd}`,
    (emptyKg + riderKg + passengerKg + luggageKg) / tiresOnEnd,
    'kg',
  );
};

/** Load index and speed symbol against what the machine asks, and against a load sheet. */
export const fitLoadSpeed = (
  size: TireSize,
  need: ServiceNeed,
  rules: RuleValues | undefined,
  show: Show = SILENT,
): LoadSpeedFit => {
  const reasons: Reason[] = [];
  const { minLoadIndex, minSpeedSymbol, sheet } = need;
  const carriesKg = size.maxLoadKg;
  if (carriesKg !== null) show.line('max load', `load index ${size.loadIndex}`, carriesKg, 'kg');
  if (minLoadIndex !== undefined) {
    const asked = show.line(
      'required by the machine',
      `load index ${minLoadIndex}`,
      maxLoadKg(minLoadIndex)!,
      'kg',
    );
    if (size.loadIndex === null)
      reasons.push(
        reason('check', `No load index given; required ${minLoadIndex}, {0}.`, [kg(asked)]),
      );
    else if (size.loadIndex < minLoadIndex)
      reasons.push(
        reason(
          'stop',
          `Load index ${size.loadIndex} ({0}) is below the required ${minLoadIndex} ({1}).`,
          [kg(carriesKg!), kg(asked)],
        ),
      );
    else reasons.push(reason('good', `Load index ${size.loadIndex}; required ${minLoadIndex}.`));
  }
  if (minSpeedSymbol !== undefined) {
    const askedKmh = show.line(
      'required by the machine',
      `speed symbol ${minSpeedSymbol}`,
      maxSpeedKmh(minSpeedSymbol)!,
      'km/h',
    );
    if (size.maxSpeedKmh === null)
      reasons.push(reason('check', `No speed symbol given; required ${minSpeedSymbol}.`));
    else if (size.maxSpeedKmh < askedKmh)
      reasons.push(
        reason(
          'stop',
          `Speed symbol ${size.speedSymbol} ({0}) is below the required ${minSpeedSymbol} ({1}).`,
          [
            { value: size.maxSpeedKmh, unit: 'km/h' },
            { value: askedKmh, unit: 'km/h' },
          ],
        ),
      );
    else
      reasons.push(reason('good', `Speed symbol ${size.speedSymbol}; required ${minSpeedSymbol}.`));
  }
  if (!sheet) return { reasons, loadKg: null, carriesKg, marginPct: null };
  const loadKg = loadOn({ ...need, sheet }, rules, show);
  if (carriesKg === null)
    return {
      reasons: [
        ...reasons,
        reason('check', 'No load index given, so {0} can’t be checked.', [kg(loadKg)]),
      ],
      loadKg,
      carriesKg,
      marginPct: null,
    };
  const marginPct = show.line(
    'margin',
    `1 − ${loadKg.toFixed(0)} / ${carriesKg}`,
    (1 - loadKg / carriesKg) * 100,
    'pct',
  );
  const keepPct = ruleNumber('load.marginPct', rules, show);
  if (loadKg > carriesKg)
    reasons.push(reason('stop', 'Load {0}, max {1}: overloaded.', [kg(loadKg), kg(carriesKg)]));
  else if (marginPct < keepPct)
    reasons.push(reason('check', 'Load {0}, max {1}: little margin.', [kg(loadKg), kg(carriesKg)]));
  else reasons.push(reason('good', 'Load {0}, max {1}.', [kg(loadKg), kg(carriesKg)]));
  return { reasons, loadKg, carriesKg, marginPct };
};

/** A load sheet as input of a working. A machine that weighs nothing was not weighed. */
export const LOAD_SHEET = record(
  {
    emptyFrontKg: quantity('kg', 0, 1500, 'Machine weight, front'),
    emptyRearKg: quantity('kg', 0, 1500, 'Machine weight, rear'),
    riderKg: quantity('kg', 0, 300, 'Rider with gear'),
    passengerKg: quantity('kg', 0, 300, 'Passenger with gear'),
    luggageKg: quantity('kg', 0, 500, 'Luggage'),
  },
  'Load sheet',
).custom((sheet: LoadSheet, { state }) => {
  if (sheet.emptyFrontKg + sheet.emptyRearKg <= 0)
    throw new InputError(
      `${(state.path ?? []).join('.')}.emptyRearKg`,
      'The machine’s own weight is zero.',
      'Enter the load on the rear with the machine ready to ride',
    );
  return sheet;
});

/**
 * Load index and speed symbol against the machine's minimum and a load sheet.
 *
 * `minLoadIndex` 0 to 120; masses in kg; shares of rider, passenger and luggage on the rear are rules.
 * Throws `InputError` when there is nothing to judge by. Source: ISO 4000-1 for index and symbol.
 */
export const loadSpeedFit = defineWorking<
  ServiceNeed & { marking: string; rules?: RuleValues },
  LoadSpeedFit
>({
  name: 'load-speed-fit',
  title: 'Load and speed rating',
  input: () => ({
    marking: marking('The tire with its load index and speed symbol'),
    end: oneOf(['front', 'rear'], 'The end of the machine'),
    minLoadIndex: count(0, 120, 'Required load index').optional(),
    minSpeedSymbol: oneOf(Object.keys(SPEED_SYMBOL_KMH), 'Required speed symbol').optional(),
    sheet: LOAD_SHEET.optional(),
    tiresOnEnd: count(1, 2, 'Tires sharing the load at this end').optional(),
    rules: ruleValues(),
  }),
  example: {
    marking: '150/70R18 70H',
    end: 'rear',
    minLoadIndex: 65,
    minSpeedSymbol: 'H',
    sheet: { emptyFrontKg: 105, emptyRearKg: 110, riderKg: 95, passengerKg: 0, luggageKg: 30 },
  },
  work({ marking: text, rules, ...need }, show) {
    if (need.minLoadIndex === undefined && need.minSpeedSymbol === undefined && !need.sheet)
      throw new InputError(
        'minLoadIndex',
        'Nothing to check the tire against.',
        'Enter the machine’s load index, its speed symbol, or a load sheet',
      );
    show.basis('published', 'ISO 4000-1, load index and speed symbol');
    if (need.minLoadIndex !== undefined || need.minSpeedSymbol !== undefined)
      show.basis('manual', 'the machine’s spec');
    const fit = fitLoadSpeed(readTire(text, rules), need, rules, show);
    show.verdict(worstOf(fit.reasons));
    if (worstOf(fit.reasons) !== 'good')
      show.caution('The machine’s manual decides. Defer to local codes.');
    return fit;
  },
});
