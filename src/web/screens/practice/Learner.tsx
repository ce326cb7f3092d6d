import { valueWord } from '../../../core/base/value-words';
import { learnerOf, PRACTICE, type NextRound, type PracticeScore } from '../../../core/practice';
import { Button } from '../../parts/Button';
import { WheelIcon } from '../../pictures/WheelIcon';
import { PRACTICE_PICTURES } from './practice-pictures';

/** A person's practice, where it is lost, and the next level. `rounds` of one person. */
export const Learner = ({
  rounds,
  onTry,
}: {
  rounds: readonly PracticeScore[];
  onTry: (next: NextRound) => void;
}) => (
  <table className="w-full text-[17px]">
    <thead>
      <tr className="border-b-2 border-ink text-left">
        <th scope="col" className="py-1">
          Work
        </th>
        <th scope="col" className="text-right">
          Passed
        </th>
        <th scope="col" className="hidden text-right sm:table-cell">
          Typical
        </th>
        <th scope="col" className="pl-4">
          Next
        </th>
      </tr>
    </thead>
    <tbody>
      {learnerOf(rounds).map(({ kind, standing, next }) => (
        <tr key={kind} className="border-b border-stone3">
          <th scope="row" className="head py-1 text-left">
            <span className="flex items-center gap-3">
              <WheelIcon {...PRACTICE_PICTURES[kind]} className="size-14" />
              {PRACTICE[kind].title}
            </span>
          </th>
          <td className="num text-right">
            {standing.rounds === 0 ? '–' : `${standing.good} of ${standing.rounds}`}
          </td>
          <td className="num hidden text-right sm:table-cell">
            {standing.medianCost === null
              ? '–'
              : `${standing.medianCost} ${PRACTICE[kind].counts[1]}, advised ${standing.medianAdvised}`}
          </td>
          <td className="py-1 pl-4">
            {next ? (
              <span className="flex flex-wrap items-center gap-x-3">
                <Button small onClick={() => onTry(next)}>
                  Try
                  <span className="sr-only"> {PRACTICE[kind].title}</span>
                </Button>
                <span>
                  {valueWord(next.level)}
                  <span className="block text-[15px] text-ink2">{next.why}</span>
                </span>
              </span>
            ) : (
              <span className="text-ink2">all levels passed</span>
            )}
          </td>
        </tr>
      ))}
    </tbody>
  </table>
);
