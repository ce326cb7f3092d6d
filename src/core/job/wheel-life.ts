import { inspectionOf, INSPECTED } from '../bench/inspect';
import { said, type Sentence } from '../base/units';
import { readyOf } from './back-of';
import type { JobState } from './job-state';
import type { JobSummary } from './job-summary';

/** One job in a wheel's life, the facts first. */
export interface LifeEvent {
  onDate: string;
  jobId: string;
  number: number;
  /** The person who handed it over; null while it is on the bench. */
  by: string | null;
  facts: Sentence[];
  /** The findings that are not as they should be. */
  found: Sentence[];
}

/** All weight on the rim. */
const weightG = (state: JobState): number | null =>
  state.balance.weights?.pieces.reduce((sum, p) => sum + p.massG, 0) ?? null;

/** The tire that came off, what is left of it, and how far it ran. */
const offFact = (
  { marking, treadMm }: NonNullable<JobState['cameOff']>,
  ranKm: number | null,
): Sentence => {
  const left = treadMm === null ? [] : [{ value: treadMm, unit: 'tread' as const }];
  const ran = ranKm === null ? [] : [{ value: ranKm, unit: 'km' as const }];
  const parts = [
    `${marking} off`,
    ...left.map(() => '{0} of tread left'),
    ...ran.map(() => `after {${left.length}}`),
  ];
  return said(parts.join(', '), [...left, ...ran]);
};

const factsOf = (state: JobState, ranKm: number | null): Sentence[] => {
  const { cameOff, chosen, pressureSet, spokeRing, tapes, handedOver, torqued } = state;
  const grams = weightG(state);
  const dull = spokeRing?.spokes.filter((s) => s.sounds === 'dull').length ?? 0;
  const tape = tapes.at(-1);
  const snug = Object.values(torqued).filter((t) => t.how === 'guess').length;
  const unproved = handedOver?.despite ? readyOf(state).result.missing.length : 0;
  return [
    ...(state.odometerKm === null
      ? []
      : [said('{0} on the odometer', [{ value: state.odometerKm, unit: 'km' }])]),
    ...(cameOff ? [offFact(cameOff, ranKm)] : []),
    ...(chosen ? [said(`${chosen.marking} on, ${chosen.tube ? 'with a tube' : 'tubeless'}`)] : []),
    ...(pressureSet ? [said('{0} set', [{ value: pressureSet.rideKpa, unit: 'kPa' }])] : []),
    ...(grams === null ? [] : [said('{0} of weights', [{ value: grams, unit: 'g' }])]),
    ...(dull > 0 ? [said(`${dull} dull ${dull === 1 ? 'spoke' : 'spokes'}`)] : []),
    ...(tape ? [said('{0} by tape', [{ value: tape.circumferenceMm, unit: 'mm' }])] : []),
    ...(snug > 0 ? [said(`${snug} not verified`)] : []),
    ...(unproved > 0
      ? [said(`left with ${unproved} safety ${unproved === 1 ? 'check' : 'checks'} not on record`)]
      : []),
  ];
};

/**
 * A job as an event in the life of its wheel. `ranKm` is what the tire that came off ran on it,
 * where both are known.
 */
export const lifeEvent = (
  job: Pick<JobSummary, 'id' | 'number' | 'openedAt'>,
  state: JobState,
  ranKm: number | null = null,
): LifeEvent => ({
  onDate: (state.handedOver?.at ?? job.openedAt).slice(0, 10),
  jobId: job.id,
  number: job.number,
  by: state.handedOver?.who ?? null,
  facts: factsOf(state, ranKm),
  found: INSPECTED.flatMap((part) =>
    state.findings[part]
      ? inspectionOf(part)
          .run({ found: state.findings[part] })
          .result.reasons.filter((r) => r.verdict !== 'good')
      : [],
  ),
});
