import { Link } from 'react-router';
import { VerdictMark } from '../../parts/VerdictMark';
import { useApp } from '../../store';
import { useGuessingQuery } from '../../store/auth-api';

const ASK_MS = 60_000;

/** For owners: that someone guesses at a sign-in; nothing otherwise. */
export const GuessingLine = () => {
  const isOwner = useApp((s) => s.auth.areClosed && s.auth.me?.role === 'owner');
  const { data = [] } = useGuessingQuery(undefined, { pollingInterval: ASK_MS, skip: !isOwner });
  const open = data.filter((g) => !g.isBlocked);
  if (open.length === 0) return null;
  const people = [...new Set(open.map((g) => g.who))].join(', ');
  return (
    <p className="mt-3 flex items-center gap-2 text-[18px]">
      <VerdictMark verdict="stop" />
      <Link to="/people">Someone is guessing the sign-in of {people}</Link>
    </p>
  );
};
