import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { pressureCorrect } from '../../core/bench/pressure';
import { attempt } from '../../core/base/working';
import { Button } from '../parts/Button';
import { QuantityField } from '../shared/fields';
import { Quantity, useUnits } from '../shared/quantity';
import { Sheet } from '../parts/Sheet';
import { BasisTag } from '../shared/working';
import { refusalText } from '../shared/refusal';

/** The cold pressure of a warm tire's reading. `altitudeM` is that of the shop. */
export const HotSheet = ({ coldC, altitudeM }: { coldC: number | null; altitudeM: number }) => {
  const { read, write } = useUnits();
  const [hot, setHot] = useState('');
  const [at, setAt] = useState('');
  const [cold, setCold] = useState(write(coldC ?? 20, 'C', 0));
  const [gaugeKpa, tempC, toTempC] = [read(hot, 'kPa'), read(at, 'C'), read(cold, 'C')];
  const found =
    gaugeKpa === null || tempC === null || toTempC === null
      ? null
      : attempt(pressureCorrect, { gaugeKpa, tempC, toTempC, altitudeM });
  return (
    <Dialog.Root>
      <Dialog.Trigger asChild>
        <Button small>The tire is warm</Button>
      </Dialog.Trigger>
      <Sheet title="Cold pressure from a warm reading" closes="Back to pressure">
        <div className="grid grid-cols-2 gap-3">
          <QuantityField label="Gauge reads, warm" unit="kPa" value={hot} onChange={setHot} />
          <QuantityField label="The tire is at" unit="C" value={at} onChange={setAt} signed />
          <QuantityField label="Cold is" unit="C" value={cold} onChange={setCold} signed />
        </div>
        <div className="mt-4" aria-live="polite">
          {found?.ok && (
            <p className="flex items-baseline gap-3">
              Cold it reads <Quantity value={found.working.result.gaugeKpa} unit="kPa" big />{' '}
              <BasisTag title="the cold reading" working={found.working}>
                gas law
              </BasisTag>
            </p>
          )}
          {found && !found.ok && <p className="text-stop">{refusalText(found.problem)}</p>}
          {!found && (
            <p className="text-ink2">
              Never bleed a warm tire to the cold figure. It will be too soft once it cools.
            </p>
          )}
        </div>
      </Sheet>
    </Dialog.Root>
  );
};
