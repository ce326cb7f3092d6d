import { Undo2 } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { effectiveEntries, isOfBalance, type Entry } from '../../../core/job';
import { useUnits } from '../../shared/quantity';
import { Tip } from '../../parts/Tip';
import { VerdictShape } from '../../parts/VerdictMark';
import { usePlace } from '../../shared/place';
import { useJob } from '../../shared/job-context';
import { useSeenSide } from './use-seen-side';
import { isTry, tryText, type TryEntry } from './try-text';

/** The entries of the balancing at hand, in order. */
const triesOf = (log: readonly Entry[]): TryEntry[] => {
  const standing = effectiveEntries(log).filter(isOfBalance);
  return standing
    .slice(standing.findLastIndex((e) => e.kind === 'balance-again') + 1)
    .filter(isTry);
};

/**
 * Every try of this balancing, each of which can be taken out; `oddId` is the one that does not go
 * with the others.
 */
export const Tries = ({ oddId }: { oddId: string | null }) => {
  const { log, write } = useJob();
  const { say } = useUnits();
  const { clock } = usePlace();
  const seenSide = useSeenSide();
  const tries = triesOf(log);
  const list = useRef<HTMLOListElement>(null);
  // The newest is what a fitter looks for.
  useEffect(() => {
    list.current?.scrollTo({ top: list.current.scrollHeight });
  }, [tries.length]);
  if (tries.length === 0) return null;
  return (
    <section aria-label="Readings" className="mt-3">
      <h3 className="mb-1 text-[16px]">Readings so far</h3>
      <ol
        ref={list}
        className="max-h-[144px] overflow-y-auto max-lg:max-h-none"
        tabIndex={0}
        aria-label="Readings so far"
      >
        {tries.map((e, i) => (
          <li
            key={e.id}
            className={`flex items-center gap-2 text-[16px] leading-tight ${e.id === oddId ? 'bg-stone2 font-semibold' : ''}`}
          >
            <span className="num w-6 shrink-0">{i + 1}</span>
            <span className="min-w-0 flex-1">
              {e.id === oddId && (
                <span className="mr-1 inline-block align-[-3px]">
                  <VerdictShape verdict="check" size={18} />
                </span>
              )}
              {tryText(e, {
                mass: (g) => say(g, 'g'),
                place: clock,
                side: (from) => seenSide(from),
              })}
              {e.id === oddId && <span className="text-check">, doesn’t fit</span>}
            </span>
            <Tip label="Remove">
              <button
                type="button"
                className="grid h-9 w-12 shrink-0 max-lg:h-12 cursor-pointer place-items-center rounded-lg text-ink2 hover:bg-stone2"
                aria-label={`Remove reading ${i + 1}`}
                onClick={() =>
                  void write(
                    [{ kind: 'undo', data: { entryId: e.id } }],
                    'Removed. Restore it in the log.',
                  )
                }
              >
                <Undo2 size={17} aria-hidden="true" />
              </button>
            </Tip>
          </li>
        ))}
      </ol>
    </section>
  );
};
