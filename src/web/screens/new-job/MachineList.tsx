import { memo } from 'react';
import {
  BUILD_WORDS,
  KIND_WORDS,
  POSITION_WORDS,
  type Wheel,
} from '../../../core/fit/wheels/wheel';
import type { MachineWithWheels } from '../../store/records-api';
import { WheelIcon } from '../../pictures/WheelIcon';
import { SeveralWheels } from '../visit/VisitSheet';

interface Taking {
  /** A job is being opened. */
  busy: boolean;
  onTake: (machineId: string, wheelId: string) => void;
}

const WheelButton = ({ wheel, busy, onTake }: Taking & { wheel: Wheel }) => (
  <button
    type="button"
    disabled={busy}
    className="btn !justify-start gap-3 text-left"
    onClick={() => onTake(wheel.machineId, wheel.id)}
  >
    <WheelIcon wheel={wheel} />
    <span>
      {POSITION_WORDS[wheel.position]}
      <span className="block text-[15px] font-normal text-ink2">
        {wheel.tireMarking} · {BUILD_WORDS[wheel.build]}
        {wheel.tube ? ', tube' : ''}
      </span>
    </span>
  </button>
);

const MachineRow = ({ machine, wheels, ...taking }: Taking & MachineWithWheels) => (
  <li className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b border-stone3 py-3">
    <div className="min-w-0 flex-1 basis-72">
      <h2 className="text-xl">{machine.name}</h2>
      <p className="text-ink2">
        {machine.rider} · {KIND_WORDS[machine.kind]}
      </p>
    </div>
    <div className="flex flex-wrap gap-3">
      {wheels.map((wheel) => (
        <WheelButton key={wheel.id} wheel={wheel} {...taking} />
      ))}
      {wheels.length > 1 && <SeveralWheels machine={machine} wheels={wheels} />}
    </div>
  </li>
);

/**
 * Machines and their wheels, a button for each; drawn again only when others are found, not with
 * each letter typed.
 */
export const MachineList = memo(
  ({ machines, ...taking }: Taking & { machines: readonly MachineWithWheels[] }) => (
    <ul className="rows">
      {machines.map((one) => (
        <MachineRow key={one.machine.id} {...one} {...taking} />
      ))}
    </ul>
  ),
);
MachineList.displayName = 'MachineList';
