import { sumVectors } from '../balance';
import { leverPlan } from '../procedure';
import type { Step } from '../procedure';
import { ruleWord } from '../rules';
import { meanDeg } from '../units';
import type { DialMark } from '../wheels';
import type { JobState } from './fold';
import type { StationId } from './stations';

const levers = (state: JobState, direction: 'off' | 'on'): DialMark[] => {
  const plan = leverPlan(state.wheel!, direction, ruleWord('bite.start', state.rules));
  const marks: DialMark[] = [
    { at: 'start', deg: plan.startDeg },
    { at: 'finish', deg: plan.finishDeg },
    { at: 'kneel', fromDeg: plan.kneelFromDeg, toDeg: plan.kneelToDeg },
  ];
  return marks;
};

/** `2 × 10 + 5 g` for pieces at one place. */
const massesText = (masses: number[]): string => {
  const kinds = [...new Set(masses)].sort((a, b) => b - a);
  const text = kinds.map((m) => {
    const n = masses.filter((x) => x === m).length;
    return n > 1 ? `${n} × ${m}` : String(m);
  });
  return `${text.join(' + ')} g`;
};

/** Pieces at one place as one mark. */
const weightMarks = (state: JobState): DialMark[] => {
  const byPlace = new Map<number, number[]>();
  for (const piece of state.weights?.pieces ?? []) byPlace.set(piece.deg, [...(byPlace.get(piece.deg) ?? []), piece.massG]);
  return [...byPlace].map(([deg, masses]) => ({ at: 'weight', deg, label: massesText(masses) }));
};

const balanceMarks = (state: JobState): DialMark[] => {
  if (state.rests.length === 0) return [];
  const restDeg = meanDeg(state.rests.map((r) => r.restDeg));
  const heavy: DialMark = { at: 'heavy', deg: restDeg };
  if (state.weights) {
    const total = sumVectors(state.weights.pieces);
    return [{ ...heavy, label: `${Math.round(total.massG)} g` }, ...weightMarks(state)];
  }
  if (!state.trial) return [heavy];
  return [
    heavy,
    { at: 'trial', deg: state.trial.trialDeg, label: `${state.trial.trialMassG} g` },
    { at: 'rest', deg: state.trial.restDeg, label: 'then' },
  ];
};

/** What the dial shows at a station, and for the step at hand. */
export const dialMarks = (state: JobState, station: StationId, step?: Step): DialMark[] => {
  if (!state.wheel) return [];
  const marks: DialMark[] = state.wheel.rimLockDegs.map((deg) => ({ at: 'lock', deg }));
  const lateStation = ['seat', 'set', 'balance', 'wheel-back', 'hand-over'].includes(station);
  if (state.chosen?.lightMark && ((station === 'tire-on' && step?.shows !== 'levers-on') || lateStation)) {
    const to = ruleWord('lightMark.to', state.rules) === 'heavy spot' ? state.rests[0]?.restDeg : 0;
    marks.push({ at: 'light-mark', deg: to ?? 0 });
  }
  if (step?.shows === 'levers-off') marks.push(...levers(state, 'off'));
  if (step?.shows === 'levers-on') marks.push(...levers(state, 'on'));
  if (step?.shows === 'arrow') marks.push({ at: 'arrow', clockwise: state.wheel.discSide !== 'left' });
  if (station === 'balance' || station === 'hand-over') marks.push(...balanceMarks(state));
  return marks;
};
