import { useState } from 'react';
import type { Piece, Settle } from '../../../core/bench/balance';
import type { ByHand } from './doing';

/** The fitter's choices and texts that are not written yet. */
interface Draft {
  /** Chosen instead of the advice. */
  doing: ByHand | null;
  /** The place picked on the dial or typed. */
  deg: number | null;
  /** From which side it was let go; undefined until the fitter says so. */
  from: Settle['from'] | undefined;
  /** On which side a place was held level, as the wheel lies. */
  at: 'left' | 'right';
  /** Own pieces, all that are on; null while none are being picked. */
  pieces: Piece[] | null;
  /** Changes when the place was set elsewhere than in its field, so that the field shows it. */
  fieldKey: number;
}

/** The draft and the ways to change it. */
export interface HandDraft extends Draft {
  /** Begins something by hand, at a place and with pieces where they are known. */
  begin(doing: ByHand, deg: number | null, pieces: Piece[] | null): void;
  /** A place tapped on the dial. */
  tap(deg: number): void;
  change(part: Partial<Pick<Draft, 'deg' | 'from' | 'at' | 'pieces'>>): void;
  /** Back to what is advised. */
  clear(): void;
}

const EMPTY = { doing: null, deg: null, from: undefined, at: 'right', pieces: null } as const;

/** The act by hand at the stand, until it is written down. */
export const useHandDraft = (): HandDraft => {
  const [draft, setDraft] = useState<Draft>({ ...EMPTY, fieldKey: 0 });
  return {
    ...draft,
    begin: (doing, deg, pieces) =>
      setDraft((d) => ({ ...d, doing, deg, pieces, fieldKey: d.fieldKey + 1 })),
    tap: (deg) => setDraft((d) => ({ ...d, deg, fieldKey: d.fieldKey + 1 })),
    change: (part) => setDraft((d) => ({ ...d, ...part })),
    clear: () => setDraft((d) => ({ ...EMPTY, fieldKey: d.fieldKey + 1 })),
  };
};
