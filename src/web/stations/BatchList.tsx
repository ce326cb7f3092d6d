import { Check, X } from 'lucide-react';

/** A row of what is written at once. */
export interface BatchRow {
  id: string;
  say: string;
  /** With what, or what to mind; kept in sight. */
  mind: string | null;
}

/** The entries that are written at once, in full; a tap takes one out. */
export const BatchList = ({
  rows,
  left,
  toggle,
  endRef,
  isSeen,
}: {
  rows: readonly BatchRow[];
  left: ReadonlySet<string>;
  toggle: (id: string) => void;
  endRef: (element: HTMLElement | null) => void;
  isSeen: boolean;
}) => (
  <>
    {!isSeen && <p className="mt-2 text-check">Scroll to the last step, then tap.</p>}
    <ol className="rows mt-3 mb-3" aria-label="Done as shown">
      {rows.map(({ id, say, mind }, i) => {
        const isLeft = left.has(id);
        return (
          <li
            key={id}
            ref={i === rows.length - 1 ? endRef : undefined}
            className="border-b border-stone3"
          >
            <button
              type="button"
              aria-pressed={!isLeft}
              className={`flex min-h-12 w-full cursor-pointer items-center gap-3 py-1 text-left text-[16px] leading-tight hover:bg-stone2 ${isLeft ? 'text-ink2 line-through' : ''}`}
              onClick={() => toggle(id)}
            >
              {isLeft ? (
                <X size={20} className="shrink-0 text-stop" aria-hidden="true" />
              ) : (
                <Check size={20} className="shrink-0 text-water" aria-hidden="true" />
              )}
              <span>
                {say}
                {mind && <span className="block text-[15px] text-check">{mind}</span>}
              </span>
            </button>
          </li>
        );
      })}
    </ol>
  </>
);
