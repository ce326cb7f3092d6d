import { InputError } from '../../base/errors';
import { date, listOf, quantity, record, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { daysAfter, daysBetween } from '../../base/units';
import { fitLine } from '../../base/statistics';
import { defineWorking, reason, type Reason } from '../../base/working';

/** A depth measured at a distance run, and on which day where it is known. */
interface TreadReading {
  km: number;
  depthMm: number;
  onDate?: string;
}

interface TreadWear {
  depthNowMm: number;
  /** Depth lost in 1000 km; null when it cannot be known. */
  rateMmPer1000Km: number | null;
  /** 90% interval of the rate; null with fewer than three readings. */
  rateLowMmPer1000Km: number | null;
  rateHighMmPer1000Km: number | null;
  kmLeft: number | null;
  kmLeftLow: number | null;
  /** Null where the line may as well be level. */
  kmLeftHigh: number | null;
  /** The day it reaches the minimum at the present pace, YYYY-MM-DD. */
  doneOn: string | null;
  reason: Reason;
}

/** No more digits than a forecast deserves: tens below 1000 km, hundreds above. */
const sensibleKm = (km: number): number =>
  km < 1000 ? Math.round(km / 10) * 10 : Math.round(km / 100) * 100;

/** No tire goes so far: by depths that say so it cannot be told. */
const MAX_KM = 500_000;

/** A pace of nearly nothing leads past any calendar. */
const MAX_DAYS = 60_000;

/** The day the distance left is used up, at the pace between the first and last dated reading. */
const dayDone = (readings: readonly TreadReading[], kmLeft: number): string | null => {
  const dated = readings.filter((r) => r.onDate !== undefined);
  const [first, last] = [dated[0], dated.at(-1)];
  if (!first || !last || first === last) return null;
  const days = daysBetween(first.onDate!, last.onDate!);
  if (days <= 0 || last.km <= first.km) return null;
  const daysLeft = kmLeft / ((last.km - first.km) / days);
  return daysLeft < MAX_DAYS ? daysAfter(last.onDate!, daysLeft) : null;
};

/**
 * The wear of a tire, and how far it still goes.
 *
 * `readings` one to 60, km 0 to 500 000, depth 0 to 40 mm; the minimum is a rule. With one reading the rate cannot be
 * known, with two it has no interval. Throws `InputError` for distances that are all the same or
 * days that run backwards. Source: ordinary least squares; interval of the slope by Student's t,
 * NIST/SEMATECH e-Handbook of Statistical Methods.
 */
export const treadWear = defineWorking<{ readings: TreadReading[]; rules?: RuleValues }, TreadWear>(
  {
    name: 'tread-wear',
    title: 'Tread life left',
    input: () => ({
      readings: listOf(
        record(
          {
            km: quantity('km', 0, 500_000, 'Distance run'),
            depthMm: quantity('tread', 0, 40, 'Depth of the tread'),
            onDate: date('When it was measured').optional(),
          },
          'A reading',
        ),
        60,
        'Depths so far',
      ),
      rules: ruleValues(),
    }),
    example: {
      readings: [
        { km: 0, depthMm: 7.8, onDate: '2026-03-01' },
        { km: 2100, depthMm: 6.4, onDate: '2026-05-20' },
        { km: 4000, depthMm: 5.3, onDate: '2026-07-30' },
      ],
    },
    work({ readings, rules }, show) {
      if (readings.length === 0)
        throw new InputError(
          'readings',
          'There is no reading.',
          'Enter at least one depth and the distance it was measured at',
        );
      const sorted = [...readings].sort((a, b) => a.km - b.km);
      for (let i = 1; i < sorted.length; i++)
        if (
          sorted[i]!.onDate !== undefined &&
          sorted[i - 1]!.onDate !== undefined &&
          sorted[i]!.onDate! < sorted[i - 1]!.onDate!
        )
          throw new InputError(
            'readings',
            `${sorted[i]!.onDate} lies before ${sorted[i - 1]!.onDate}, and the distance is larger.`,
            'Enter days in the order of the distances',
          );
      const last = sorted.at(-1)!;
      const minimumMm = ruleNumber('tread.minimumMm', rules, show);
      const depthNowMm = show.line('depth now', 'last reading', last.depthMm, 'tread');
      show.basis('measured', 'the depths');
      show.caution(
        'Measure where it is lowest. Wear bars level with the tread, cracks or a plug end a tire sooner.',
      );
      const unknown = {
        rateMmPer1000Km: null,
        rateLowMmPer1000Km: null,
        rateHighMmPer1000Km: null,
        kmLeft: null,
        kmLeftLow: null,
        kmLeftHigh: null,
        doneOn: null,
      };
      const at = { value: depthNowMm, unit: 'tread' as const };
      if (depthNowMm <= minimumMm) {
        show.verdict('stop');
        return {
          depthNowMm,
          ...unknown,
          kmLeft: 0,
          reason: reason('stop', '{0} of tread: at the minimum of {1}.', [
            at,
            { value: minimumMm, unit: 'tread' },
          ]),
        };
      }
      if (sorted.length === 1) {
        show.verdict('check');
        return {
          depthNowMm,
          ...unknown,
          reason: reason(
            'check',
            '{0} of tread. One reading can’t show wear. Measure again later.',
            [at],
          ),
        };
      }
      if (last.km === sorted[0]!.km)
        throw new InputError(
          'readings',
          'All readings are at one distance.',
          'Measure at different distances',
        );
      const { slope, half } = fitLine(
        sorted.map((r) => ({ x: r.km, y: r.depthMm })),
        90,
      );
      show.basis(
        'published',
        'least squares; Student’s t, NIST/SEMATECH e-Handbook of Statistical Methods',
      );
      const rate = show.line('lost in 1000 km', 'slope of the line', -slope * 1000, 'mm');
      const low =
        half === null ? null : show.line('at least', '90% interval', rate - half * 1000, 'mm');
      const high =
        half === null ? null : show.line('at most', '90% interval', rate + half * 1000, 'mm');
      const rates = { rateMmPer1000Km: rate, rateLowMmPer1000Km: low, rateHighMmPer1000Km: high };
      const left = (per1000: number) => ((depthNowMm - minimumMm) / per1000) * 1000;
      if (rate <= 0 || left(rate) > MAX_KM) {
        show.verdict('check');
        return {
          depthNowMm,
          ...unknown,
          ...rates,
          reason: reason('check', 'The depths hardly change. Measure again at the same places.'),
        };
      }
      if (low !== null && (low <= 0 || left(low) > MAX_KM)) {
        show.verdict('check');
        const atLeastKm = left(high!);
        return {
          depthNowMm,
          ...unknown,
          ...rates,
          kmLeftLow: show.line(
            'left, at least',
            `(${depthNowMm} − ${minimumMm}) / most lost in 1000 km`,
            atLeastKm,
            'km',
          ),
          reason: reason(
            'check',
            'At least {0} left. These depths show almost no wear. Measure again later.',
            [{ value: sensibleKm(atLeastKm), unit: 'km' }],
          ),
        };
      }
      const kmLeft = show.line('left', `(${depthNowMm} − ${minimumMm}) / rate`, left(rate), 'km');
      const kmLeftLow = high === null ? null : left(high);
      const kmLeftHigh = low === null ? null : left(low);
      const doneOn = dayDone(sorted, kmLeft);
      if (doneOn) show.line('done on', 'at the pace so far', doneOn);
      const soonKm = ruleNumber('tread.soonKm', rules, show);
      const km = (value: number) => ({ value: sensibleKm(value), unit: 'km' as const });
      const isSoon = (kmLeftLow ?? kmLeft) <= soonKm;
      const why =
        kmLeftLow === null || kmLeftHigh === null
          ? reason('check', 'About {0} left, from only two readings. Measure again later.', [
              km(kmLeft),
            ])
          : reason(
              isSoon ? 'check' : 'good',
              isSoon
                ? 'Only about {0} left ({1} to {2}). Plan the next tire.'
                : 'About {0} left ({1} to {2}).',
              [km(kmLeft), km(kmLeftLow), km(kmLeftHigh)],
            );
      show.verdict(why.verdict);
      return { depthNowMm, ...rates, kmLeft, kmLeftLow, kmLeftHigh, doneOn, reason: why };
    },
  },
);
