import type { ChainSide, Gaps } from '../bench/drive';

/**
 * Play of chain or belt in the middle of its lower run, at several places; `pitchMm` is null when
 * not known.
 */
export interface SlackData {
  when: 'before' | 'after';
  placesMm: number[];
  wantMinMm: number;
  wantMaxMm: number;
  runMm: number;
  pitchMm: number | null;
}

/** The marks of both adjusters, larger further back. */
export interface MarksData {
  leftMm: number;
  rightMm: number;
  spanMm: number;
  chainSide: ChainSide;
}

/** Gaps that a string along the rear tire leaves at the front tire. */
export interface StringData {
  gapsMm: Gaps;
  wheelbaseMm: number;
  spanMm: number;
  chainSide: ChainSide;
}

/** Chain slack and alignment of a driven wheel. */
export interface AlignmentState {
  slack: { before: SlackData | null; after: SlackData | null };
  marks: MarksData | null;
  string: StringData | null;
}

/**
 * The alignment step is done once the slack is read after the last turn, and the wheel by its marks
 * or by a string.
 */
export const alignedSteps = ({ slack, marks, string }: AlignmentState): readonly string[] =>
  slack.after && (marks || string) ? ['back-align'] : [];
