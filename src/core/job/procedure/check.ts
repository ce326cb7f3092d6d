import type { Build } from '../../fit/wheels';

/** The facts that trouble depends on. */
export interface Facts {
  build: Build;
  tube: boolean;
  rimLocks: number;
  rimDiameterIn: number;
  /** With a brake disc; taken as there where no one says. */
  disc?: boolean;
}

/** One thing to look at. */
export interface Check {
  id: string;
  check: string | ((facts: Facts) => string);
  why: string | ((facts: Facts) => string);
  /** A ring or rim bolt is turned or taken out for it: all air has to be out first. */
  airOut?: true;
  /** The frequency of the cause, 1 to 5. Basis: memory. */
  weight: number;
  /** Only on wheels that have it. */
  when?: (facts: Facts) => boolean;
  /** More likely on this wheel, and why. */
  more?: (facts: Facts) => string | null;
}
