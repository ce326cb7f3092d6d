import { LUBRICANTS, roleOf, type Lubricant } from '../../../core/torque';
import { ChoiceField } from '../../parts/fields';
import { Quantity } from '../../parts/quantity';
import type { TorqueWalk, WalkRow } from './use-torque-walk';

/** What to mind at a fastener, by what it holds. Common practice. */
const MIND: Partial<Record<ReturnType<typeof roleOf>, string>> = {
  axle: 'Watch both ends: the far end must not turn.',
  'pinch bolt': 'After the axle nut.',
  'wheel nut': 'Crossing, wheel on the ground.',
  caliper: 'Hold disc or brake, hose clear.',
};

const AS_MANUAL = 'as the manual says';

/** The fastener at hand, large: its torque, the wrench and its setting, and what is on the threads. */
export const NextFastener = ({ row, walk }: { row: WalkRow; walk: TorqueWalk }) => {
  const { fastener, choice } = row;
  const { torqueNm, renews } = fastener;
  const wrench = choice?.result.wrench ?? null;
  const mind = [MIND[roleOf(fastener.name)], renews !== 'nothing' && `A new ${renews}.`].filter(Boolean);
  return (
    <div className="mb-3 grid grid-cols-[1fr_auto] items-end gap-x-4 border-l-4 border-water pl-3">
      <div>
        {torqueNm === null ? (
          <p className="head text-[30px]">snug</p>
        ) : (
          <Quantity value={choice?.result.settingNm ?? torqueNm} unit="Nm" big />
        )}
        <p className="text-[17px]">{wrench ? `on the ${wrench.name}` : (choice?.result.reason ?? 'By feel.')}</p>
        {mind.length > 0 && <p className="text-[15px] text-ink2">{mind.join(' ')}</p>}
      </div>
      {torqueNm !== null && (
        <div className="w-[180px]">
          <ChoiceField
            label="On its threads"
            value={walk.thread ?? ''}
            onChange={(v) => walk.setThread(v === '' ? null : (v as Lubricant))}
            options={[['', AS_MANUAL], ...LUBRICANTS.map((l) => [l, l] as const)]}
          />
        </div>
      )}
    </div>
  );
};
