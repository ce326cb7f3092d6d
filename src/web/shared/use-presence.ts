import { nanoid } from '@reduxjs/toolkit';
import { useEffect, useState } from 'react';
import { useApp } from '../store';
import { api } from '../store/api';
import { onAround } from '../store/live';

/** This tab, among those that say where someone is. */
const TAB = nanoid();
/** Often enough that the server does not take someone for gone. */
const SAY_EVERY_MS = 12_000;

/** The other people at this job, on other screens. */
export const usePresence = (jobId: string): readonly string[] => {
  const who = useApp((s) => s.prefs.who);
  const [others, setOthers] = useState<readonly string[]>([]);
  useEffect(() => {
    if (!who) return;
    let gone = false;
    const say = () =>
      api.here({ tab: TAB, who, jobId }).then(
        (found) => !gone && setOthers(found.others),
        // Without the server no one is seen.
        () => !gone && setOthers([]),
      );
    void say();
    const again = setInterval(() => void say(), SAY_EVERY_MS);
    const deaf = onAround((jobIds) => jobIds.includes(jobId) && void say());
    const leave = () => api.gone({ tab: TAB, who });
    addEventListener('pagehide', leave);
    return () => {
      gone = true;
      clearInterval(again);
      deaf();
      removeEventListener('pagehide', leave);
      leave();
    };
  }, [jobId, who]);
  return others;
};
