import { entryText, type Entry } from '../../core/job';
import { useDo } from '../store';
import { drop } from '../store/outbox-sender';
import type { Parcel } from '../store/parcel';
import { Button } from './Button';
import { useUnits } from './quantity';

/** Steps go by their names here: the procedure of every job is not at hand. */
const NO_STEPS: ReadonlyMap<string, string> = new Map();

/** Every waiting entry with a way to discard it: nothing waits forever against the fitter's will. */
export const UnsentList = ({ parcels }: { parcels: readonly Parcel[] }) => {
  const dispatch = useDo();
  const { units } = useUnits();
  return (
    <ul className="max-h-[40vh] overflow-y-auto" aria-label="Unsent entries">
      {parcels.map((parcel) => {
        const text = parcel.bodies.map((b) => entryText({ ...b, seq: 0, at: '' } as Entry, units, NO_STEPS)).join('; ');
        return (
          <li key={parcel.id} className="flex items-center gap-3 border-t border-stone3 py-1">
            <span className="min-w-0 flex-1">{text}</span>
            <Button small aria-label={`Discard: ${text}`} onClick={() => void dispatch(drop(parcel.id))}>
              Discard
            </Button>
          </li>
        );
      })}
    </ul>
  );
};
