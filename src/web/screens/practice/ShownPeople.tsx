import { valueWord } from '../../../core/base/value-words';
import { mayDo } from '../../../core/shop/auth';
import { PRACTICE, type ShownPractice } from '../../../core/practice';
import { counted } from '../../../core/base/units';
import { momentText } from '../../parts/moment-text';
import { useNow } from '../../parts/use-now';
import { useApp } from '../../store';
import { useShownPracticeQuery } from '../../store/practice-api';

/** The results of one of them: what passed, and where it does not yet. */
const Person = ({ shown, nowMs }: { shown: ShownPractice; nowMs: number }) => {
  const tried = shown.kinds.filter((k) => k.standing.rounds > 0);
  return (
    <li className="grid gap-1 border-b border-stone3 py-3">
      <p className="flex flex-wrap items-baseline gap-x-4">
        <strong className="head text-[20px]">{shown.who}</strong>
        <span className="text-ink2">
          {shown.lastAt
            ? `${counted(shown.rounds, 'round')}, the last ${momentText(shown.lastAt, nowMs)}`
            : 'no round yet'}
        </span>
      </p>
      {tried.length > 0 && (
        <ul className="grid gap-x-6 sm:grid-cols-2">
          {tried.map(({ kind, standing, next }) => (
            <li key={kind}>
              {PRACTICE[kind].title}:{' '}
              <span className="num">
                {standing.good} of {standing.rounds}
              </span>{' '}
              passed
              <span className="block text-[15px] text-ink2">
                {next ? `next ${valueWord(next.level)}: ${next.why}` : 'all levels passed'}
              </span>
            </li>
          ))}
        </ul>
      )}
    </li>
  );
};

/** The shared results; for owners and fitters, if sign-in is on. */
export const ShownPeople = () => {
  const { areClosed, me } = useApp((s) => s.auth);
  const mayLook = !areClosed || (me !== null && mayDo(me.role, 'trade'));
  const { data } = useShownPracticeQuery(undefined, { skip: !mayLook });
  const nowMs = useNow();
  if (!mayLook || !data) return null;
  return (
    <section aria-label="In the shop" className="mt-6">
      <h2 className="mb-1 border-t-2 border-ink pt-2 text-[22px]">In the shop</h2>
      {data.people.length === 0 ? (
        <p className="text-ink2">No one is sharing practice results yet. Turn on sharing above.</p>
      ) : (
        <ul>
          {data.people.map((shown) => (
            <Person key={shown.who} shown={shown} nowMs={nowMs} />
          ))}
        </ul>
      )}
    </section>
  );
};
