import { useState } from 'react';
import { discOf } from '../../../core/job';
import { placeText } from '../../../core/base/units';
import { Button } from '../../parts/Button';
import { useJob } from '../../shared/job-context';
import { QuantityField } from '../../shared/fields';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { BasisTag } from '../../shared/working';
import { IndicatorTake } from '../IndicatorTake';
import { refusalText } from '../../shared/refusal';

const DEGS = Array.from({ length: 8 }, (_, i) => i * 45);

/** Runout of the brake disc, by dial indicator or typed, eight places round its face. */
export const DiscReadings = () => {
  const { state, machine, write } = useJob();
  const { read, write: show } = useUnits();
  const known = state.discRunout;
  const [typed, setTyped] = useState<Record<number, string>>(() =>
    Object.fromEntries(
      (known?.readings ?? []).map((r) => [r.angleDeg, show(r.lateralMm ?? 0, 'mm', 3)]),
    ),
  );
  const [limit, setLimit] = useState(() => {
    const mm = known?.limitMm ?? machine.discLimitMm;
    return mm === null ? '' : show(mm, 'mm', 3);
  });
  const [device, setDevice] = useState(known?.device ?? null);
  const [problem, setProblem] = useState<string | null>(null);
  const valueOf = (deg: number) => (typed[deg]?.trim() ? read(typed[deg]!, 'mm') : undefined);
  const readings = DEGS.flatMap((angleDeg) => {
    const lateralMm = valueOf(angleDeg);
    return lateralMm == null ? [] : [{ angleDeg, lateralMm }];
  });
  const data = { readings, limitMm: limit.trim() ? read(limit, 'mm') : null, device };
  const found = readings.length === 0 ? null : discOf(state, data);
  const keep = async () => {
    if (DEGS.some((deg) => valueOf(deg) === null))
      return setProblem('Some readings aren’t lengths. Fix the marked fields.');
    if (!found) return setProblem('No readings yet. Measure at least six places.');
    if (!found.ok) return setProblem(refusalText(found.problem));
    setProblem(null);
    await write([{ kind: 'disc-runout', data }], 'Disc runout saved.');
  };
  return (
    <details className="mt-5 border-t-2 border-ink pt-2" open={known !== null}>
      <summary className="head inline-flex min-h-12 cursor-pointer items-center text-lg">
        Disc runout
      </summary>
      <div className="mt-2" aria-live="polite">
        {found?.ok && (
          <>
            <Reasons reasons={found.working.result.reasons} />
            <BasisTag title="the disc" working={found.working} />
          </>
        )}
        {found && !found.ok && <p className="text-ink2">{found.problem.message}</p>}
      </div>
      <IndicatorTake
        only="lateral"
        next={{ lateral: DEGS.find((deg) => !typed[deg]?.trim()) ?? null, radial: null }}
        onTake={(_way, deg, mm, from) => {
          setDevice(from);
          setTyped((all) => ({ ...all, [deg]: show(mm, 'mm', 3) }));
        }}
      />
      <div className="mt-3 grid grid-cols-2 items-end gap-2 sm:grid-cols-4">
        {DEGS.map((deg) => (
          <QuantityField
            key={deg}
            signed
            label={placeText(deg)}
            unit="mm"
            value={typed[deg] ?? ''}
            onChange={(text) => setTyped((all) => ({ ...all, [deg]: text }))}
          />
        ))}
      </div>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <QuantityField label="Limit in the manual" unit="mm" value={limit} onChange={setLimit} />
        <Button small onClick={() => void keep()}>
          Save disc readings
        </Button>
      </div>
      {problem && (
        <p role="alert" className="mt-2 text-stop">
          {problem}
        </p>
      )}
    </details>
  );
};
