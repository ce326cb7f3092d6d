import { useDeferredValue, useMemo, useState } from 'react';
import { trueAdviceOf, type EntryData } from '../../core/job';
import {
  eighthsText,
  FIRST_TO,
  type FirstTo,
  type RunoutReading,
  type TrueAdvice,
} from '../../core/bench/truing';
import { placeText } from '../../core/base/units';
import { Button } from '../parts/Button';
import { ChoiceField } from '../shared/fields';
import { useJob } from '../shared/job-context';
import { useUnits } from '../shared/quantity';
import { Reasons } from '../shared/Reasons';
import { BasisTag } from '../shared/working';

const SIDES = FIRST_TO.map((side) => [side, `to the ${side}`] as const);

/** The expected reading once they are turned. */
const After = ({ now, after }: Pick<TrueAdvice, 'now' | 'after'>) => {
  const { say } = useUnits();
  const spans = (['sideMm', 'upMm'] as const).flatMap((way) => {
    const [from, to] = [now[way], after[way]];
    if (from === null || to === null) return [];
    return [
      `${say(from, 'mm', { digits: 1 })} to ${say(to, 'mm', { digits: 1 })} ${way === 'sideMm' ? 'side to side' : 'up and down'}`,
    ];
  });
  return <p className="mt-1 text-ink2">Target: from {spans.join(', ')}.</p>;
};

/**
 * The nipples to turn by these readings, and the entry that they are turned. Nothing on a wheel
 * without spokes.
 */
export const NippleAdvice = ({
  readings,
  onTurned,
}: {
  readings: RunoutReading[];
  onTurned: (turned: EntryData['nipples-turned']) => Promise<void>;
}) => {
  const { state } = useJob();
  const [firstTo, setFirstTo] = useState<FirstTo>(state.trued?.firstTo ?? 'disc side');
  // Tens of milliseconds: what is typed comes first.
  const read = useDeferredValue(JSON.stringify(readings));
  const advice = useMemo(
    () => trueAdviceOf(state, JSON.parse(read) as RunoutReading[], firstTo),
    [state, read, firstTo],
  );
  if (!advice?.ok || advice.working.result.do === 'leave') return null;
  const { nipples, now, after, reasons } = advice.working.result;
  const turned = nipples.map((n) => ({
    spoke: n.spoke,
    eighths: n.turn === 'tighten' ? n.eighths : -n.eighths,
  }));
  return (
    <section aria-label="Nipples" className="mt-4 border-t-2 border-ink pt-2">
      <h3 className="text-lg">Nipples</h3>
      <Reasons reasons={reasons} />
      {nipples.length > 0 && (
        <>
          <table className="mt-2 w-full text-[16px]">
            <thead className="sr-only">
              <tr>
                <th scope="col">Spoke</th>
                <th scope="col">Place</th>
                <th scope="col">Turn</th>
              </tr>
            </thead>
            <tbody>
              {nipples.map((n) => (
                <tr key={n.spoke} className="border-b border-stone3">
                  <th scope="row" className="num w-10 py-1 text-left text-[20px]">
                    {n.spoke}
                  </th>
                  <td className="num text-[15px] text-ink2">{placeText(n.deg)}</td>
                  <td className="text-right">
                    {n.turn} {eighthsText(n.eighths)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <After now={now} after={after} />
        </>
      )}
      <div className="mt-2">
        <ChoiceField
          label="Spoke 1, first after the valve, goes"
          value={firstTo}
          onChange={(side) => setFirstTo(side as FirstTo)}
          options={SIDES}
        />
      </div>
      <ul className="caution mt-2 text-[16px]">
        {advice.working.cautions.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ul>
      <p className="mt-1">
        <BasisTag title="the nipples" working={advice.working}>
          math
        </BasisTag>
      </p>
      {nipples.length > 0 && (
        <Button className="mt-2" onClick={() => void onTurned({ turned, firstTo })}>
          Mark as turned
        </Button>
      )}
    </section>
  );
};
