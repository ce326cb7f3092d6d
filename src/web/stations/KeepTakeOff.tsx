import { useState } from 'react';
import { Link } from 'react-router';
import { complete } from '../../core/shop/records';
import { Button } from '../parts/Button';
import { useJob } from '../shared/job-context';
import { useDo } from '../store';
import { api, ApiError } from '../store/api';
import { shopChanged, useRecordPageQuery } from '../store/records-api';
import { refusalText } from '../shared/refusal';

/**
 * The tire that came off may be good for something else: kept as used stock with its depth and date
 * code.
 */
export const KeepTakeOff = () => {
  const { job, state, wheel } = useJob();
  const dispatch = useDo();
  const id = `takeoff-${job.id}`;
  // A page of at most one: asked for by its address, one that is not there yet would be an error.
  const { data: kept } = useRecordPageQuery({
    kind: 'tires',
    find: '',
    only: `id:${id}`,
    archived: 'yes',
    limit: 1,
  });
  const [problem, setProblem] = useState<string | null>(null);
  const off = state.cameOff;
  if (!off) return null;
  if (kept && kept.total > 0)
    return (
      <p className="text-[16px]">
        <Link className="underline" to={`/records/tires?edit=${id}`}>
          The old tire is in stock
        </Link>{' '}
        as a take-off.
      </p>
    );
  const keep = async () => {
    try {
      await api.addRecord(
        'tires',
        complete('tires', {
          id,
          marking: off.marking,
          pattern: `take-off, ${wheel.position}`,
          dateCode: off.dateCode,
          takeOff: true,
          treadMm: off.treadMm,
          count: 1,
          note: `from job ${job.number}`,
        }),
      );
      await dispatch(shopChanged());
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(refusalText(error));
    }
  };
  return (
    <div className="flex items-center gap-3">
      <Button small disabled={off.treadMm === null} onClick={() => void keep()}>
        Save as take-off
      </Button>
      {off.treadMm === null && (
        <p className="text-[15px] text-ink2">Tread depth was not measured at Intake.</p>
      )}
      {problem && (
        <p role="alert" className="text-[15px] text-stop">
          {problem}
        </p>
      )}
    </div>
  );
};
