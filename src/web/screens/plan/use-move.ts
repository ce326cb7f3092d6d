import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import type { FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import type { VisitEntryBody, VisitEntryData, VisitSummary } from '../../../core/shop/visit';
import { useApp } from '../../store';
import { useOpenVisitsQuery, useWriteVisitMutation } from '../../store/visits-api';
import { serverProblem } from '../../shared/server-problem';
import type { Moved } from './Lanes';
import type { Bar } from './plan-rows';

const MOVED_ON = 409;

export interface Moves {
  /** Puts a block where it was dragged to. */
  move(moved: Moved): Promise<void>;
  /** Leaves it to the plan again. */
  free(bar: Bar): Promise<void>;
  /** Undoes what was moved last on this screen; null where nothing was. */
  undo: (() => Promise<void>) | null;
  problem: string | null;
}

/** Writes into the visits' logs what is given to someone by hand; `onWritten` after each. */
export const useMove = (onWritten: () => void): Moves => {
  const who = useApp((s) => s.prefs.who);
  const { data: visits, refetch } = useOpenVisitsQuery(undefined, {
    refetchOnMountOrArgChange: true,
  });
  const [send] = useWriteVisitMutation();
  const [done, setDone] = useState<readonly { visitId: string; entryId: string }[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const write = async (
    visitId: string,
    writing: Pick<VisitEntryBody, 'kind' | 'data'>,
  ): Promise<string | null> => {
    if (!who) {
      setProblem('Choose who’s working first: tap the initials, top right.');
      return null;
    }
    const id = nanoid();
    const entries = [{ ...writing, id, who }] as VisitEntryBody[];
    const newest = async (known: readonly VisitSummary[] | undefined) =>
      (known ?? (await refetch().unwrap())).find((v) => v.id === visitId)?.lastSeq ?? 0;
    try {
      try {
        await send({ id: visitId, expectedSeq: await newest(visits), entries }).unwrap();
      } catch (error) {
        // Someone else wrote meanwhile, or the move before is not read back yet: once more, on
        // what stands now.
        if ((error as FetchBaseQueryError).status !== MOVED_ON) throw error;
        await send({ id: visitId, expectedSeq: await newest(undefined), entries }).unwrap();
      }
      setProblem(null);
      onWritten();
      return id;
    } catch (error) {
      setProblem(serverProblem(error));
      return null;
    }
  };
  const plan = async (visitId: string, data: VisitEntryData['planned']) => {
    const entryId = await write(visitId, { kind: 'planned', data });
    if (entryId) setDone((all) => [...all, { visitId, entryId }]);
  };
  const last = done.at(-1);
  return {
    move: ({ bar, person, startMs }) =>
      plan(bar.visitId, {
        jobId: bar.jobId,
        block: bar.block,
        person,
        startAt: new Date(startMs).toISOString(),
      }),
    free: (bar) =>
      plan(bar.visitId, { jobId: bar.jobId, block: bar.block, person: null, startAt: null }),
    undo: last
      ? async () => {
          if (await write(last.visitId, { kind: 'undo', data: { entryId: last.entryId } }))
            setDone((all) => all.slice(0, -1));
        }
      : null,
    problem,
  };
};
