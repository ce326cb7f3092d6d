/** The standing of a promise against the likely time. */
type DueVerdict = 'good' | 'check' | 'stop';

/**
 * Whether a promise will be kept: good where nine times in ten it is done by then, check where at
 * least every second time, stop where not even that. Seconds still to go, and to the promise.
 */
export const dueVerdict = (
  left: { medianS: number; ninetyS: number },
  toPromiseS: number,
): DueVerdict =>
  left.ninetyS <= toPromiseS ? 'good' : left.medianS <= toPromiseS ? 'check' : 'stop';
