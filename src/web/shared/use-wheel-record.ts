import { useEffect, useState } from 'react';
import { api, ApiError, type WheelRecord } from '../store/api';

/** A wheel's record from the server: on its way, there, or why not. */
export const useWheelRecord = (
  id: string,
  version?: number,
): { record: WheelRecord | null; problem: string | null } => {
  const [known, setKnown] = useState<{ record: WheelRecord | null; problem: string | null }>({
    record: null,
    problem: null,
  });
  useEffect(() => {
    let gone = false;
    api.wheelRecord(id).then(
      (record) => {
        if (!gone) setKnown({ record, problem: null });
      },
      (error: unknown) => {
        if (!(error instanceof ApiError)) throw error;
        if (!gone) setKnown({ record: null, problem: error.message });
      },
    );
    return () => {
      gone = true;
    };
  }, [id, version]);
  return known;
};
