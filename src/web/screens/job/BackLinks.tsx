import { Link } from 'react-router';
import { useVisitOfJobQuery } from '../../store/visits-api';

/** From a job back to Today and to its visit, one tap each; a wheel taken out of its visit has none. */
export const BackLinks = ({ jobId }: { jobId: string }) => {
  const { data: visit } = useVisitOfJobQuery(jobId);
  const places = [
    ['/', 'Today'],
    ...(visit ? [[`/visits/${visit.id}`, 'Visit'] as const] : []),
  ] as const;
  return (
    <nav aria-label="Back" className="flex min-h-12 items-center gap-1 px-3 lg:h-[56px]">
      {places.map(([to, text]) => (
        <Link
          key={to}
          to={to}
          className="head inline-flex min-h-12 items-center gap-1 rounded-xl px-2 text-[18px] no-underline hover:bg-stone3"
        >
          <span aria-hidden="true">‹</span>
          {text}
        </Link>
      ))}
    </nav>
  );
};
