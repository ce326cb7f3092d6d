import { parseMarking, type Tread } from '../tires';
import { normalDeg } from '../../base/units';
import type { DrawnWheel, WheelRadii } from './drawn-wheel';
import { arcSpanDeg, circle, type DrawnShape } from './shapes';

/** Share of the sidewall, from the rim outward, that is drawn lighter than tread and bead. */
const FACE_FROM = 0.24;
const FACE_TO: Record<'blocks' | 'smooth', number> = { blocks: 0.9, smooth: 0.68 };

/** The sidewall between bead and shoulder. */
export const sidewallShapes = (
  kind: Tread,
  { shoulder, tread, rimOut }: WheelRadii,
): DrawnShape[] => {
  const high = shoulder - rimOut;
  const to = rimOut + high * FACE_TO[shoulder < tread || kind === 'slick' ? 'blocks' : 'smooth'];
  const from = rimOut + high * FACE_FROM;
  return [
    circle('sidewall', to),
    circle('groove', to, false),
    circle('rubber', from),
    circle('groove', rimOut + high * 0.1, false),
  ];
};

/** The size as it is molded, and the words beside it if the marking has them. */
const moldedWords = (marking: string): string[] => {
  const upper = marking.toUpperCase();
  const size = upper
    .replace(/\b(TL|TT|NHS)\b/g, '')
    .replace(/\s+/g, ' ')
    .trim();
  try {
    const { tubeless, notForHighway } = parseMarking(marking);
    if (notForHighway) return [size, 'NOT FOR HIGHWAY'];
    return tubeless === null ? [size] : [size, tubeless ? 'TUBELESS' : 'TUBE TYPE'];
  } catch {
    return [size.slice(0, MAX_UNREAD)];
  }
};
/** Letters shown of a marking that cannot be read. */
const MAX_UNREAD = 24;

/** Where the words stand on a free sidewall: the size upper right, the rest lower left. */
const HOMES_DEG = [48, 222];
const STEP_DEG = 12;
const MIN_SIZE = 11;

/**
 * The sidewall's own words along the arc, away from `taken` angles; a word without room is left
 * out.
 */
export const moldedText = (
  wheel: Pick<DrawnWheel, 'tireMarking'>,
  { shoulder, rimOut }: WheelRadii,
  taken: readonly { deg: number; halfDeg: number }[],
): DrawnShape[] => {
  if (!wheel.tireMarking) return [];
  const high = shoulder - rimOut;
  const size = Math.min(24, high * 0.3);
  if (size < MIN_SIZE) return [];
  const r = rimOut + high * 0.42;
  const used = [...taken];
  const isFree = (deg: number, halfDeg: number): boolean =>
    used.every((its) => {
      const apart = Math.abs(normalDeg(its.deg - deg + 180) - 180);
      return apart >= its.halfDeg + halfDeg + 2;
    });
  return moldedWords(wheel.tireMarking).flatMap((text, i): DrawnShape[] => {
    const halfDeg = arcSpanDeg(text, size, r) / 2;
    const steps = Array.from({ length: 360 / STEP_DEG }, (_, k) =>
      normalDeg((HOMES_DEG[i] ?? 0) + (k % 2 === 0 ? 1 : -1) * Math.ceil(k / 2) * STEP_DEG),
    );
    const deg = steps.find((one) => isFree(one, halfDeg));
    if (deg === undefined) return [];
    used.push({ deg, halfDeg });
    return [{ kind: 'arc-text', role: 'molding', text, size, r, deg }];
  });
};
