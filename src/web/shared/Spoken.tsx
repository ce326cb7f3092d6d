import { useEffect, useState } from 'react';
import { useApp } from '../store';
import type { Tone } from '../store/jobs-slice';
import { useSpeech } from './speak';

const EDGE: Record<Tone, string> = {
  good: 'border-good',
  check: 'border-check',
  stop: 'border-stop',
};
const SHOWN_MS = 6000;
/** A refusal stays longer. */
const REFUSAL_MS = 18_000;

/**
 * The last thing said about a write, for eye and screen reader; it goes by itself.
 * A live region of our own: a toast would take for itself the Escape that belongs to an open sheet.
 */
export const Spoken = () => {
  const spoken = useApp((s) => s.jobs.announcement);
  useSpeech(spoken?.text);
  const [hidden, setHidden] = useState(0);
  useEffect(() => {
    if (!spoken) return;
    const wait = setTimeout(
      () => setHidden(spoken.at),
      spoken.tone === 'stop' ? REFUSAL_MS : SHOWN_MS,
    );
    return () => clearTimeout(wait);
  }, [spoken]);
  const shown = spoken && spoken.at !== hidden ? spoken : null;
  return (
    <div aria-live="polite" className="no-print pointer-events-none relative z-10 px-4 lg:px-0">
      {shown && (
        <p
          className={`absolute bottom-2 mr-4 max-w-2xl rounded-xl border-2 bg-paper px-4 py-2 ${EDGE[shown.tone]}`}
        >
          {shown.text}
        </p>
      )}
    </div>
  );
};
