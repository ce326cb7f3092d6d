import { Link } from 'react-router';
import { daysBetween } from '../../../core/units';
import { VerdictMark } from '../../parts/VerdictMark';
import { useBackupsQuery } from '../../store/backups-api';
import { today } from '../../store';

const ASK_MS = 600_000;

/** A word where the last backup is too old, or could not be made; nothing where it is not. */
export const BackupLine = () => {
  const { data } = useBackupsQuery(undefined, { pollingInterval: ASK_MS });
  if (!data?.isOld) return null;
  const days = data.newestAt === null ? null : daysBetween(data.newestAt.slice(0, 10), today());
  return (
    <p className="mt-3 flex items-center gap-2 text-[18px]">
      <VerdictMark verdict="check" />
      <Link to="/backups">
        {data.problem !== null
          ? 'The last backup could not be made'
          : days === null
            ? 'There is no backup of this shop'
            : `The last backup is ${days} days old`}
      </Link>
    </p>
  );
};
