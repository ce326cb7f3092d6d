/** A thing on the wheel. Angles in degrees clockwise from the valve, seen from the disc side. */
export type DialMark =
  | { is: 'lock'; deg: number }
  | { is: 'light-mark'; deg: number }
  | { is: 'start' | 'finish' | 'keeper'; deg: number }
  | { is: 'bite'; deg: number; n: number; done: boolean; now: boolean }
  | { is: 'push'; fromDeg: number; toDeg: number }
  /** The way the far side lies: down in the well, or up on its seat. */
  | { is: 'far'; lies: 'well' | 'seat'; fromDeg: number; toDeg: number }
  | { is: 'heavy'; deg: number; label?: string }
  | { is: 'rest'; deg: number; label: string }
  /** The belief about the heavy spot, in grams from the axle; `fullG` reaches the rim. */
  | {
      is: 'belief';
      region: { massG: number; deg: number }[];
      heavy: { massG: number; deg: number };
      label: string;
      fullG: number;
    }
  | { is: 'trial' | 'weight'; deg: number; label: string }
  /** A bolt of a ring, by its number. */
  | { is: 'bolt'; deg: number; n: number; state: 'open' | 'done' | 'now' }
  /** A feeler reading: how far the ring stands open there, of the widest that is drawn. */
  | { is: 'gap'; deg: number; share: number; label: string }
  /** A place of the molded line: even, low, or not looked at. */
  | { is: 'line'; deg: number; even: boolean | null }
  /** Something found on tire, tube or rim. */
  | { is: 'finding'; deg: number; label: string }
  /** The valve stood at a slant. */
  | { is: 'lean' }
  | { is: 'arrow'; clockwise: boolean };

/** How wide a mark takes the sidewall, to either side of its angle; zero if it stands elsewhere. */
export const sidewallHalfDeg = (mark: DialMark): number => {
  switch (mark.is) {
    case 'arrow':
      return 18;
    case 'bite':
    case 'bolt':
    case 'line':
    case 'keeper':
    case 'finish':
      return 7;
    case 'light-mark':
      return 4;
    default:
      return 0;
  }
};

/** Where the arrow stands on the sidewall, as seen. */
export const ARROW_DEG = 330;
