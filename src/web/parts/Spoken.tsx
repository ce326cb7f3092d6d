import { useEffect, useState } from 'react';
import { useApp } from '../store';

const SHOWN_MS = 6000;

/** The last thing said about a write, for eye and screen reader; it goes by itself, a refusal stays longer. */
export const Spoken = () => {
  const said = useApp((s) => s.jobs.said);
  const [hidden, setHidden] = useState(0);
  useEffect(() => {
    if (!said) return;
    const wait = setTimeout(() => setHidden(said.at), said.tone === 'stop' ? SHOWN_MS * 3 : SHOWN_MS);
    return () => clearTimeout(wait);
  }, [said]);
  const shown = said && said.at !== hidden ? said : null;
  return (
    <div aria-live="polite" className="no-print pointer-events-none relative z-10 px-4 lg:px-0">
      {shown && (
        <p
          className={`absolute bottom-2 mr-4 max-w-2xl rounded-xl border-2 bg-paper px-4 py-2 ${shown.tone === 'good' ? 'border-good' : 'border-stop'}`}
        >
          {shown.text}
        </p>
      )}
    </div>
  );
};
