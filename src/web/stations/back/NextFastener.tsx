import { LUBRICANTS, type Lubricant } from '../../../core/bench/torque';
import { DeviceTake } from '../../shared/DeviceTake';
import { ChoiceField } from '../../shared/fields';
import { Quantity } from '../../shared/quantity';
import { Ways } from '../FastenerRow';
import { OtherWrenchSheet } from './OtherWrenchSheet';
import type { TorqueWalk, WalkRow } from './use-torque-walk';

const AS_MANUAL = 'by the manual';

/**
 * The fastener at hand, large: its torque, the wrench and its setting, and what is on the threads.
 */
export const NextFastener = ({ row, walk }: { row: WalkRow; walk: TorqueWalk }) => {
  const { turn } = row;
  const { torqueNm, settingNm, wrench, says } = turn;
  return (
    <div className="mb-3 grid grid-cols-[1fr_auto] items-end gap-x-4 border-l-4 border-water pl-3">
      <div>
        {torqueNm === null ? (
          <p className="head text-[30px]">snug</p>
        ) : (
          <Quantity value={settingNm ?? torqueNm} unit="Nm" big />
        )}
        {wrench && (
          <p className="text-[17px]">
            on the {wrench}
            {walk.aid.extensionMm !== null && torqueNm !== null && (
              <>
                , for <Quantity value={torqueNm} unit="Nm" /> at the fastener
              </>
            )}
          </p>
        )}
        {says.map((line) => (
          <p key={line} className="text-[15px] text-ink2">
            {line}
          </p>
        ))}
      </div>
      {torqueNm !== null && (
        <div className="w-[180px]">
          <ChoiceField
            label="On its threads"
            value={walk.aid.thread ?? ''}
            onChange={(v) => walk.setAid({ thread: v === '' ? null : (v as Lubricant) })}
            options={[['', AS_MANUAL], ...LUBRICANTS.map((l) => [l, l] as const)]}
          />
        </div>
      )}
    </div>
  );
};

/**
 * Beside its own button: the wrench that is listened to, or, where none covers it, what only the
 * fitter can say.
 */
export const NextWays = ({
  row: { fastener, choice },
  walk,
}: {
  row: WalkRow;
  walk: TorqueWalk;
}) => {
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
      {fastener.torqueNm !== null && <OtherWrenchSheet key={fastener.name} walk={walk} />}
      <Ways
        isPlain
        fastener={fastener}
        choice={choice}
        onKeep={(how, name) => void walk.keep(fastener, how, name)}
      />
    </>
  );
};
