import { useState } from 'react';
import { rolloutOf } from '../../../core/job';
import { ruleNumber } from '../../../core/base/rules';
import { QuantityField } from '../../shared/fields';
import { useJob } from '../../shared/job-context';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { Sheet } from '../../parts/Sheet';
import { SheetFoot } from '../../parts/SheetFoot';
import { BasisTag } from '../../shared/working';
import { refusalText } from '../../shared/refusal';

/** A tape round the tread, and what it says with those before it. */
export const RolloutSheet = ({ onDone }: { onDone: () => void }) => {
  const { state, write } = useJob();
  const { read, say, write: show } = useUnits();
  const [run, setRun] = useState(String(state.tapes.at(-1)?.run ?? 0));
  const [tape, setTape] = useState('');
  const [pressure, setPressure] = useState(() =>
    show(ruleNumber('rollout.measureKpa', state.rules), 'kPa'),
  );
  const [problem, setProblem] = useState<string | null>(null);
  const circumferenceMm = tape.trim() ? read(tape, 'mm') : null;
  const gaugeKpa = read(pressure, 'kPa');
  const runs = /^\d{1,3}$/.test(run.trim()) ? Number(run) : null;
  const taped =
    circumferenceMm !== null && gaugeKpa !== null && runs !== null
      ? { run: runs, circumferenceMm, gaugeKpa, device: null }
      : null;
  const found = rolloutOf(state, taped ? [taped] : []);
  const keep = async () => {
    if (circumferenceMm === null || circumferenceMm < 300 || circumferenceMm > 4000)
      return setProblem('Circumference: enter 2640, or 104 3/8 for inches and eighths.');
    if (gaugeKpa === null || gaugeKpa < 5 || gaugeKpa > 400)
      return setProblem('Taped at: enter a pressure.');
    if (runs === null || runs > 500)
      return setProblem('Runs so far: enter a whole number, 0 before the first.');
    if (found && !found.ok) return setProblem(refusalText(found.problem));
    setProblem(null);
    if (await write([{ kind: 'taped', data: { ...taped! } }], 'Rollout saved.')) onDone();
  };
  return (
    <Sheet title="Rollout by tape" closes="Close rollout" footed>
      <div className="min-h-[60px]" aria-live="polite">
        {found?.ok ? (
          <>
            <p className="num text-[30px] leading-tight">
              {say(found.working.result.circumferenceMm, 'mm')}
              <span className="block text-[15px] text-ink2">at the measuring pressure</span>
            </p>
            <Reasons reasons={found.working.result.reasons} />
            <BasisTag title="the rollout" working={found.working}>
              math
            </BasisTag>
          </>
        ) : (
          <p className="text-ink2">
            {found?.problem.message ?? 'Around the middle of the tread, at the measuring pressure.'}
          </p>
        )}
      </div>
      <div className="mt-3 grid gap-3 sm:grid-cols-3">
        <QuantityField
          label="Circumference"
          unit="mm"
          value={tape}
          onChange={setTape}
          hint="inches and eighths as 104 3/8"
        />
        <QuantityField label="Taped at" unit="kPa" value={pressure} onChange={setPressure} />
        <QuantityField
          label="Runs so far"
          unit={null}
          value={run}
          onChange={setRun}
          hint="0 before the first"
        />
      </div>
      {state.tapes.length > 0 && (
        <ul className="rows mt-3 text-[16px]">
          {state.tapes.map((t) => (
            <li key={t.entryId} className="border-b border-stone3 py-2">
              {t.run === 0 ? 'Before the first run' : `After run ${t.run}`}:{' '}
              {say(t.circumferenceMm, 'mm')} at {say(t.gaugeKpa, 'kPa')}
            </li>
          ))}
        </ul>
      )}
      <SheetFoot keeps="Save rollout" onKeep={() => void keep()} problem={problem} />
    </Sheet>
  );
};
