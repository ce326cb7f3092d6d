import { heavyAgainst, weightMarks } from '../../../core/job';
import { type BalancePlayed } from '../../../core/practice';
import type { DialMark } from '../../../core/fit/drawing';
import type { Working } from '../../../core/base/working';
import { usePlace } from '../../shared/place';
import { Quantity, useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { WheelDial } from '../../pictures/WheelDial';
import { BasisTag } from '../../shared/working';
import { DRAWN_PRACTICE } from './practice-pictures';

/** The hidden wheel, what was left, and what the advice would have done with it. */
export const BalanceOutcome = ({
  working,
  tries,
}: {
  working: Working<BalancePlayed>;
  tries: readonly (readonly { massG: number; deg: number }[])[];
}) => {
  const { say } = useUnits();
  const place = usePlace();
  const { heavy, bandG, placements, leftG, advised, debrief, reason } = working.result;
  const last = advised.tries.at(-1) ?? [];
  const marks: DialMark[] = [
    { is: 'heavy', deg: heavy.deg, label: say(heavy.massG, 'g', { digits: 0 }) },
    ...weightMarks(tries.at(-1) ?? [], 'weight', (g) => say(g, 'g')),
  ];
  const text = (list: readonly { massG: number; deg: number }[]) =>
    list.map((p) => `${say(p.massG, 'g')} at ${place.clock(p.deg)}`).join(', ') || 'nothing';
  return (
    <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_480px]">
      <WheelDial
        wheel={DRAWN_PRACTICE.balance}
        marks={marks}
        sideUp="disc"
        tireOn
        className="mx-auto w-full max-w-[460px]"
      />
      <section aria-label="Results">
        <Reasons reasons={[reason, ...debrief]} />
        <p className="mt-2">
          It hid {say(heavy.massG, 'g', { digits: 0 })} at {place.clock(heavy.deg)}; the stand hid{' '}
          {say(bandG, 'g')}. The best place for weights was {place.clock(heavyAgainst([heavy]).deg)}
          .
        </p>
        <table className="mt-3 w-full">
          <thead>
            <tr className="border-b-2 border-ink text-left">
              <th scope="col" className="py-1">
                <span className="sr-only">Who</span>
              </th>
              <th scope="col" className="text-right">
                Placements
              </th>
              <th scope="col" className="text-right">
                Left
              </th>
            </tr>
          </thead>
          <tbody>
            <tr className="border-b border-stone3">
              <th scope="row" className="py-2 text-left">
                You
              </th>
              <td className="num text-right text-[26px]">{placements}</td>
              <td className="text-right">
                <Quantity value={leftG} unit="g" digits={1} />
              </td>
            </tr>
            <tr className="border-b border-stone3">
              <th scope="row" className="py-2 text-left">
                Advised
              </th>
              <td className="num text-right text-[26px]">{advised.placements}</td>
              <td className="text-right">
                <Quantity value={advised.leftG} unit="g" digits={1} />
              </td>
            </tr>
          </tbody>
        </table>
        <h2 className="mt-4 text-[18px]">Advised moves</h2>
        <ol className="mt-1">
          {advised.tries.map((t, i) => (
            <li key={i}>
              <span className="num mr-2 text-ink2">{i + 1}</span>
              {i < advised.tries.length - 1 ? 'taped on ' : 'put on '}
              {text(t)}
            </li>
          ))}
        </ol>
        <p className="mt-1 text-ink2">
          With {advised.readings} settles and level tests in between
          {last.length === 0 ? '; no weight was needed' : ''}.{' '}
          <BasisTag title="the round" working={working}>
            math
          </BasisTag>
        </p>
      </section>
    </div>
  );
};
