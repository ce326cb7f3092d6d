import { STATIONS, STATION_WORDS, type StationId } from '../stations';
import type { Rule } from './rule';

const GROUP = 'The day';
const confirm = 'Recalled, not looked up. The shop’s own jobs soon replace it.';

/** Minutes that a wheel takes at a station where the shop has no jobs to go by. Basis: memory. */
const USUAL_MINUTES: Record<StationId, number> = {
  intake: 5,
  choose: 5,
  'wheel-off': 12,
  'tire-off': 12,
  inspect: 10,
  'tire-on': 15,
  seat: 6,
  set: 4,
  balance: 10,
  'wheel-back': 15,
  'hand-over': 5,
};

/** The rule that holds the usual minutes of a station. */
export const minutesRule = (station: StationId): string =>
  `time.${station.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase())}Min`;

/** Usual times of work before the shop knows its own, and how soon its own jobs count more. */
export const DAY_RULES: readonly Rule[] = [
  {
    key: 'day.benches',
    says: 'Benches: wheels worked on at once',
    group: GROUP,
    value: 2,
    unit: null,
    basis: 'memory',
    note: 'Count your own.',
    min: 1,
    max: 12,
    whole: true,
  },
  {
    key: 'day.backDays',
    says: 'Counts as a return within',
    group: GROUP,
    value: 30,
    unit: 'days',
    basis: 'memory',
    note: confirm,
    min: 1,
    max: 365,
  },
  ...STATIONS.map((station): Rule => ({
    key: minutesRule(station),
    says: `${STATION_WORDS[station]} time until the shop’s jobs tell, minutes`,
    group: GROUP,
    value: USUAL_MINUTES[station],
    unit: null,
    basis: 'memory',
    note: confirm,
    min: 1,
    max: 240,
  })),
  {
    key: 'time.priorJobs',
    says: 'Weight of these minutes, in jobs',
    group: GROUP,
    value: 4,
    unit: null,
    basis: 'memory',
    note: confirm,
    min: 3,
    max: 50,
    whole: true,
  },
  {
    key: 'time.spreadPct',
    says: 'Spread between wheels until the shop’s jobs tell',
    group: GROUP,
    value: 40,
    unit: 'pct',
    basis: 'memory',
    note: confirm,
    min: 5,
    max: 150,
  },
];
