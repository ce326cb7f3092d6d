import type { SentenceQuantity } from './units';

/** The sources of a constant, in order of authority. */
export type BasisKind =
  'measured' | 'sidewall' | 'manual' | 'published' | 'shop rule' | 'practice' | 'memory';

/** The on-screen names of the kinds. */
export const BASIS_WORDS: Record<BasisKind, string> = {
  measured: 'measured',
  sidewall: 'sidewall',
  manual: 'manual',
  published: 'published',
  'shop rule': 'shop rule',
  practice: 'common practice',
  memory: 'unconfirmed',
};

/** Collects the sources of a result. */
export interface BasisSink {
  /** `pattern` may hold `{0}` … in place of quantities. */
  basis(kind: BasisKind, pattern: string, quantities?: readonly SentenceQuantity[]): void;
}
