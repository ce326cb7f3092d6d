import { useState } from 'react';
import type { Gaps } from '../../../core/bench/drive';
import { alignOf, chainOf, stringOf, type EntryData } from '../../../core/job';
import { useJob } from '../../shared/job-context';
import { useUnits } from '../../shared/quantity';
import type { Writing } from '../../store/job-writing';

/** The typed values of the chain and its adjusters. */
interface ChainTyped {
  when: 'before' | 'after';
  /** One place or several, with spaces or semicolons between them. */
  places: string;
  least: string;
  most: string;
  run: string;
  pitch: string;
  /** The way the wheel was found straight. */
  by: 'marks' | 'string';
  left: string;
  right: string;
  leftFront: string;
  leftRear: string;
  rightFront: string;
  rightRear: string;
  wheelbase: string;
  span: string;
  side: 'left' | 'right';
}

/** The gaps of a string at the front tire, in the order in which they are measured. */
export const GAPS = [
  ['leftFront', 'Left gap, front'],
  ['leftRear', 'Left gap, rear'],
  ['rightFront', 'Right gap, front'],
  ['rightRear', 'Right gap, rear'],
] as const;

/** The chain as it is typed: what it amounts to at once, and what is written of it. */
export interface ChainAtHand {
  typed: ChainTyped;
  put(part: Partial<ChainTyped>): void;
  slack: EntryData['slack'] | null;
  marks: EntryData['marks'] | null;
  /** Worked out; null while too little is typed. */
  chain: ReturnType<typeof chainOf> | null;
  align: ReturnType<typeof alignOf | typeof stringOf> | null;
  /** The entries to write, or the sentence that says what is missing. */
  writings(): { write: Writing[] } | { problem: string };
}

/** Begins with what the machine's record says, and what was written before. */
export const useChain = (): ChainAtHand => {
  const { state, machine } = useJob();
  const { read, write: show } = useUnits();
  const known = state.slack.after ?? state.slack.before;
  const [typed, setTyped] = useState<ChainTyped>(() => {
    const text = (mm: number | null | undefined, digits = 1) =>
      mm == null ? '' : show(mm, 'mm', digits);
    return {
      when: state.slack.before ? 'after' : 'before',
      places: '',
      least: text(known?.wantMinMm ?? machine.slackMinMm),
      most: text(known?.wantMaxMm ?? machine.slackMaxMm),
      run: text(known?.runMm ?? machine.chainRunMm),
      pitch: text(known?.pitchMm ?? machine.adjusterPitchMm, 3),
      by: state.string ? 'string' : 'marks',
      left: text(state.marks?.leftMm, 2),
      right: text(state.marks?.rightMm, 2),
      leftFront: text(state.string?.gapsMm.leftFront, 2),
      leftRear: text(state.string?.gapsMm.leftRear, 2),
      rightFront: text(state.string?.gapsMm.rightFront, 2),
      rightRear: text(state.string?.gapsMm.rightRear, 2),
      wheelbase: text(state.string?.wheelbaseMm),
      span: text(state.marks?.spanMm ?? state.string?.spanMm ?? machine.adjusterSpanMm),
      side: state.marks?.chainSide ?? state.string?.chainSide ?? 'left',
    };
  });
  const mm = (text: string) => (text.trim() ? read(text, 'mm') : null);
  const placesMm = typed.places
    .split(/[\s;]+/)
    .filter(Boolean)
    .map((text) => read(text, 'mm'));
  const [wantMinMm, wantMaxMm, runMm] = [mm(typed.least), mm(typed.most), mm(typed.run)];
  const slack =
    placesMm.length > 0 &&
    !placesMm.includes(null) &&
    wantMinMm !== null &&
    wantMaxMm !== null &&
    runMm !== null
      ? {
          when: typed.when,
          placesMm: placesMm as number[],
          wantMinMm,
          wantMaxMm,
          runMm,
          pitchMm: mm(typed.pitch),
        }
      : null;
  const [leftMm, rightMm, spanMm] = [mm(typed.left), mm(typed.right), mm(typed.span)];
  const isByString = typed.by === 'string';
  const marks =
    !isByString && leftMm !== null && rightMm !== null && spanMm !== null
      ? { leftMm, rightMm, spanMm, chainSide: typed.side }
      : null;
  const gaps = GAPS.map(([key]) => mm(typed[key]));
  const wheelbaseMm = mm(typed.wheelbase);
  const string =
    isByString && !gaps.includes(null) && wheelbaseMm !== null && spanMm !== null
      ? {
          gapsMm: Object.fromEntries(GAPS.map(([key], i) => [key, gaps[i]])) as unknown as Gaps,
          wheelbaseMm,
          spanMm,
          chainSide: typed.side,
        }
      : null;
  const chain = slack && chainOf(slack);
  const align = marks ? alignOf(state, marks, slack) : string && stringOf(state, string, slack);
  const writings = (): { write: Writing[] } | { problem: string } => {
    if (placesMm.includes(null))
      return { problem: 'Slack: enter a number for each place, separated by spaces.' };
    if (placesMm.length > 0 && !slack)
      return { problem: 'Enter the manual’s min and max slack and the free chain run too.' };
    if (isByString && !string && gaps.some((g) => g !== null))
      return { problem: 'String: enter all four gaps, the wheelbase and the adjuster spacing.' };
    if (!isByString && (leftMm === null) !== (rightMm === null))
      return { problem: 'Adjuster marks: enter both or neither.' };
    if (!slack && !marks && !string)
      return { problem: 'No readings yet. Measure the slack or the alignment.' };
    for (const found of [chain, align])
      if (found && !found.ok) return { problem: found.problem.message };
    return {
      write: [
        ...(slack ? [{ kind: 'slack' as const, data: slack }] : []),
        ...(marks ? [{ kind: 'marks' as const, data: marks }] : []),
        ...(string ? [{ kind: 'string' as const, data: string }] : []),
      ],
    };
  };
  return {
    typed,
    put: (part) => setTyped((t) => ({ ...t, ...part })),
    slack,
    marks,
    chain,
    align,
    writings,
  };
};
