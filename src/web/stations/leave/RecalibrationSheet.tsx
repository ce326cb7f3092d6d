import { useState } from 'react';
import { teachingOf } from '../../../core/job';
import { useJob } from '../../shared/job-context';
import { ChoiceField, QuantityField, TextField } from '../../shared/fields';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { Sheet } from '../../parts/Sheet';
import { SheetFoot } from '../../parts/SheetFoot';
import { BasisTag } from '../../shared/working';
import { useVisitOfJobQuery } from '../../store/visits-api';
import { Cautions } from '../StationLayout';

/**
 * The machine record's recalibration after a tire change, both pressures first, and whether it was
 * done.
 */
export const RecalibrationSheet = ({ onDone }: { onDone: () => void }) => {
  const { job, state, write } = useJob();
  const { tell, read } = useUnits();
  const { data: visit } = useVisitOfJobQuery(job.id);
  const sister = visit?.wheels.find((w) => w.jobId !== job.id && w.setKpa !== null)?.setKpa ?? null;
  const [other, setOther] = useState('');
  const [done, setDone] = useState('yes');
  const [found, setFound] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const teaching = teachingOf(state, sister ?? (other.trim() ? read(other, 'kPa') : null));
  if (!teaching) return null;
  const { ready, steps, reasons } = teaching.result;
  const keep = async () => {
    if (done === 'yes' && !ready) return setProblem('Set both pressures first.');
    setProblem(null);
    const data = { done: done === 'yes', found: found.trim() };
    if (await write([{ kind: 'taught', data }], 'Recalibration saved.')) onDone();
  };
  return (
    <Sheet title="Recalibration" closes="Close recalibration" footed>
      <Reasons reasons={reasons} />
      <BasisTag title="recalibration" working={teaching} />
      <ol className="my-3 list-decimal space-y-1 pl-6 text-[19px]">
        {steps.map((s) => (
          <li key={s.says}>{tell(s)}</li>
        ))}
      </ol>
      {sister === null && (
        <QuantityField
          label="Pressure of the other wheel, cold"
          unit="kPa"
          value={other}
          onChange={setOther}
          hint="set it first; it is not in this visit"
        />
      )}
      <div className="mt-3 grid gap-3 sm:grid-cols-2">
        <ChoiceField
          label="Done"
          value={done}
          onChange={setDone}
          options={[
            ['yes', 'done'],
            ['no', 'not done'],
          ]}
        />
        <TextField label="Warning light" value={found} maxLength={300} onChange={setFound} />
      </div>
      <Cautions list={teaching.cautions} />
      <SheetFoot keeps="Save" onKeep={() => void keep()} problem={problem} />
    </Sheet>
  );
};
