import { useState } from 'react';
import { rankTires, type FitContext } from '../../../core/bench/fitting';
import type { TireStock } from '../../../core/shop/records';
import { tryInput } from '../../../core/base/errors';
import { useJob } from '../../shared/job-context';
import { useShelf } from './use-shelf';
import { useUnits } from '../../shared/quantity';
import { shelfDraft, typedDraft, writtenDraft, TYPED, type Draft } from './choice-draft';

/** The choices and texts, and the ways to change them. */
export interface ChoiceDraft {
  draft: Draft;
  change(part: Partial<Draft>): void;
  /** Takes a tire from the shelf, or none of them. */
  pick(tireId: string): void;
  /** The seating limit; null where none is typed or it makes no sense. */
  limitKpa: number | null;
  limitProblem: string | null;
}

const LIMIT_KPA = { min: 20, max: 1000 };

/** The tire that stands first on the shelf for this wheel, where it may go on and is there. */
const bestOf = (shelf: readonly TireStock[], context: FitContext): TireStock | undefined => {
  const found = tryInput(() => rankTires(shelf, context).ranked[0]);
  const best = found.ok ? found.value : undefined;
  return best && best.fit.verdict !== 'stop' && best.tire.count > 0 ? best.tire : undefined;
};

/**
 * Begins with what was written before, else with the best of the shelf, else with the size that
 * comes off.
 */
export const useChoiceDraft = (context: FitContext): ChoiceDraft => {
  const { state, wheel } = useJob();
  const shop = useShelf();
  const { read, say, write } = useUnits();
  const writeKpa = (kpa: number) => write(kpa, 'kPa');
  const [draft, setDraft] = useState<Draft>(() => {
    if (state.chosen) return writtenDraft(state.chosen, writeKpa);
    const best = bestOf(shop.tires, context);
    return { ...typedDraft(context.from, wheel.tube), ...(best ? shelfDraft(best, writeKpa) : {}) };
  });
  const change = (part: Partial<Draft>) => setDraft((d) => ({ ...d, ...part }));
  const pick = (tireId: string) => {
    const tire = shop.tires.find((t) => t.id === tireId);
    change(tire ? shelfDraft(tire, writeKpa) : { tireId: TYPED });
  };
  const typed = draft.limit.trim();
  const kpa = typed ? read(typed, 'kPa') : null;
  const fits = kpa !== null && kpa >= LIMIT_KPA.min && kpa <= LIMIT_KPA.max;
  const limitProblem =
    typed && !fits
      ? `Enter a pressure from ${say(LIMIT_KPA.min, 'kPa')} to ${say(LIMIT_KPA.max, 'kPa')}, as printed.`
      : null;
  return { draft, change, pick, limitKpa: fits ? kpa : null, limitProblem };
};
