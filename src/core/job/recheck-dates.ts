import { ageDue, LOOK_WORDS, lookFrom, type JobLook } from './recheck';
import { ruleNumber } from '../base/rules';
import { daysAfter } from '../base/units';
import type { JobState } from './job-state';
import type { LookedAgain } from './kinds/looked-again';

/** Something to look at again. */
export interface Recheck {
  what: string;
  onDate: string;
  look: JobLook;
}

/** A recheck that a job asks for, and the look that closed it; null while it is open. */
interface JobDue extends Recheck {
  closed: LookedAgain | null;
}

/**
 * When to look again: the dates in the log, or from the day of the work by rule. `onDate`
 * YYYY-MM-DD.
 */
export const recheckDates = (state: JobState, onDate: string): Recheck[] => {
  if (state.rechecks.length > 0)
    return state.rechecks
      .map((r) => ({ ...r, look: r.look ?? lookFrom(r.what) }))
      .sort((a, b) => a.onDate.localeCompare(b.onDate));
  const bolts =
    state.wheel?.build === 'spoked'
      ? 'Spokes, torque and weights after the first ride'
      : LOOK_WORDS.bolts;
  return [
    {
      what: LOOK_WORDS.pressure,
      onDate: daysAfter(onDate, ruleNumber('recheck.pressureDays', state.rules)),
      look: 'pressure',
    },
    {
      what: bolts,
      onDate: daysAfter(onDate, ruleNumber('recheck.boltsDays', state.rules)),
      look: 'bolts',
    },
  ];
};

/**
 * All that a handed-over job asks to be looked at again, its tire's age included; none before. A
 * look at the age does not close it: it moves it.
 */
export const jobDues = (state: JobState): JobDue[] => {
  if (!state.handedOver) return [];
  const workDay = state.handedOver.at.slice(0, 10);
  const lookAt = (what: string): LookedAgain | null =>
    state.lookedAgain.findLast((l) => l.what === what) ?? null;
  const asked = recheckDates(state, workDay).map((r) => ({ ...r, closed: lookAt(r.what) }));
  const code = state.chosen?.dateCode ?? null;
  if (code === null) return asked;
  const seenOn = lookAt(LOOK_WORDS.age)?.at.slice(0, 10) ?? null;
  return [
    ...asked,
    ...ageDue(code, workDay, seenOn, state.rules).map(({ what, onDate }): JobDue => ({
      what,
      onDate,
      look: 'age',
      closed: null,
    })),
  ];
};
