/** Sizes of ring bolts; coarse threads. */
export const BOLT_NAMES = ['1/4-20', '5/16-18', '3/8-16', 'M6', 'M8', 'M10'] as const;
export type BoltName = (typeof BOLT_NAMES)[number];

/** Grades of inch bolts and classes of metric ones, as their heads say. */
export const GRADE_NAMES = ['5', '8', '8.8', '10.9'] as const;
export type GradeName = (typeof GRADE_NAMES)[number];

/** The kinds of pairs that two wheels of a machine make. */
export const PAIRS = ['drag rears', 'driven axle of four', 'rear and driven sidecar'] as const;
export type PairKind = (typeof PAIRS)[number];
