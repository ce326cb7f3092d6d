import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Button } from '../../parts/Button';
import { QuantityField } from '../../shared/fields';
import { useUnits } from '../../shared/quantity';
import { Sheet } from '../../parts/Sheet';
import { SheetFoot } from '../../parts/SheetFoot';
import type { TorqueWalk } from './use-torque-walk';

const MAX_NM = 1000;

/**
 * A head in line with the handle, or a wrench that is not the shop's: for the fastener at hand,
 * with its new setting.
 */
export const OtherWrenchSheet = ({ walk }: { walk: TorqueWalk }) => {
  const { read, write, say } = useUnits();
  const [isOpen, setIsOpen] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const { aid, borrowed } = walk;
  const [head, setHead] = useState(aid.extensionMm === null ? '' : write(aid.extensionMm, 'mm', 0));
  const [least, setLeast] = useState(borrowed ? write(borrowed.minNm, 'Nm', 0) : '');
  const [most, setMost] = useState(borrowed ? write(borrowed.maxNm, 'Nm', 0) : '');
  const [lever, setLever] = useState(
    borrowed?.leverMm === undefined ? '' : write(borrowed.leverMm, 'mm', 0),
  );
  const keep = () => {
    const extensionMm = head.trim() ? read(head, 'mm') : null;
    if (head.trim() && (extensionMm === null || extensionMm <= 0 || extensionMm > 1000))
      return setProblem(`Extension: enter a length up to ${say(1000, 'mm')}, or leave it empty.`);
    const isBorrowed = least.trim() !== '' || most.trim() !== '';
    const [minNm, maxNm] = [read(least, 'Nm'), read(most, 'Nm')];
    const leverMm = lever.trim() ? read(lever, 'mm') : null;
    if (
      isBorrowed &&
      (minNm === null || maxNm === null || minNm < 0.1 || maxNm > MAX_NM || minNm >= maxNm)
    )
      return setProblem('Borrowed wrench: enter its lowest setting and a higher highest setting.');
    if (lever.trim() && (leverMm === null || leverMm < 50 || leverMm > 2000))
      return setProblem(`Lever: enter ${say(50, 'mm')} to ${say(2000, 'mm')}.`);
    setProblem(null);
    walk.setAid({ extensionMm });
    walk.borrow(
      isBorrowed
        ? {
            name: `borrowed wrench, ${say(minNm!, 'Nm')} to ${say(maxNm!, 'Nm')}`,
            minNm: minNm!,
            maxNm: maxNm!,
            ...(leverMm === null ? {} : { leverMm }),
          }
        : null,
    );
    setIsOpen(false);
  };
  return (
    <Dialog.Root open={isOpen} onOpenChange={setIsOpen}>
      <Dialog.Trigger asChild>
        <Button small>Extension or other wrench</Button>
      </Dialog.Trigger>
      <Sheet title="Extension or other wrench" closes="Close wrench" footed>
        <QuantityField
          label="Extension in line with the handle"
          unit="mm"
          value={head}
          onChange={setHead}
          hint="from the drive to the fastener; a right-angle one changes nothing"
        />
        <p className="mt-3 font-semibold">A borrowed wrench, for this wheel</p>
        <div className="grid gap-3 sm:grid-cols-3">
          <QuantityField label="Lowest setting" unit="Nm" value={least} onChange={setLeast} />
          <QuantityField label="Highest setting" unit="Nm" value={most} onChange={setMost} />
          <QuantityField label="Drive to grip" unit="mm" value={lever} onChange={setLever} />
        </div>
        <p className="mt-2 text-[16px] text-ink2">
          With an in-line extension the setting is torque × lever / (lever + extension). A borrowed
          wrench’s calibration is unknown.
        </p>
        <SheetFoot keeps="Use wrench" onKeep={keep} problem={problem} />
      </Sheet>
    </Dialog.Root>
  );
};
