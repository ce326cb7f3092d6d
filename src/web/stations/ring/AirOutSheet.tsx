import { useState } from 'react';
import { airOutOf } from '../../../core/job';
import { WithTake } from '../../shared/DeviceTake';
import { ChoiceField, QuantityField } from '../../shared/fields';
import { useJob } from '../../shared/job-context';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { Sheet } from '../../parts/Sheet';
import { SheetFoot } from '../../parts/SheetFoot';

const YES = [
  ['', 'not recorded'],
  ['yes', 'yes'],
  ['no', 'no'],
] as const;
const typed = (value: boolean | undefined): string =>
  value === undefined ? '' : value ? 'yes' : 'no';

/** The note to make before a bolt of a clamped wheel is touched. */
export const AirOutSheet = ({ onDone }: { onDone: () => void }) => {
  const { state, write, correcting } = useJob();
  const { read, write: show } = useUnits();
  const before = state.airOut;
  const [core, setCore] = useState(typed(before?.coreOut));
  const [silent, setSilent] = useState(typed(before?.silent));
  const [gauge, setGauge] = useState(before?.gaugeKpa == null ? '' : show(before.gaugeKpa, 'kPa'));
  const [device, setDevice] = useState<string | null>(before?.device ?? null);
  const [problem, setProblem] = useState<string | null>(null);
  const gaugeKpa = gauge.trim() ? read(gauge, 'kPa') : null;
  const data = { silent: silent === 'yes', coreOut: core === 'yes', gaugeKpa, device };
  const air = airOutOf({ ...state, airOut: data });
  const keep = async () => {
    if (gauge.trim() && (gaugeKpa === null || gaugeKpa < 0))
      return setProblem('Gauge: enter a pressure, 0 when empty.');
    setProblem(null);
    if (await write([{ kind: 'air-out', ...correcting('air-out'), data }], 'Air check saved.'))
      onDone();
  };
  return (
    <Sheet title="Is the air out?" closes="Close air check" footed>
      <div aria-live="polite">
        {air?.ok && <Reasons reasons={air.working.result.reasons.slice(0, 1)} />}
      </div>
      <div className="mt-3 grid gap-3 sm:grid-cols-2">
        <ChoiceField label="The valve core is out" value={core} onChange={setCore} options={YES} />
        <ChoiceField label="No hiss" value={silent} onChange={setSilent} options={YES} />
        <WithTake
          kind="gauge"
          what="Pressure left"
          onTake={(line) => {
            setGauge(show(Math.max(0, line.value), 'kPa'));
            setDevice(line.device);
          }}
        >
          <QuantityField
            label="The gauge on the valve"
            unit="kPa"
            value={gauge}
            onChange={(text) => {
              setGauge(text);
              setDevice(null);
            }}
            hint="0 when empty"
          />
        </WithTake>
      </div>
      {air?.ok && (
        <ul className="caution mt-3 text-[16px]">
          {air.working.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      )}
      <SheetFoot keeps="Save air check" onKeep={() => void keep()} problem={problem} />
    </Sheet>
  );
};
