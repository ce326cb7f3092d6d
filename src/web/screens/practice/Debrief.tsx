import { PRACTICE, type Played, type PracticeKind } from '../../../core/practice';
import type { Working } from '../../../core/base/working';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { BasisTag } from '../../shared/working';

/** The result of a round: the word on it, what it cost beside the advice, and the mistakes. */
export const Debrief = ({ kind, working }: { kind: PracticeKind; working: Working<Played> }) => {
  const { tell } = useUnits();
  const { cost, advisedCost, debrief, advice, reason } = working.result;
  const [, many] = PRACTICE[kind].counts;
  return (
    <section aria-label="Results" className="max-w-[760px]">
      <Reasons reasons={[reason]} />
      <table className="mt-3 w-full">
        <thead>
          <tr className="border-b-2 border-ink text-left">
            <th scope="col" className="py-1">
              <span className="sr-only">Who</span>
            </th>
            <th scope="col" className="text-right capitalize">
              {many}
            </th>
          </tr>
        </thead>
        <tbody>
          {(
            [
              ['You', cost],
              ['Advised', advisedCost],
            ] as const
          ).map(([says, value]) => (
            <tr key={says} className="border-b border-stone3">
              <th scope="row" className="py-2 text-left">
                {says}
              </th>
              <td className="num text-right text-[26px]">{value}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2 className="mt-4 text-[18px]">Mistakes</h2>
      {debrief.length > 0 ? (
        <Reasons reasons={debrief} />
      ) : (
        <p className="text-ink2">No mistakes.</p>
      )}
      <h2 className="mt-4 text-[18px]">Advised moves</h2>
      <ol className="max-h-[220px] overflow-y-auto" tabIndex={0} aria-label="Advised moves">
        {advice.map((step, i) => (
          <li key={i} className="grid grid-cols-[32px_1fr] py-0.5">
            <span className="num text-ink2">{i + 1}</span>
            <span className="first-letter:uppercase">{tell(step)}</span>
          </li>
        ))}
      </ol>
      <p className="mt-2">
        <BasisTag title="the round" working={working}>
          math
        </BasisTag>
      </p>
    </section>
  );
};
