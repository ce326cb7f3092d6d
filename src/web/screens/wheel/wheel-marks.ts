import { type Wheel } from '../../../core/fit/wheels';
import { lockMarks, type DialMark } from '../../../core/fit/drawing';
import type { WheelRecord } from '../../store/api';

/** The marks of the record and the last job on the dial; pieces at one place are one mark. */
export const wheelMarks = (wheel: Wheel, { history }: Pick<WheelRecord, 'history'>): DialMark[] => {
  const massAtDeg = new Map<number, number>();
  for (const { deg, massG } of history.weights[0]?.pieces ?? [])
    massAtDeg.set(deg, (massAtDeg.get(deg) ?? 0) + massG);
  const weights = [...massAtDeg].map(([deg, massG]): DialMark => ({
    is: 'weight',
    deg,
    label: `${massG} g`,
  }));
  if (wheel.heavySpotDeg === null) return [...lockMarks(wheel), ...weights];
  const heavy: DialMark = { is: 'heavy', deg: wheel.heavySpotDeg, label: 'heavy, bare' };
  return [...lockMarks(wheel), heavy, ...weights];
};
