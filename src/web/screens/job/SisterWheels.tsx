import { Link, useNavigate } from 'react-router';
import { POSITION_WORDS } from '../../../core/fit/wheels';
import type { WheelNow } from '../../../core/shop/visit';
import { useKeys } from '../../parts/keys';
import { useVisitOfJobQuery } from '../../store/visits-api';

const pathOf = ({ jobId, station }: WheelNow): string => `/jobs/${jobId}/${station ?? 'hand-over'}`;

/** The other wheels of the visit, one key away; nothing for a wheel that came in alone. */
export const SisterWheels = ({ jobId }: { jobId: string }) => {
  const navigate = useNavigate();
  const { data: visit } = useVisitOfJobQuery(jobId, { refetchOnMountOrArgChange: true });
  const wheels = visit?.wheels ?? [];
  const here = wheels.findIndex((w) => w.jobId === jobId);
  const next = wheels.length > 1 ? wheels[(here + 1) % wheels.length] : undefined;
  useKeys(
    next
      ? [
          {
            key: 'v',
            label: 'The other wheel of this visit',
            run: () => void navigate(pathOf(next)),
          },
        ]
      : [],
  );
  if (!visit || !next) return null;
  return (
    <nav aria-label="Wheels of this visit" className="flex items-center gap-1 max-sm:hidden">
      {wheels
        .filter((w) => w.jobId !== jobId)
        .map((w) => (
          <Link key={w.jobId} to={pathOf(w)} className="btn btn-small whitespace-nowrap">
            {POSITION_WORDS[w.position].replace(/ wheel$/, '')}
            {w === next && (
              <kbd className="keycap" aria-hidden="true">
                V
              </kbd>
            )}
          </Link>
        ))}
    </nav>
  );
};
