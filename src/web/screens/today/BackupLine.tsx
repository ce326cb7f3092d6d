import { Link } from 'react-router';
import type { BackupsNow } from '../../../core/reports/backup';
import { counted, daysBetween } from '../../../core/base/units';
import { VerdictMark } from '../../parts/VerdictMark';
import { useBackupsQuery } from '../../store/backups-api';
import { today } from '../../store';

const ASK_MS = 600_000;

/** The problems of the backups, the worst first; empty when there are none. */
const problems = ({
  isOld,
  problem,
  newestAt,
  damaged,
  second,
  isTestOld,
  tested,
}: BackupsNow): string[] => {
  const days = newestAt === null ? null : daysBetween(newestAt.slice(0, 10), today());
  const age = days === null ? 'No backup yet' : `Last backup ${counted(days, 'day')} ago`;
  const untested =
    tested === null ? 'No backup tested yet' : `Last tested restore ${tested.at.slice(0, 10)}`;
  return [
    ...(damaged.length > 0
      ? [`${counted(damaged.length, 'damaged photo')} on the shop computer`]
      : []),
    ...(isOld ? [problem !== null ? 'Last backup failed' : age] : []),
    ...(isTestOld ? [tested?.problem != null ? 'Last backup can’t be restored' : untested] : []),
    ...(second?.problem != null ? ['Copy to the second folder failed'] : []),
  ];
};

/** A line when something is wrong with the backups; nothing otherwise. */
export const BackupLine = () => {
  const { data } = useBackupsQuery(undefined, { pollingInterval: ASK_MS });
  const found = data ? problems(data) : [];
  if (found.length === 0) return null;
  return (
    <p className="mt-3 flex items-center gap-2 text-[18px]">
      <VerdictMark verdict="check" />
      <Link to="/backups">{found.join('; ')}</Link>
    </p>
  );
};
