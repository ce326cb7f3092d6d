import { alignOf, brakeNow, chainOf, discOf, sensorOf, stringOf } from '../../../core/job';
import type { Attempt } from '../../../core/base/working';
import { useJob } from '../../shared/job-context';
import { VerdictShape } from '../../parts/VerdictMark';
import { BasisTag } from '../../shared/working';

/**
 * The measurements of the wheel that goes back: each with its verdict, one tap from its working.
 */
export const BackFigures = () => {
  const { state } = useJob();
  const chain = state.slack.after ?? state.slack.before;
  const all: [what: string, found: Attempt<unknown> | null][] = [
    ['slack', chain && chainOf(chain)],
    ['marks', state.marks && alignOf(state, state.marks, chain)],
    ['string', state.string && stringOf(state, state.string, chain)],
    ['sensor', state.sensorGap && sensorOf(state.sensorGap)],
    ['brake', state.brake && brakeNow(state, state.brake)],
    ['disc', state.discRunout && discOf(state, state.discRunout)],
  ];
  const measured = all.flatMap(([what, found]) =>
    found?.ok ? [{ what, working: found.working }] : [],
  );
  if (measured.length === 0) return null;
  return (
    <ul className="mt-2 flex flex-wrap gap-x-4" aria-label="Measured">
      {measured.map(({ what, working }) => (
        <li key={what} className="flex items-center gap-2 text-[16px]">
          <VerdictShape verdict={working.verdict ?? 'good'} size={18} />
          <BasisTag title={`the ${what}`} working={working}>
            {what}
          </BasisTag>
        </li>
      ))}
    </ul>
  );
};
