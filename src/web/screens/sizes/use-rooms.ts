import { useEffect, useState } from 'react';
import type { Clearances } from '../../../core/fit/tires';
import { api } from '../../store/api';

/** The rooms last measured on a wheel, and the size that was on then. */
interface Rooms {
  rooms: Clearances;
  /** Null where nothing is known of the wheel. */
  from: string | null;
}

const UNKNOWN: Rooms = { rooms: {}, from: null };

/** Spec a wheel's rooms; none for no wheel selected, and while they are on their way. */
export const useRooms = (wheelId: string): Rooms => {
  const [known, setKnown] = useState<Rooms & { wheelId: string }>({ wheelId: '', ...UNKNOWN });
  useEffect(() => {
    if (!wheelId) return;
    let gone = false;
    api.wheelRecord(wheelId).then(
      ({ history, wheel }) => {
        if (gone) return;
        const rooms = Object.fromEntries(history.clearances.map((c) => [c.place, c.mm]));
        setKnown({ wheelId, rooms, from: history.clearances[0]?.withTire ?? wheel.tireMarking });
      },
      () => undefined,
    );
    return () => {
      gone = true;
    };
  }, [wheelId]);
  return known.wheelId === wheelId ? known : UNKNOWN;
};
