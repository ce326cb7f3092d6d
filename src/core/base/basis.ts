import type { SentenceQuantity } from './units';

/** Where a constant comes from, in order of authority. */
export type BasisKind =
  'measured' | 'sidewall' | 'manual' | 'published' | 'shop rule' | 'practice' | 'memory';

/** Collects the sources of a result. */
export interface BasisSink {
  /** `pattern` may hold `{0}` … in place of quantities. */
  basis(kind: BasisKind, pattern: string, quantities?: readonly SentenceQuantity[]): void;
}
