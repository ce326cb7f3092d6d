import { useMemo } from 'react';
import {
  rankTires,
  tireFit,
  type FitContext,
  type TireFit,
  type TireRanking,
} from '../../../core/bench/fitting';
import type { TireStock } from '../../../core/shop/records';
import { tireAge, tireCompare, type TireAge, type TireComparison } from '../../../core/fit/tires';
import { tryInput, type InputAttempt } from '../../../core/base/errors';
import { attempt, type Attempt } from '../../../core/base/working';
import type { Draft } from './choice-draft';

/** The answers of the workings about the tire that is picked or typed. */
export interface FitAtHand {
  /** The whole shelf, the best first. */
  ranking: InputAttempt<TireRanking<TireStock>>;
  /** From the date code; null where none is typed. */
  age: Attempt<TireAge> | null;
  fit: Attempt<Omit<TireFit, 'treadRank'>>;
  /** Against the old size. */
  compared: Attempt<TireComparison>;
}

/** An empty field is asked about as well, and refused by name. */
const asked = (text: string): string => text || ' ';

/** Whether it fits, and how it changes the machine. */
export const useFit = (
  context: FitContext,
  shelf: readonly TireStock[],
  draft: Draft,
): FitAtHand => {
  const { marking, dateCode, tread, arrows, takeOff, treadMm, tube } = draft;
  const here = useMemo(() => ({ ...context, tube }), [context, tube]);
  const ranking = useMemo(() => tryInput(() => rankTires(shelf, here)), [shelf, here]);
  const code = dateCode.trim();
  const age = useMemo(
    () =>
      code
        ? attempt(tireAge, {
            dateCode: code,
            onDate: here.onDate,
            ...(here.rules ? { rules: here.rules } : {}),
          })
        : null,
    [code, here.onDate, here.rules],
  );
  const codeRead = age?.ok ? code : null;
  const fit = useMemo(
    () =>
      attempt(tireFit, {
        ...here,
        tire: { marking: asked(marking), tread, arrows, dateCode: codeRead, takeOff, treadMm },
      }),
    [here, marking, tread, arrows, codeRead, takeOff, treadMm],
  );
  const compared = useMemo(() => {
    const { from, end, clearancesMm, sprockets, otherEnd, rules } = here;
    return attempt(tireCompare, {
      sizes: [from, asked(marking)],
      end,
      ...(rules ? { rules } : {}),
      ...(clearancesMm ? { clearancesMm } : {}),
      ...(sprockets ? { sprockets } : {}),
      ...(otherEnd !== undefined ? { otherEnd } : {}),
    });
  }, [here, marking]);
  return { ranking, age, fit, compared };
};
