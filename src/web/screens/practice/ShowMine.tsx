import { useState } from 'react';
import { Failed } from '../../shared/Frame';
import { useShowPracticeMutation } from '../../store/practice-api';
import { serverProblem } from '../../shared/server-problem';

/** One’s own word that the shop may see how one gets on; it can be taken back. */
export const ShowMine = ({ who, isShown }: { who: string; isShown: boolean }) => {
  const [show, { error }] = useShowPracticeMutation();
  // Shown at once; what the server keeps counts where it says no.
  const [wanted, setWanted] = useState<boolean | null>(null);
  const change = async (to: boolean) => {
    setWanted(to);
    if ((await show({ who, isShown: to })).error) setWanted(null);
  };
  return (
    <>
      <label className="mt-2 flex min-h-12 items-center gap-3">
        <input
          type="checkbox"
          className="h-6 w-6 accent-[var(--water)]"
          checked={wanted ?? isShown}
          onChange={(e) => void change(e.target.checked)}
        />
        Share my results
      </label>
      {error && <Failed message={serverProblem(error)} />}
    </>
  );
};
