import { dateText } from '../../../core/base/units';
import { Button } from '../../parts/Button';
import { useSayPieces } from './pieces-text';
import type { LastTime } from './use-last-time';

/** Imbalance of this wheel last time, used as a hint unless the fitter leaves it out. */
export const HintRow = ({ lastTime }: { lastTime: LastTime }) => {
  const sayPieces = useSayPieces();
  if (!lastTime.hint) return null;
  return (
    <p className="mt-3 flex items-center gap-3">
      <span>
        Last time, {dateText(lastTime.hint.onDate)}: {sayPieces(lastTime.pieces)}. Used as a hint.
      </span>
      <Button small onClick={lastTime.forget}>
        Not this time
      </Button>
    </p>
  );
};
