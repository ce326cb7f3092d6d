import { dateText } from '../../../core/base/units';
import type { ReactNode } from 'react';
import { clampOf, pairCrush, type PairNow, type WheelHistory } from '../../../core/job';
import {
  BEAD_SIDES,
  type BeadCrush,
  type BeadSide,
  type ClampForce,
} from '../../../core/bench/ring';
import type { RuleValues } from '../../../core/base/rules';
import { POSITION_WORDS, type Wheel } from '../../../core/fit/wheels';
import type { Attempt } from '../../../core/base/working';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { useWheelRecord } from '../../shared/use-wheel-record';
import { BasisTag } from '../../shared/working';

type Clamped = WheelHistory['clamped'][number];

/** The last job that measured beads, and the last that turned bolts: the newest stand first. */
const lastOf = (all: readonly Clamped[]) => ({
  beads: all.find((c) => c.beads.length > 0)?.beads ?? [],
  turned: all.find((c) => c.turnsDone > 0) ?? null,
});

interface Column {
  wheel: Wheel;
  whose: 'this' | 'other';
  crush: BeadCrush | null;
  clamp: Attempt<ClampForce> | null;
  turned: Clamped | null;
}

const Crushed = ({ of, side }: { of: Column; side: BeadSide }) => {
  const { say } = useUnits();
  const bead = of.crush?.beads.find((b) => b.wheel === of.whose && b.side === side);
  return (
    <td className="num py-1 pr-3">
      {bead ? say(bead.crushMm, 'mm', { digits: 2 }) : 'not measured'}
    </td>
  );
};

const Bolts = ({ wheel }: { wheel: Wheel }) => {
  const { say } = useUnits();
  if (wheel.ringBolts === null) return <td className="py-1 pr-3">not counted</td>;
  return (
    <td className="py-1 pr-3">
      {wheel.ringBolts}
      {wheel.ringBoltSize && ` × ${wheel.ringBoltSize}`}
      {wheel.ringTorqueNm !== null && `, ${say(wheel.ringTorqueNm, 'Nm')}`}
    </td>
  );
};

const Clamp = ({ of }: { of: Column }) => {
  const { clamp, wheel } = of;
  if (!clamp?.ok) return <td className="py-1 pr-3">{clamp?.problem.message ?? 'not known'}</td>;
  return (
    <td className="py-1 pr-3">
      <BasisTag
        title={`the clamp of the ${POSITION_WORDS[wheel.position].toLowerCase()}`}
        working={clamp.working}
      >
        {(clamp.working.result.forcePerBoltN / 1000).toFixed(1)} kN per bolt
      </BasisTag>
    </td>
  );
};

const Turned = ({ of: { turned } }: { of: Column }) => (
  <td className="py-1 pr-3">
    {turned
      ? `${turned.turnsDone} of ${turned.turns} turns, ${dateText(turned.onDate)}`
      : 'no turns logged'}
  </td>
);

/** Crush and clamp of both wheels of a pair, column by column; nothing for wheels without rings. */
export const PairClamp = ({ pair, rules }: { pair: PairNow; rules: RuleValues }) => {
  const left = useWheelRecord(pair.left.id, pair.left.version).record;
  const right = useWheelRecord(pair.right.id, pair.right.version).record;
  if (pair.left.build !== 'beadlock' && pair.right.build !== 'beadlock') return null;
  if (!left || !right) return null;
  const [leftLast, rightLast] = [lastOf(left.history.clamped), lastOf(right.history.clamped)];
  const crush = pairCrush(pair, { left: leftLast.beads, right: rightLast.beads }, rules);
  const told = crush?.ok ? crush.working.result : null;
  const columns: Column[] = [
    {
      wheel: pair.left,
      whose: 'this',
      crush: told,
      clamp: clampOf(pair.left, rules),
      turned: leftLast.turned,
    },
    {
      wheel: pair.right,
      whose: 'other',
      crush: told,
      clamp: clampOf(pair.right, rules),
      turned: rightLast.turned,
    },
  ];
  const row = (label: string, cell: (of: Column) => ReactNode) => (
    <tr className="border-t border-stone3 align-baseline">
      <th scope="row" className="py-1 pr-3 text-left font-normal text-ink2">
        {label}
      </th>
      {columns.map(cell)}
    </tr>
  );
  return (
    <section aria-label="Crush and clamp" className="mt-5">
      <h2 className="text-xl">Crush and clamp</h2>
      <div
        className="overflow-x-auto"
        tabIndex={0}
        role="group"
        aria-label="Both wheels, column by column"
      >
        <table className="w-full text-[16px]">
          <thead>
            <tr>
              <td />
              {columns.map(({ wheel }) => (
                <th key={wheel.id} scope="col" className="py-1 pr-3 text-left">
                  {POSITION_WORDS[wheel.position]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {BEAD_SIDES.map((side) =>
              row(`Crush, ${side} bead`, (of) => <Crushed key={of.wheel.id} of={of} side={side} />),
            )}
            {row('Bolts of a ring', ({ wheel }) => (
              <Bolts key={wheel.id} wheel={wheel} />
            ))}
            {row('Clamp', (of) => (
              <Clamp key={of.wheel.id} of={of} />
            ))}
            {row('Wrench', (of) => (
              <Turned key={of.wheel.id} of={of} />
            ))}
          </tbody>
        </table>
      </div>
      {crush && !crush.ok && <p className="mt-1 text-stop">{crush.problem.message}</p>}
      {told && crush?.ok && (
        <div className="mt-2">
          <Reasons reasons={told.reasons.filter((r) => r.verdict !== 'good')} />
          <BasisTag title="the crush of both" working={crush.working}>
            math
          </BasisTag>
        </div>
      )}
    </section>
  );
};
