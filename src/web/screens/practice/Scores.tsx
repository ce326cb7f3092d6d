import { valueWord } from '../../../core/base/value-words';
import { lazy, Suspense } from 'react';
import {
  PRACTICE,
  standingOf,
  type PracticeKind,
  type PracticeScore,
} from '../../../core/practice';
import { counted, dateText } from '../../../core/base/units';
import { Fallback } from '../../parts/Fallback';
import { VerdictShape } from '../../parts/VerdictMark';

const ScoreChart = lazy(() => import('./ScoreChart'));

/** Someone's rounds at a level over time. `rounds` the oldest first. */
export const Scores = ({
  kind,
  level,
  rounds,
}: {
  kind: PracticeKind;
  level: string;
  rounds: readonly PracticeScore[];
}) => {
  const [one, many] = PRACTICE[kind].counts;
  const standing = standingOf(rounds);
  if (rounds.length === 0) return <p className="text-ink2">No round yet: {valueWord(level)}.</p>;
  return (
    <>
      <p>
        {counted(standing.rounds, 'round')}: {valueWord(level)}; {standing.good} passed
        {standing.medianCost !== null && (
          <>
            ; typical <strong className="num">{standing.medianCost}</strong> {many}, advised{' '}
            <strong className="num">{standing.medianAdvised}</strong>
          </>
        )}
        .
      </p>
      {rounds.length > 1 && (
        <>
          <p className="mt-2 text-[15px] text-ink2">
            Round by round, {many}: yours solid, the advised ones dashed.
          </p>
          <Fallback instead={<p className="text-ink2">Chart didn’t load.</p>}>
            <Suspense fallback={<p className="text-ink2">Drawing …</p>}>
              <ScoreChart rounds={rounds} counts={many} />
            </Suspense>
          </Fallback>
        </>
      )}
      <ol className="mt-2 max-h-[280px] overflow-y-auto" tabIndex={0} aria-label="Rounds">
        {[...rounds].reverse().map((r) => (
          <li
            key={r.id}
            className="grid grid-cols-[28px_110px_1fr] items-center gap-2 border-b border-stone3 py-1.5"
          >
            <VerdictShape verdict={r.good ? 'good' : 'check'} size={20} />
            <time className="num text-[15px] text-ink2" dateTime={r.at}>
              {dateText(r.at)}
            </time>
            <span className="num text-right">
              {counted(r.cost, one, many)}
              {r.good ? '' : ', not done'}
            </span>
          </li>
        ))}
      </ol>
    </>
  );
};
