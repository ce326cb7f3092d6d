import type { Entry } from '../../../core/job';
import { piecesText } from './pieces-text';

interface Say {
  mass: (massG: number) => string;
  place: (deg: number) => string;
  side: (from: 'left' | 'right') => string;
}

/** A try in a few words, as the fitter sees the wheel; the log has the whole sentence. */
export const tryText = (entry: Entry, { mass, place, side }: Say): string => {
  const pieces = (list: readonly { massG: number; deg: number }[]) => piecesText(list, { mass, place });
  switch (entry.kind) {
    case 'balance-hint':
      return `last time ${mass(entry.data.massG)} heavy at ${place(entry.data.deg)}`;
    case 'rest':
      return `rest at ${place(entry.data.restDeg)}${entry.data.from ? ` from the ${side(entry.data.from)}` : ''}`;
    case 'trial':
      return entry.data.pieces.length === 0 ? 'all weights off' : `taped on ${pieces(entry.data.pieces)}`;
    case 'weights':
      return entry.data.pieces.length === 0 ? 'no weights' : `on: ${pieces(entry.data.pieces)}`;
    case 'level-test':
      return `${place(entry.data.deg)} held level ${entry.data.moved}`;
    case 'swing':
      return `a swing takes ${entry.data.periodS.toFixed(1)} s`;
    case 'machine-reading':
      return `machine: ${mass(entry.data.massG)} at ${place(entry.data.deg)}`;
    case 'balanced':
      return `balanced, ${mass(entry.data.leftG)} left`;
    case 'trial-rest':
      return `${mass(entry.data.trialMassG)} at ${place(entry.data.trialDeg)}, rest at ${place(entry.data.restDeg)}`;
    case 'level-check':
      return `at ${entry.data.clock} it ${entry.data.moved}`;
    default:
      return entry.kind;
  }
};
