import { LUBRICANTS, roleOf, type Lubricant } from '../../../core/torque';
import { DeviceTake } from '../../parts/DeviceTake';
import { ChoiceField } from '../../parts/fields';
import { Quantity } from '../../parts/quantity';
import { Ways } from '../FastenerRow';
import type { TorqueWalk, WalkRow } from './use-torque-walk';

/** What to mind at a fastener, by what it holds. Common practice. */
const MIND: Partial<Record<ReturnType<typeof roleOf>, string>> = {
  axle: 'Watch both ends: the far end must not turn.',
  'pinch bolt': 'After the axle nut.',
  'wheel nut': 'Crossing, wheel on the ground.',
  caliper: 'Hold disc or brake, hose clear.',
};

const AS_MANUAL = 'by the manual';

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

/** Beside its own button: the wrench that is listened to, or, where none covers it, what only the fitter can say. */
export const NextWays = ({ row: { fastener, choice }, walk }: { row: WalkRow; walk: TorqueWalk }) => {
  const wrench = choice?.result.wrench ?? null;
  return (
    <>
      {wrench && (
        <DeviceTake
          compact
          kind="torque-wrench"
          meant={wrench.name}
          what={`Torque of ${fastener.name}`}
          onTake={(line) => walk.click(fastener, line)}
        />
      )}
      <Ways isPlain fastener={fastener} choice={choice} onKeep={(how, name) => void walk.keep(fastener, how, name)} />
    </>
  );
};
