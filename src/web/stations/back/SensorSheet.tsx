import { useState } from 'react';
import { sensorOf } from '../../../core/job';
import { placeText } from '../../../core/base/units';
import { useJob } from '../../shared/job-context';
import { QuantityField } from '../../shared/fields';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { Sheet } from '../../parts/Sheet';
import { SheetFoot } from '../../parts/SheetFoot';
import { BasisTag } from '../../shared/working';
import { refusalText } from '../../shared/refusal';

const DEGS = Array.from({ length: 6 }, (_, i) => i * 60);

/** The feeler between sensor and ring, round the wheel. */
export const SensorSheet = ({ onDone }: { onDone: () => void }) => {
  const { state, machine, write } = useJob();
  const { read, write: show } = useUnits();
  const text = (mm: number | null) => (mm === null ? '' : show(mm, 'mm', 3));
  const known = state.sensorGap;
  const [typed, setTyped] = useState<Record<number, string>>(() =>
    Object.fromEntries((known?.readings ?? []).map((r) => [r.deg, show(r.gapMm, 'mm', 3)])),
  );
  const [least, setLeast] = useState(() => text(known?.wantMinMm ?? machine.sensorMinMm));
  const [most, setMost] = useState(() => text(known?.wantMaxMm ?? machine.sensorMaxMm));
  const [problem, setProblem] = useState<string | null>(null);
  const valueOf = (deg: number) => (typed[deg]?.trim() ? read(typed[deg]!, 'mm') : undefined);
  const readings = DEGS.flatMap((deg) => {
    const gapMm = valueOf(deg);
    return gapMm == null ? [] : [{ deg, gapMm }];
  });
  const mm = (t: string) => (t.trim() ? read(t, 'mm') : null);
  const data = { readings, wantMinMm: mm(least), wantMaxMm: mm(most) };
  const found = readings.length === 0 ? null : sensorOf(data);
  const keep = async () => {
    if (DEGS.some((deg) => valueOf(deg) === null))
      return setProblem('Some readings aren’t gaps. Fix the marked fields.');
    if (!found) return setProblem('No readings yet. Measure the gap at three places or more.');
    if (!found.ok) return setProblem(refusalText(found.problem));
    setProblem(null);
    if (await write([{ kind: 'sensor-gap', data }], 'Gap saved.')) onDone();
  };
  return (
    <Sheet title="Wheel sensor gap" closes="Close sensor gap" footed>
      <div className="min-h-[60px]" aria-live="polite">
        {found?.ok ? (
          <>
            <Reasons reasons={found.working.result.reasons} />
            <BasisTag title="the gap" working={found.working} />
          </>
        ) : (
          <p className="text-ink2">
            {found?.problem.message ??
              'Feeler gauge between sensor and ring, turning the wheel. At least three places around the ring.'}
          </p>
        )}
      </div>
      <div className="mt-3 grid grid-cols-2 gap-2 sm:grid-cols-3">
        {DEGS.map((deg) => (
          <QuantityField
            key={deg}
            label={placeText(deg)}
            unit="mm"
            value={typed[deg] ?? ''}
            onChange={(t) => setTyped((all) => ({ ...all, [deg]: t }))}
          />
        ))}
        <QuantityField label="Manual, at least" unit="mm" value={least} onChange={setLeast} />
        <QuantityField label="Manual, at most" unit="mm" value={most} onChange={setMost} />
      </div>
      <SheetFoot keeps="Save readings" onKeep={() => void keep()} problem={problem} />
    </Sheet>
  );
};
