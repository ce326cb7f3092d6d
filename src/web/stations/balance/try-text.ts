import { levelHour } from '../../../core/bench/balance';
import type { BalanceEntry } from '../../../core/job';
import { piecesText } from './pieces-text';

/** An entry that is shown among the tries: all of a balancing, but where it begins again. */
export type TryEntry = Exclude<BalanceEntry, { kind: 'balance-again' }>;

export const isTry = (entry: BalanceEntry): entry is TryEntry => entry.kind !== 'balance-again';

interface Say {
  mass: (massG: number) => string;
  place: (deg: number) => string;
  side: (from: 'left' | 'right') => 'left' | 'right';
}

type Pieces = readonly { massG: number; deg: number }[];

/** A try of each kind in a few words. */
const WORDS: {
  [K in TryEntry['kind']]: (data: Extract<TryEntry, { kind: K }>['data'], say: Say) => string;
} = {
  'balance-hint': ({ massG, deg }, { mass, place }) =>
    `last time ${mass(massG)} heavy at ${place(deg)}`,
  rest: ({ restDeg, from, turned }, { place, side }) =>
    `settled at ${place(restDeg)}${from ? `, from the ${side(from)}` : ''}${turned ? ', turned around' : ''}`,
  trial: ({ pieces }, say) =>
    pieces.length === 0 ? 'all weights off' : `taped on ${list(pieces, say)}`,
  weights: ({ pieces }, say) => (pieces.length === 0 ? 'no weights' : `on: ${list(pieces, say)}`),
  'level-test': ({ deg, moved, at }, { place, side }) =>
    `${place(deg)} held level${at ? ` at ${levelHour(side(at))}` : ''} ${moved}`,
  swing: ({ periodS }) => `a swing takes ${periodS.toFixed(1)} s`,
  'machine-reading': ({ massG, deg }, { mass, place }) =>
    `machine: ${mass(massG)} at ${place(deg)}`,
  balanced: ({ leftG }, { mass }) => `balanced, ${mass(leftG)} left`,
  'trial-rest': ({ trialMassG, trialDeg, restDeg }, { mass, place }) =>
    `${mass(trialMassG)} at ${place(trialDeg)}, rest at ${place(restDeg)}`,
  'level-check': ({ clock, moved }) => `at ${clock} it ${moved}`,
};

const list = (pieces: Pieces, { mass, place }: Say): string => piecesText(pieces, { mass, place });

/** A try in a few words, as the fitter sees the wheel; the log has the whole sentence. */
export const tryText = (entry: TryEntry, say: Say): string =>
  (WORDS[entry.kind] as (data: TryEntry['data'], say: Say) => string)(entry.data, say);
