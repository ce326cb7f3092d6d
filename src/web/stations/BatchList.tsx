import { Check, X } from 'lucide-react';
import type { Batch } from './use-batch';

/** The steps that are written at once; a tap takes one out. */
export const BatchList = ({ batch }: { batch: Batch }) => (
  <ol className="rows mt-3 mb-3 max-h-[430px] overflow-y-auto" aria-label="Done as shown" tabIndex={0}>
    {batch.steps.map((s) => {
      const isLeft = batch.left.has(s.id);
      return (
        <li key={s.id} className="border-b border-stone3">
          <button
            type="button"
            aria-pressed={!isLeft}
            className={`flex min-h-12 w-full cursor-pointer items-center gap-3 text-left text-[16px] leading-tight hover:bg-stone2 ${isLeft ? 'text-ink2 line-through' : ''}`}
            onClick={() => batch.toggle(s.id)}
          >
            {isLeft ? (
              <X size={20} className="shrink-0 text-stop" aria-hidden="true" />
            ) : (
              <Check size={20} className="shrink-0 text-water" aria-hidden="true" />
            )}
            <span>{s.say}</span>
          </button>
        </li>
      );
    })}
  </ol>
);
